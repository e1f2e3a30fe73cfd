import { Note } from 'tonal';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { midiOf, parsePitch, pitchLabel, pitchName, sharpSpelling, STEPS } from './pitch.ts';

const spelling = fc.record({
  step: fc.constantFrom(...STEPS),
  alter: fc.integer({ min: -2, max: 2 }),
  octave: fc.integer({ min: 0, max: 8 }),
});

describe('pitches', () => {
  it('have the MIDI numbers that the theory library tonal gives them', () => {
    fc.assert(
      fc.property(spelling, (pitch) => {
        expect(midiOf(pitch)).toBe(Note.midi(pitchName(pitch)));
      }),
    );
  });

  it('are read back from their names', () => {
    fc.assert(
      fc.property(spelling, (pitch) => {
        expect(parsePitch(pitchName(pitch))).toEqual(pitch);
      }),
    );
  });

  it('are spelled with sharps as tonal spells them', () => {
    for (let number = 21; number <= 108; number += 1)
      expect(pitchName(sharpSpelling(number))).toBe(Note.fromMidiSharps(number));
  });

  it('are shown with real signs and refuse what is no pitch', () => {
    expect(pitchLabel({ step: 'B', alter: -1, octave: 3 })).toBe('B♭3');
    expect(pitchLabel({ step: 'F', alter: 1, octave: 3 })).toBe('F♯3');
    expect(parsePitch('H4')).toBeUndefined();
    expect(parsePitch('E#b4')).toBeUndefined();
  });
});
