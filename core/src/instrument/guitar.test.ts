import { Note } from 'tonal';
import { describe, expect, it } from 'vitest';
import {
  fretOffset,
  fretWidth,
  fingertipOffset,
  harmonicPlacesOf,
  millimetres,
  openPitch,
  placesOf,
  STANDARD_GUITAR,
  STANDARD_TUNING,
  STRINGS,
} from './guitar.ts';

const scale = millimetres(650);

describe('the guitar', () => {
  it('has its open strings where the theory library tonal puts E4 B3 G3 D3 A2 E2', () => {
    expect(STANDARD_TUNING).toEqual(['E4', 'B3', 'G3', 'D3', 'A2', 'E2'].map((name) => Note.midi(name)));
  });

  it('has frets by the equal-temperament formula: half the string at 12, three quarters at 24', () => {
    expect(fretOffset(0, scale)).toBe(0);
    expect(fretOffset(12, scale)).toBeCloseTo(325, 9);
    expect(fretOffset(24, scale)).toBeCloseTo(487.5, 9);
    // Each remaining length is the one before divided by the twelfth root of two.
    for (let fret = 1; fret <= 24; fret += 1)
      expect((650 - fretOffset(fret - 1, scale)) / (650 - fretOffset(fret, scale))).toBeCloseTo(
        2 ** (1 / 12),
        12,
      );
  });

  it('has frets that narrow up the neck, and fingertips behind the wire', () => {
    for (let fret = 2; fret <= 19; fret += 1) {
      expect(fretWidth(fret, scale)).toBeLessThan(fretWidth(fret - 1, scale));
      expect(fingertipOffset(fret, scale)).toBeLessThan(fretOffset(fret, scale));
      expect(fingertipOffset(fret, scale)).toBeGreaterThan(fretOffset(fret - 1, scale));
    }
  });

  it('has B3 on ② open, ③ 4, ④ 9, ⑤ 14 and ⑥ 19 (handbook §1)', () => {
    expect(placesOf(STANDARD_GUITAR, 59).map(({ string, fret }) => [string, fret])).toEqual([
      [2, 0],
      [3, 4],
      [4, 9],
      [5, 14],
      [6, 19],
    ]);
  });

  it('has only places that sound the pitch, with any capo', () => {
    for (const capo of [0, 2, 5]) {
      const guitar = { ...STANDARD_GUITAR, capo };
      for (let pitch = 36; pitch <= 88; pitch += 1)
        for (const { string, fret } of placesOf(guitar, pitch))
          expect(openPitch(guitar, string) + fret).toBe(pitch);
    }
    expect(placesOf(STANDARD_GUITAR, 39)).toEqual([]);
  });

  it('has natural harmonics at 12, and at the mirror nodes 7 and 19 (common practice, no published source)', () => {
    const octave = harmonicPlacesOf(STANDARD_GUITAR, STANDARD_TUNING[5]! + 12);
    expect(octave).toEqual([{ string: 6, fret: 12 }]);
    const twelfth = harmonicPlacesOf(STANDARD_GUITAR, STANDARD_TUNING[4]! + 19).filter(
      (each) => each.string === 5,
    );
    expect(twelfth.map((each) => each.fret)).toEqual([7, 19]);
    expect(STRINGS).toHaveLength(6);
  });
});
