import { describe, expect, it } from 'vitest';
import { parsePitch } from '../music/pitch.ts';
import { chordName } from './harmony.ts';

const name = (pitches: string) => chordName(pitches.split(' ').map((each) => parsePitch(each)!));

// Chord symbols as every textbook of harmony writes them; from memory.
describe('names of chords', () => {
  it.each([
    ['A2 E3 A3 C4 E4', 'Am'],
    ['C3 E3 G3 C4 E4', 'C'],
    ['E2 G#3 B3 D4', 'E7'],
    ['F#2 D3 A3 C4', 'D7/F♯'],
    ['B2 D3 F3', 'Bdim'],
    ['G3 B3 D4', 'G'],
    ['C3 E3 A3', 'Am/C'],
    ['Bb2 D3 F3', 'B♭'],
  ])('%s is %s', (pitches, expected) => {
    expect(name(pitches)).toBe(expected);
  });

  it('two pitches, and notes that make no chord, have none', () => {
    expect(name('A2 E3 A3')).toBeUndefined();
    expect(name('A3 B3 C4')).toBeUndefined();
  });
});
