import type { Slice } from '../../score/slices.ts';
import type { Sound } from '../../score/sounds.ts';

/** How long a finger of a chord rests where it has sounded although nothing asks it to, in quarters. Our own value. */
const RESTS_FOR = 1;
/** How long a finger waits for its note to return, in quarters; one that has played a line alone, less. Our own values. */
const WAITS_FOR = 4;
const WAITS_IN_LINE = 2;

/**
 * Until when the finger of each sound may rest on its string in silence, in ticks: a while, to lead the hand if it
 * moves, and longer where the same pitch returns soon; `isBroken` marks the notes of broken chords. Handbook §3, what lies,
 * lies.
 */
export const restingTimes = (
  sounds: readonly Sound[],
  slices: readonly Slice[],
  isBroken: ArrayLike<number>,
  ticksPerQuarter: number,
): Float64Array => {
  const rest = Float64Array.from(sounds, (sound) => sound.end);
  const later = new Map<number, Sound>();
  const voices = new Set(sounds.map(({ voice }) => voice)).size;
  for (const { struck } of slices.toReversed()) {
    for (const index of struck) {
      const sound = sounds[index]!;
      const isAlone = struck.length === 1 && voices === 1 && isBroken[index] === 0;
      const again = later.get(sound.midi);
      const waits = isAlone ? WAITS_IN_LINE : WAITS_FOR;
      if (again && again.onset - sound.end <= waits * ticksPerQuarter) rest[index] = again.onset + 1;
      if (struck.length > 1) rest[index] = Math.max(rest[index]!, sound.end + RESTS_FOR * ticksPerQuarter);
    }
    for (const index of struck) later.set(sounds[index]!.midi, sounds[index]!);
  }
  return rest;
};
