import { secondsBetween, type Clock } from './clock.ts';
import type { Sound } from './sounds.ts';

/** A moment at which something is struck. */
export interface Slice {
  readonly index: number;
  /** Ticks from the start of the piece. */
  readonly onset: number;
  readonly bar: number;
  readonly grace: boolean;
  /** Indices into the sounds, ascending in pitch. */
  readonly struck: readonly number[];
  /** Seconds since the slice before; infinite for the first. */
  readonly secondsBefore: number;
}

/** Shortest time a grace note is given, in seconds. Common practice, no published source. */
const GRACE_SECONDS = 0.08;

/**
 * The slices of a piece in playing order. Grace notes stand as slices of their own just before the note they
 * lead to, one after the other.
 */
export const slicesOf = (sounds: readonly Sound[], clock: Clock): readonly Slice[] => {
  const groups = new Map<
    string,
    { onset: number; bar: number; order: number; grace: boolean; struck: number[] }
  >();
  let graceOrder = 0;
  for (const sound of sounds) {
    const order = sound.grace ? (graceOrder += 1) : Number.MAX_SAFE_INTEGER;
    const key = `${sound.onset}:${order}`;
    const group = groups.get(key);
    if (group) group.struck.push(sound.index);
    else
      groups.set(key, {
        onset: sound.onset,
        bar: sound.bar,
        order,
        grace: sound.grace,
        struck: [sound.index],
      });
  }
  const ordered = [...groups.values()].sort((a, b) => a.onset - b.onset || a.order - b.order);
  return ordered.map((group, index) => {
    const before = ordered[index - 1];
    const gap = before ? secondsBetween(clock, before.onset, group.onset) : Infinity;
    return {
      index,
      onset: group.onset,
      bar: group.bar,
      grace: group.grace,
      struck: group.struck.sort((a, b) => sounds[a]!.midi - sounds[b]!.midi),
      secondsBefore: Math.max(gap, GRACE_SECONDS),
    };
  });
};
