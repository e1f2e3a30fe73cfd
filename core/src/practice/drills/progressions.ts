import type { StringNumber } from '../../instrument/guitar.ts';

/** A chord as it lies: the bass string, and frets of ① to ⑥; undefined where a string is not played. */
export interface Shape {
  readonly bass: StringNumber;
  readonly frets: readonly (number | undefined)[];
}
const shape = (bass: StringNumber, ...frets: readonly (number | undefined)[]): Shape => ({ bass, frets });

/** First chords of every method. Common practice, no published source. */
const OPEN: Shape = shape(6, 0, 0, 0, 0, 0, 0);
const E_MAJOR = shape(6, 0, 0, 1, 2, 2, 0);
const E_SEVENTH = shape(6, 0, 0, 1, 0, 2, 0);
const E_MINOR = shape(6, 0, 0, 0, 2, 2, 0);
const A_MINOR = shape(5, 0, 1, 2, 2, 0, undefined);
const A_SEVENTH = shape(5, 0, 2, 0, 2, 0, undefined);
const D_MINOR = shape(4, 1, 3, 2, 0, undefined, undefined);
const D_MAJOR = shape(4, 2, 3, 2, 0, undefined, undefined);
const C_MAJOR = shape(5, 0, 1, 0, 2, 3, undefined);
const G_MAJOR = shape(6, 3, 0, 0, 0, 2, 3);

/** Chords that a right-hand drill goes through; the left hand should be no trouble. */
export const PROGRESSIONS = {
  'open-strings': [OPEN],
  'a-minor': [A_MINOR, D_MINOR, E_SEVENTH, A_MINOR],
  'c-major': [C_MAJOR, A_MINOR, D_MINOR, G_MAJOR],
  'e-minor': [E_MINOR, A_MINOR, D_MAJOR, G_MAJOR],
  'd-major': [D_MAJOR, G_MAJOR, A_SEVENTH, D_MAJOR],
  'e-major': [E_MAJOR, A_SEVENTH, E_SEVENTH, E_MAJOR],
} as const satisfies Readonly<Record<string, readonly Shape[]>>;
export type ProgressionName = keyof typeof PROGRESSIONS;
export const PROGRESSION_NAMES = Object.keys(PROGRESSIONS) as readonly ProgressionName[];
