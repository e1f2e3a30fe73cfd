import type { Slice } from '../../score/slices.ts';
import type { Sound } from '../../score/sounds.ts';

/** The first pair of a row comes from none. */
export const FROM_NONE = -1;

/** Two notes of one voice that are struck together, in a row of pairs that move in parallel. */
export interface ParallelPair {
  /** Sounds, and those of the pair before that they come from, or `FROM_NONE`. */
  readonly low: number;
  readonly high: number;
  readonly lowFrom: number;
  readonly highFrom: number;
  /** Strings from the one to the other on which such an interval lies in the hand. */
  readonly apart: number;
}

/**
 * Strings from the lower to the higher note by interval in semitones: thirds on neighbouring strings, sixths and octaves
 * with one between, tenths with two. Handbook §3, parallel intervals.
 */
const STRINGS_APART: Readonly<Record<number, number>> = { 3: 1, 4: 1, 8: 2, 9: 2, 12: 2, 15: 3, 16: 3 };

type Pair = Pick<ParallelPair, 'apart' | 'high' | 'low'>;

const pairIn = (slice: Slice | undefined, sounds: readonly Sound[], voice: string): Pair | undefined => {
  const [low, high, more] = (slice?.struck ?? [])
    .filter((sound) => sounds[sound]!.voice === voice)
    .sort((a, b) => sounds[a]!.midi - sounds[b]!.midi);
  if (low === undefined || high === undefined || more !== undefined) return undefined;
  const apart = STRINGS_APART[sounds[high]!.midi - sounds[low]!.midi];
  return apart === undefined ? undefined : { low, high, apart };
};

/** Whether a pair moves on to another of the same kind of interval, both notes up or both down. */
const movesOn = (from: Pair, to: Pair, sounds: readonly Sound[]): boolean => {
  const lower = sounds[to.low]!.midi - sounds[from.low]!.midi;
  const higher = sounds[to.high]!.midi - sounds[from.high]!.midi;
  return from.apart === to.apart && lower * higher > 0;
};

/** By slice: the pair of a voice in a row of pairs that move in parallel, from the slice before or to the next. */
export const parallelPairs = (
  slices: readonly Slice[],
  sounds: readonly Sound[],
): readonly (ParallelPair | undefined)[] =>
  slices.map((slice, index) => {
    const pairs = [...new Set(slice.struck.map((sound) => sounds[sound]!.voice))].flatMap((voice) => {
      const own = pairIn(slice, sounds, voice);
      return own ? [{ own, voice }] : [];
    });
    for (const { own, voice } of pairs) {
      const before = pairIn(slices[index - 1], sounds, voice);
      if (before && movesOn(before, own, sounds))
        return { ...own, lowFrom: before.low, highFrom: before.high };
    }
    for (const { own, voice } of pairs) {
      const next = pairIn(slices[index + 1], sounds, voice);
      if (next && movesOn(own, next, sounds)) return { ...own, lowFrom: FROM_NONE, highFrom: FROM_NONE };
    }
    return undefined;
  });
