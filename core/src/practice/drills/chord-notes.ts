import type { StringNumber } from '../../instrument/guitar.ts';
import type { DrillNote } from './bars.ts';
import { pitchAt } from './places.ts';
import type { Shape } from './progressions.ts';

export type Finger = 'p' | 'i' | 'm' | 'a';
/** Strings of i, m and a: at home, and moved toward the bass. */
const HOMES = {
  home: { i: 3, m: 2, a: 1 },
  'one-lower': { i: 4, m: 3, a: 2 },
  'two-lower': { i: 5, m: 4, a: 3 },
} as const satisfies Readonly<Record<string, Readonly<Record<Exclude<Finger, 'p'>, StringNumber>>>>;
export type Home = keyof typeof HOMES;

/** The string that the thumb plays under a home: the bass of the chord, always below the index. */
const thumbString = ({ bass, frets }: Shape, home: Home): StringNumber => {
  const least = HOMES[home].i + 1;
  if (bass >= least) return bass;
  return ([4, 5, 6] as const).find((string) => string >= least && frets[string - 1] !== undefined) ?? 6;
};

export const played = (chord: Shape, letter: Finger, home: Home): DrillNote => {
  const string = letter === 'p' ? thumbString(chord, home) : HOMES[home][letter];
  // A string that the chord leaves out is played open.
  const fret = chord.frets[string - 1] ?? 0;
  return {
    pitches: [pitchAt(string, fret)],
    fingering: [{ string, ...(fret === 0 && { finger: 0 }), pluck: letter }],
  };
};

/** Chords of a progression that have a note on every string of a home; all of them where none has. */
export const chordsFor = (chords: readonly Shape[], home: Home): readonly Shape[] => {
  const whole = chords.filter((chord) =>
    [thumbString(chord, home), ...Object.values(HOMES[home])].every(
      (string) => chord.frets[string - 1] !== undefined,
    ),
  );
  return whole.length > 0 ? whole : chords;
};
