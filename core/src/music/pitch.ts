import type { Branded } from './branded.ts';

/** A MIDI note number; 60 is middle C, sounding. */
export type Midi = Branded<number, 'Midi'>;

export const STEPS = ['C', 'D', 'E', 'F', 'G', 'A', 'B'] as const;
export type Step = (typeof STEPS)[number];

/** A pitch as it is spelled: letter, alteration in semitones, scientific octave (C4 is middle C). */
export interface PitchSpelling {
  readonly step: Step;
  readonly alter: number;
  readonly octave: number;
}

const SEMITONES_ABOVE_C: Readonly<Record<Step, number>> = { C: 0, D: 2, E: 4, F: 5, G: 7, A: 9, B: 11 };
const SHARP_SPELLINGS: readonly (readonly [Step, number])[] = [
  ['C', 0],
  ['C', 1],
  ['D', 0],
  ['D', 1],
  ['E', 0],
  ['F', 0],
  ['F', 1],
  ['G', 0],
  ['G', 1],
  ['A', 0],
  ['A', 1],
  ['B', 0],
];

export const midi = (value: number): Midi => value as Midi;

/** MIDI number of a spelled pitch (scientific octaves: C4 = 60, A4 = 69). */
export const midiOf = ({ step, alter, octave }: PitchSpelling): Midi =>
  midi(12 * (octave + 1) + SEMITONES_ABOVE_C[step] + alter);

/** The spelling with sharps of a MIDI number. */
export const sharpSpelling = (pitch: number): PitchSpelling => {
  const [step, alter] = SHARP_SPELLINGS[((pitch % 12) + 12) % 12]!;
  return { step, alter, octave: Math.floor(pitch / 12) - 1 };
};

/** `F#3`, `Bb2`, `C##4`: scientific pitch notation in ASCII. */
export const pitchName = ({ step, alter, octave }: PitchSpelling): string =>
  `${step}${alter > 0 ? '#'.repeat(alter) : 'b'.repeat(-alter)}${octave}`;

/** `F♯3`, `B♭2`: the same for a reader. */
export const pitchLabel = (spelling: PitchSpelling): string =>
  pitchName(spelling)
    .replaceAll('#', '♯')
    .replaceAll(/(?<=[A-G])b/g, '♭')
    .replaceAll('b', '♭');

/** Reads `F#3`, `Bb2`, `E4`; undefined when `text` is no pitch. */
export const parsePitch = (text: string): PitchSpelling | undefined => {
  const found = /^([A-G])(#{0,2}|b{0,2})(-?\d)$/.exec(text.trim());
  if (!found) return undefined;
  const [, step, accidental, octave] = found as unknown as [string, Step, string, string];
  return {
    step,
    alter: accidental.startsWith('b') ? -accidental.length : accidental.length,
    octave: Number(octave),
  };
};
