import { midiOf, STEPS, type Midi, type PitchSpelling } from '../../music/pitch.ts';
import { childText, childrenNamed, type XmlElement } from '../xml/tree.ts';
import type { NumberGate } from './numbers.ts';

/** Two semitones below the open ⑥: what a lowered string explains. */
const LOWEST_PLAUSIBLE_SOUND = 38;

/** How the pitches of one staff relate to what sounds, as its signs say. */
export interface OctaveConvention {
  readonly octaveClef: boolean;
  /** Tablature has no clef of its own. */
  readonly clef: 'treble' | 'other' | 'none';
  /** Semitones of the `transpose` element, 0 when there is none. */
  readonly transpose: number;
}

const isOf = (element: XmlElement, staff: string): boolean => (element.attributes.number ?? staff) === staff;

/**
 * How the octave of the guitar is written on a staff, from the first clef and `transpose` found for it. Tablature has no
 * clef of its own.
 */
export const octaveConvention = (
  attributes: readonly XmlElement[],
  staff: string,
  gate: NumberGate,
): OctaveConvention => {
  const clefs = attributes.flatMap((each) => childrenNamed(each, 'clef'));
  const own = clefs.filter((clef) => (clef.attributes.number ?? '1') === staff);
  const clef = own.find((each) => childText(each, 'sign') !== 'TAB');
  const transpose = attributes
    .flatMap((each) => childrenNamed(each, 'transpose'))
    .find((each) => isOf(each, staff));
  return {
    octaveClef: clef !== undefined && (gate.child(clef, 'clef-octave-change') ?? 0) < 0,
    clef:
      clef === undefined
        ? own.length === 0
          ? 'treble'
          : 'none'
        : childText(clef, 'sign') === 'G'
          ? 'treble'
          : 'other',
    transpose: transpose
      ? (gate.child(transpose, 'chromatic') ?? 0) + 12 * (gate.child(transpose, 'octave-change') ?? 0)
      : 0,
  };
};

/** Attributes of bars, in order. */
export const attributesOf = (
  measures: readonly { readonly children: readonly XmlElement[] }[],
): readonly XmlElement[] =>
  measures.flatMap(({ children }) => children.filter(({ name }) => name === 'attributes'));

/** Whether the signs of a staff leave its octave open: a plain treble clef, or tablature without `transpose`. */
export const isOctaveOpen = ({ octaveClef, transpose }: OctaveConvention): boolean =>
  !octaveClef && transpose === 0;

/**
 * Semitones from a file's pitches to the sounding ones as the signs say. The octave of the guitar is written in three
 * ways: an octave clef with sounding pitches, `transpose` by an octave, or a plain treble clef that everybody reads an
 * octave lower. A file with both the clef and `transpose` says the same thing twice unless its pitches are too high for
 * that.
 */
export const conventionalShift = (convention: OctaveConvention, lowest: number): number => {
  const { octaveClef, clef, transpose } = convention;
  if (transpose !== 0) return octaveClef && lowest + transpose < LOWEST_PLAUSIBLE_SOUND ? 0 : transpose;
  return octaveClef || clef !== 'treble' ? 0 : -12;
};

/**
 * Semitones from a file's pitches to those in the ids of its notes: what the signs say and nothing else, tablature taken as
 * a treble clef. Ids must not change with what else a later reading learns of the instrument.
 */
const shiftOfIds = (convention: OctaveConvention, lowest: number): number =>
  conventionalShift(convention.clef === 'none' ? { ...convention, clef: 'treble' } : convention, lowest);

/** A reading of a staff: semitones to what its notes would sound without the capo, and what the capo adds. */
export interface StaffReading {
  readonly shift: number;
  readonly capo: number;
  /** Semitones to the pitches in ids. */
  readonly idShift: number;
  /** What settled it, when the signs of the staff alone did not. */
  readonly by: 'signs' | 'frets' | 'range';
}

