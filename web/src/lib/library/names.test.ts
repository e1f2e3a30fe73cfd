import { describe, expect, it } from 'vitest';
import { keyLabel, matchesSearch, touchedLabel } from './names.ts';

describe('names in the library', () => {
  it('keys are told by their signature, both ways when the mode is unknown', () => {
    expect(keyLabel(0, null)).toBe('C major / A minor');
    expect(keyLabel(-3, 'minor')).toBe('C minor');
    expect(keyLabel(3, 'major')).toBe('A major');
  });

  it('times are told as people do', () => {
    const now = new Date('2026-03-10T12:00:00Z');
    const ago = (seconds: number) => touchedLabel(new Date(now.getTime() - seconds * 1000), now);
    expect(ago(5)).toBe('just now');
    expect(ago(180)).toBe('3 minutes ago');
    expect(ago(7200)).toBe('2 hours ago');
    expect(ago(86_400)).toBe('yesterday');
    expect(ago(60 * 86_400)).toMatch(/2026/);
  });

  it('the search forgives case and accents and finds words in any order', () => {
    expect(matchesSearch('etude meadow', 'Low Meadow Étude', 'X')).toBe(true);
    expect(matchesSearch('osse dance', 'Low Meadow Dance', 'Marit Osse')).toBe(true);
    expect(matchesSearch('waltz', 'Low Meadow Dance', 'Marit Osse')).toBe(false);
    expect(matchesSearch('', 'anything')).toBe(true);
  });
});
