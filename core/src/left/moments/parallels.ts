import type { Slice } from '../../score/slices.ts';
import type { Sound } from '../../score/sounds.ts';

/** Two notes of one voice that are struck together and move on from two others in parallel. */
export interface ParallelPair {
  /** Sounds, and those of the pair before that they come from. */
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

const pairIn = (slice: Slice | undefined, sounds: readonly Sound[], voice: string) => {
  const [low, high, more] = (slice?.struck ?? [])
    .filter((sound) => sounds[sound]!.voice === voice)
    .sort((a, b) => sounds[a]!.midi - sounds[b]!.midi);
  if (low === undefined || high === undefined || more !== undefined) return undefined;
  const apart = STRINGS_APART[sounds[high]!.midi - sounds[low]!.midi];
  return apart === undefined ? undefined : { low, high, apart };
};

/** By slice: the pair of a voice that moves on in parallel from the slice before, to the same kind of interval. */
export const parallelPairs = (
  slices: readonly Slice[],
  sounds: readonly Sound[],
): readonly (ParallelPair | undefined)[] =>
  slices.map((slice, index) => {
    const voices = new Set(slice.struck.map((sound) => sounds[sound]!.voice));
    for (const voice of voices) {
      const own = pairIn(slice, sounds, voice);
      const before = own && pairIn(slices[index - 1], sounds, voice);
      if (!own || !before || own.apart !== before.apart) continue;
      const lower = sounds[own.low]!.midi - sounds[before.low]!.midi;
      const higher = sounds[own.high]!.midi - sounds[before.high]!.midi;
      if (lower * higher > 0) return { ...own, lowFrom: before.low, highFrom: before.high };
    }
    return undefined;
  });