export interface StaffEvidence {
  readonly convention: OctaveConvention;
  /** Pitches of the file that are stopped or open, not harmonics; MIDI. */
  readonly pitches: readonly number[];
  /** Written strings and frets with the file's pitch. */
  readonly places: readonly { readonly string: number; readonly fret: number; readonly pitch: number }[];
  readonly tuning: readonly Midi[];
  readonly capo: number;
  /** Whether notes are taken as fingered above the capo unless something speaks against it. */
  readonly isFingered: boolean;
  readonly frets: number;
}

const median = (values: readonly number[]): number =>
  values.toSorted((a, b) => a - b)[Math.floor(values.length / 2)] ?? 0;

/** A lowered ⑥ explains so many semitones below the lowest string. */
const LOWERED_SIXTH = 2;

/** The lowest that retuned strings reach below what is said of them, in semitones. */
const FARTHEST_BELOW = 5;
/** Places that must agree exactly with a reading before it overrules the signs of a staff; our own values. */
const AGREEING = 0.5;
const FEWEST_AGAINST_SIGNS = 2;

/** What the written strings and frets say of a reading: how far it is off, and whether they settle it. */
const fretEvidence = ({ convention, places, tuning, capo }: StaffEvidence) => {
  const distances = (reading: { shift: number; capo: number }): readonly number[] =>
    places.map(({ string, fret, pitch }) =>
      Math.abs(pitch + reading.shift + reading.capo - fret - capo - tuning[string - 1]!),
    );
  const needed = isOctaveOpen(convention) ? 1 : FEWEST_AGAINST_SIGNS;
  return {
    off: (reading: { shift: number; capo: number }): number => median(distances(reading)),
    settles: (reading: { shift: number; capo: number }): boolean => {
      const agreeing = distances(reading).filter((distance) => distance <= LOWERED_SIXTH).length;
      return agreeing >= needed && agreeing >= AGREEING * places.length;
    },
  };
};

/**
 * How the notes of a staff are meant: by written strings and frets where there are some, else as the signs say, unless
 * they leave the octave open and only another one fits the instrument. With a capo, notes may be written as they are
 * fingered.
 */
export const readStaff = (evidence: StaffEvidence): StaffReading => {
  const { convention, pitches, places, tuning, capo, frets } = evidence;
  const lowest = pitches.reduce((low, pitch) => Math.min(low, pitch), Infinity);
  const highest = pitches.reduce((high, pitch) => Math.max(high, pitch), -Infinity);
  const usual = conventionalShift(convention, lowest);
  const shifts = [...new Set([usual, usual + 12, usual - 12, 0, -12])];
  const capos = capo === 0 ? [0] : evidence.isFingered ? [capo, 0] : [0, capo];
  const readings = shifts.flatMap((shift) => capos.map((added) => ({ shift, capo: added })));
  const first = readings[0]!;
  const idShift = shiftOfIds(convention, lowest);
  const floor = tuning.reduce((low, open) => Math.min(low, open), Infinity) + capo;
  const fits = (reading: { shift: number; capo: number }, below: number): boolean =>
    lowest + reading.shift + reading.capo >= floor - below &&
    highest + reading.shift + reading.capo <= tuning[0]! + frets;
  const { settles, off } = fretEvidence(evidence);
  const best = readings.reduce((found, each) => (off(each) < off(found) ? each : found));
  if (places.length > 0 && off(first) === 0) return { ...first, idShift, by: 'signs' };
  if (settles(best) && fits(best, FARTHEST_BELOW))
    return { ...best, idShift, by: best === first ? 'signs' : 'frets' };
  if (fits(first, LOWERED_SIXTH)) return { ...first, idShift, by: 'signs' };
  const other = readings.find((each) => (each.shift === usual || isOctaveOpen(convention)) && fits(each, 0));
  return other ? { ...other, idShift, by: 'range' } : { ...first, idShift, by: 'signs' };
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
