import type { Branded } from '../music/branded.ts';
import { midi, type Midi } from '../music/pitch.ts';

export const STRINGS = [1, 2, 3, 4, 5, 6] as const;
/** Numbered from the treble: 1 is E4, 6 is E2 in standard tuning. */
export type StringNumber = (typeof STRINGS)[number];

/** A fret counted from the nut (or the capo); 0 is the open string. */
export type Fret = Branded<number, 'Fret'>;
export const fret = (value: number): Fret => value as Fret;

export type Millimetres = Branded<number, 'Millimetres'>;
export const millimetres = (value: number): Millimetres => value as Millimetres;

/** Scale lengths in common use, full size to the smallest children's guitar (handbook §1). */
export const SCALE_LENGTHS = [650, 640, 630, 580, 530, 480] as const;

/** Sounding pitches of ① to ⑥: E4 B3 G3 D3 A2 E2. Common practice, no published source. */
export const STANDARD_TUNING: readonly Midi[] = [64, 59, 55, 50, 45, 40].map(midi);

export interface Guitar {
  /** Open strings ① to ⑥ without capo. */
  readonly tuning: readonly Midi[];
  readonly capo: number;
  readonly scaleLength: Millimetres;
  /** Highest fret a plan may use, counted from the nut. */
  readonly frets: number;
}

/** The highest string, which carries most tunes: ①. */
export const FIRST_TREBLE = 1;
/** The lowest string that is heard as a treble: ③. */
export const LAST_TREBLE = 3;

export const STANDARD_GUITAR: Guitar = {
  tuning: STANDARD_TUNING,
  capo: 0,
  scaleLength: millimetres(650),
  frets: 19,
};

/**
 * Distance of `fret` from the nut along the string, in mm, on a string of `scale` mm.
 * Twelve-tone equal temperament: scale · (1 − 2^(−fret/12)). Fret 0 is the nut.
 */
export const fretOffset = (fret: number, scale: Millimetres): Millimetres =>
  millimetres(scale * (1 - 2 ** (-fret / 12)));

/** Width of the space in which a finger stops `fret`, in mm; 0 at the nut. */
export const fretWidth = (fret: number, scale: Millimetres): Millimetres =>
  millimetres(fret <= 0 ? 0 : fretOffset(fret, scale) - fretOffset(fret - 1, scale));

/** How far behind the wire the fingertip lies, as a share of the fret's width (left-hand model, geometry). */
const FINGERTIP_BEHIND_WIRE = 0.25;

/** Where the fingertip that stops `fret` lies, in mm from the nut. */
export const fingertipOffset = (fret: number, scale: Millimetres): Millimetres =>
  millimetres(fretOffset(fret, scale) - FINGERTIP_BEHIND_WIRE * fretWidth(fret, scale));

/** A place on the fingerboard where a pitch sounds. */
export interface Place {
  readonly string: StringNumber;
  readonly fret: Fret;
}

/** Sounding pitch of `string` when open, capo included. */
export const openPitch = (guitar: Guitar, string: StringNumber): Midi =>
  midi(guitar.tuning[string - 1]! + guitar.capo);

/** Every place of a pitch, treble strings first; empty when it lies outside the instrument. */
export const placesOf = (guitar: Guitar, pitch: number): readonly Place[] =>
  STRINGS.flatMap((string) => {
    const distance = pitch - openPitch(guitar, string);
    return distance >= 0 && distance <= guitar.frets - guitar.capo ? [{ string, fret: fret(distance) }] : [];
  });

/** Nodes of natural harmonics: fret and what it sounds above the open string, in semitones (handbook §6). */
export const HARMONIC_NODES: readonly { readonly fret: number; readonly semitones: number }[] = [
  { fret: 12, semitones: 12 },
  { fret: 7, semitones: 19 },
  { fret: 19, semitones: 19 },
  { fret: 5, semitones: 24 },
  { fret: 4, semitones: 28 },
  { fret: 9, semitones: 28 },
  { fret: 16, semitones: 28 },
  { fret: 24, semitones: 24 },
];

/** Places where a natural harmonic of this sounding pitch is touched. */
export const harmonicPlacesOf = (guitar: Guitar, pitch: number): readonly Place[] =>
  STRINGS.flatMap((string) =>
    HARMONIC_NODES.filter((node) => openPitch(guitar, string) + node.semitones === pitch).map((node) => ({
      string,
      fret: fret(node.fret),
    })),
  );

/** Lowest sounding pitch the instrument has. */
export const lowestPitch = (guitar: Guitar): Midi => midi(Math.min(...guitar.tuning) + guitar.capo);
