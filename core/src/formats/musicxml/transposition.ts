import { midiOf, STEPS, type PitchSpelling } from '../../music/pitch.ts';
import { childNamed, childNumber, childText, type XmlElement } from '../xml/tree.ts';

/** Two semitones below the open ⑥: what a lowered string explains. */
const LOWEST_PLAUSIBLE_SOUND = 38;

/** How the pitches of a file relate to what sounds. */
export interface OctaveConvention {
  readonly octaveClef: boolean;
  readonly plainTreble: boolean;
  /** Semitones of the `transpose` element, 0 when there is none. */
  readonly transpose: number;
}

/**
 * How the octave of the guitar is written, from the first clef and `transpose` found. Tablature clefs are passed
 * over.
 */
export const octaveConvention = (attributes: readonly XmlElement[]): OctaveConvention => {
  const clefs = attributes.flatMap((each) => each.children.filter((child) => child.name === 'clef'));
  const clef = clefs.find((each) => childText(each, 'sign') !== 'TAB');
  const transpose = attributes
    .map((each) => childNamed(each, 'transpose'))
    .find((each) => each !== undefined);
  return {
    octaveClef: clef !== undefined && (childNumber(clef, 'clef-octave-change') ?? 0) < 0,
    plainTreble: clef === undefined || childText(clef, 'sign') === 'G',
    transpose: transpose
      ? (childNumber(transpose, 'chromatic') ?? 0) + 12 * (childNumber(transpose, 'octave-change') ?? 0)
      : 0,
  };
};

/**
 * Semitones from a file's pitches to the sounding ones. The octave of the guitar is written in three ways: an
 * octave clef with sounding pitches, `transpose` by an octave, or a plain treble clef that everybody reads an
 * octave lower. A file with both the clef and `transpose` says the same thing twice unless its pitches are too
 * high for that.
 */
export const soundingShift = (convention: OctaveConvention, pitches: readonly PitchSpelling[]): number => {
  const { octaveClef, plainTreble, transpose } = convention;
  if (transpose !== 0) {
    const lowest = Math.min(...pitches.map((pitch) => midiOf(pitch)));
    return octaveClef && lowest + transpose < LOWEST_PLAUSIBLE_SOUND ? 0 : transpose;
  }
  return octaveClef || !plainTreble ? 0 : -12;
};

/** A spelling moved by semitones; whole octaves keep letter and alteration. */
export const transposeSpelling = (pitch: PitchSpelling, semitones: number): PitchSpelling => {
  if (semitones % 12 === 0) return { ...pitch, octave: pitch.octave + semitones / 12 };
  const target = midiOf(pitch) + semitones;
  const letters = STEPS.flatMap((step) =>
    [-1, 0, 1].flatMap((alter) =>
      [-1, 0, 1].map((shift) => ({ step, alter, octave: Math.floor(target / 12) - 1 + shift })),
    ),
  ).filter((candidate) => midiOf(candidate) === target);
  const preference = Math.sign(pitch.alter);
  return letters.sort(
    (a, b) =>
      Math.abs(a.alter) - Math.abs(b.alter) ||
      Math.abs(a.alter - preference) - Math.abs(b.alter - preference),
  )[0]!;
};
