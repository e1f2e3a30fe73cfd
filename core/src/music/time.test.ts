import { describe, expect, it } from 'vitest';
import { barLength, pulse } from './meter.ts';
import { leastCommonMultiple, parseQuarters, quartersText } from './time.ts';

describe('times', () => {
  it('are written as reduced fractions of a quarter and read back', () => {
    expect(quartersText(36, 24)).toBe('3/2');
    expect(quartersText(48, 24)).toBe('2');
    expect(quartersText(0, 24)).toBe('0');
    expect(quartersText(8, 24)).toBe('1/3');
    expect(parseQuarters('3/2')).toBe(1.5);
    expect(parseQuarters('1/3')).toBeCloseTo(1 / 3, 12);
    expect(parseQuarters('x')).toBeUndefined();
  });

  it('share the least common multiple of their divisions', () => {
    expect(leastCommonMultiple(16, 24)).toBe(48);
  });
});

describe('meters', () => {
  // Common practice, no published source: compound meters are felt in dotted beats.
  it.each([
    [{ beats: 3, beatType: 4 }, 72, 24],
    [{ beats: 6, beatType: 8 }, 72, 36],
    [{ beats: 2, beatType: 2 }, 96, 48],
    [{ beats: 3, beatType: 8 }, 36, 12],
    [{ beats: 12, beatType: 8 }, 144, 36],
  ])('%o has its length and its felt beat', (meter, length, beat) => {
    expect(barLength(meter, 24)).toBe(length);
    expect(pulse(meter, 24)).toBe(beat);
  });
});
