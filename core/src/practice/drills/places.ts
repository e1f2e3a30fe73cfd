import { sharpSpelling, type PitchSpelling } from '../../music/pitch.ts';
import { STANDARD_TUNING, type StringNumber } from '../../instrument/guitar.ts';

/** What a drill may ask of the neck: a classical guitar in standard tuning with nineteen frets. */
export const HIGHEST_FRET = 19;
export const LOWEST_PITCH = 40;
/** ① at the highest fret. */
export const HIGHEST_PITCH = 64 + HIGHEST_FRET;
/** Fingers of a hand in one position lie on so many frets. */
export const FRETS_IN_POSITION = 4;

export const openOf = (string: StringNumber): number => STANDARD_TUNING[string - 1]!;

/** The pitch of a place, spelled with a flat where that is asked for. */
export const pitchAt = (string: StringNumber, fret: number, flat = false): PitchSpelling => {
  const sharp = sharpSpelling(openOf(string) + fret);
  if (!flat || sharp.alter === 0) return sharp;
  const { step, octave } = sharpSpelling(openOf(string) + fret + 1);
  return { step, alter: -1, octave };
};

/**
 * The string on which a pitch lies in a position: under one of the four fingers, in first position open before stopped;
 * what lies between is reached by the first finger a fret back, on ① by the fourth a fret further. Undefined when it is
 * not reached at all.
 */
export const stringInPosition = (pitch: number, position: number): StringNumber | undefined => {
  const lies = (least: number, most: number): StringNumber | undefined =>
    ([1, 2, 3, 4, 5, 6] as const).find((string) => {
      const fret = pitch - openOf(string);
      return fret >= least && fret <= Math.min(most, HIGHEST_FRET);
    });
  const last = position + FRETS_IN_POSITION - 1;
  return position === 1
    ? (lies(0, last) ?? lies(0, last + 1))
    : (lies(position, last) ?? lies(position - 1, last) ?? lies(position, last + 1));
};
