import { midiOf, STEPS, type PitchSpelling, type Step } from '../../music/pitch.ts';

/** Tonics by the name under which most players know them. */
export const TONICS = ['C', 'Db', 'D', 'Eb', 'E', 'F', 'F#', 'G', 'Ab', 'A', 'Bb', 'B'] as const;
export type Tonic = (typeof TONICS)[number];

/** A degree above the tonic: letters and semitones. */
export interface Degree {
  readonly letters: number;
  readonly semitones: number;
}

const degrees = (...semitones: readonly number[]): readonly Degree[] =>
  semitones.map((each, letters) => ({ letters, semitones: each }));
const chosen = (...pairs: readonly (readonly [number, number])[]): readonly Degree[] =>
  pairs.map(([letters, semitones]) => ({ letters, semitones }));

interface ScaleForm {
  readonly up: readonly Degree[];
  /** Where it differs on the way down. */
  readonly down?: readonly Degree[];
  /** Fifths of its key signature above those of the major scale on the same tonic. */
  readonly fifths: number;
}

/** Scales as semitones above the tonic. Common practice; checked against a theory library. */
export const SCALES = {
  major: { up: degrees(0, 2, 4, 5, 7, 9, 11), fifths: 0 },
  'natural-minor': { up: degrees(0, 2, 3, 5, 7, 8, 10), fifths: -3 },
  'harmonic-minor': { up: degrees(0, 2, 3, 5, 7, 8, 11), fifths: -3 },
  'melodic-minor': {
    up: degrees(0, 2, 3, 5, 7, 9, 11),
    down: degrees(0, 2, 3, 5, 7, 8, 10),
    fifths: -3,
  },
  dorian: { up: degrees(0, 2, 3, 5, 7, 9, 10), fifths: -2 },
  phrygian: { up: degrees(0, 1, 3, 5, 7, 8, 10), fifths: -4 },
  lydian: { up: degrees(0, 2, 4, 6, 7, 9, 11), fifths: 1 },
  mixolydian: { up: degrees(0, 2, 4, 5, 7, 9, 10), fifths: -1 },
  locrian: { up: degrees(0, 1, 3, 5, 6, 8, 10), fifths: -5 },
  'major-pentatonic': { up: chosen([0, 0], [1, 2], [2, 4], [4, 7], [5, 9]), fifths: 0 },
  'minor-pentatonic': { up: chosen([0, 0], [2, 3], [3, 5], [4, 7], [6, 10]), fifths: -3 },
} as const satisfies Readonly<Record<string, ScaleForm>>;
export type ScaleName = keyof typeof SCALES;
export const SCALE_NAMES = Object.keys(SCALES) as readonly ScaleName[];

/** Chords as degrees above their root. Common practice; checked against a theory library. */
export const CHORDS = {
  major: chosen([0, 0], [2, 4], [4, 7]),
  minor: chosen([0, 0], [2, 3], [4, 7]),
  diminished: chosen([0, 0], [2, 3], [4, 6]),
  augmented: chosen([0, 0], [2, 4], [4, 8]),
  'major-seventh': chosen([0, 0], [2, 4], [4, 7], [6, 11]),
  'dominant-seventh': chosen([0, 0], [2, 4], [4, 7], [6, 10]),
  'minor-seventh': chosen([0, 0], [2, 3], [4, 7], [6, 10]),
  'half-diminished': chosen([0, 0], [2, 3], [4, 6], [6, 10]),
  'diminished-seventh': chosen([0, 0], [2, 3], [4, 6], [6, 9]),
} as const satisfies Readonly<Record<string, readonly Degree[]>>;
export type ChordName = keyof typeof CHORDS;
export const CHORD_NAMES = Object.keys(CHORDS) as readonly ChordName[];

/** Fifths of the signature under which a chord is read, above that of the major key on its root. */
export const CHORD_FIFTHS: Readonly<Record<ChordName, number>> = {
  major: 0,
  minor: -3,
  diminished: -5,
  augmented: 0,
  'major-seventh': 0,
  'dominant-seventh': -1,
  'minor-seventh': -3,
  'half-diminished': -5,
  'diminished-seventh': -5,
};

/** Letters in the order of fifths, C at place 1. */
const BY_FIFTHS: readonly Step[] = ['F', 'C', 'G', 'D', 'A', 'E', 'B'];
/** Key signatures have at most so many sharps or flats. */
const MOST_SIGNS = 7;

/** The pitch class (0 is C) of a tonic. */
export const pitchClassOf = (tonic: Tonic): number => TONICS.indexOf(tonic);

/** A key: its tonic, spelled so that the signature is the shortest, without an octave. */
export interface Key {
  readonly step: Step;
  readonly alter: number;
  /** Sharps, or flats below 0. */
  readonly signature: number;
}

/** The key on a pitch class whose signature stands so many fifths from that of the major key on its tonic. */
export const keyOn = (pitchClass: number, fifths: number): Key => {
  const found: Key[] = [];
  for (let above = -MOST_SIGNS - 5; above <= MOST_SIGNS + 5; above += 1) {
    const place = above + 1;
    if ((((7 * above) % 12) + 12) % 12 !== pitchClass || Math.abs(above + fifths) > MOST_SIGNS) continue;
    found.push({
      step: BY_FIFTHS[((place % 7) + 7) % 7]!,
      alter: Math.floor(place / 7),
      signature: above + fifths,
    });
  }
  return found.reduce((best, key) => (Math.abs(key.signature) < Math.abs(best.signature) ? key : best));
};

/** The pitch so many letters and semitones above another. */
export const above = (root: PitchSpelling, { letters, semitones }: Degree): PitchSpelling => {
  const place = STEPS.indexOf(root.step) + letters;
  const plain = {
    step: STEPS[((place % 7) + 7) % 7]!,
    alter: 0,
    octave: root.octave + Math.floor(place / 7),
  };
  return { ...plain, alter: midiOf(root) + semitones - midiOf(plain) };
};

/** The lowest pitch of a key's tonic that lies at `floor` or above (MIDI). */
export const lowestTonic = ({ step, alter }: Pick<Key, 'step' | 'alter'>, floor: number): PitchSpelling => {
  let octave = 0;
  while (midiOf({ step, alter, octave }) < floor) octave += 1;
  return { step, alter, octave };
};

/** All pitches of a form from a root upward, so many of them, octave after octave. */
export const climb = (
  root: PitchSpelling,
  form: readonly Degree[],
  count: number,
): readonly PitchSpelling[] =>
  Array.from({ length: count }, (_, index) => {
    const { letters, semitones } = form[index % form.length]!;
    const octaves = Math.floor(index / form.length);
    return above(root, { letters: letters + 7 * octaves, semitones: semitones + 12 * octaves });
  });
