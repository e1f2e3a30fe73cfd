import type { Sound } from '../../score/sounds.ts';

/** How long a finger rests where it has sounded although nothing asks it to, in quarters. Our own value. */
const RESTS_FOR = 2;
/** How long a finger waits for its note to return, in quarters. Our own value. */
const WAITS_FOR = 4;

/**
 * Until when the finger of each sound may rest on its string in silence, in ticks: a while, to lead the hand if it
 * moves, and longer where the same pitch returns soon. Handbook §3, what lies, lies.
 */
export const restingTimes = (sounds: readonly Sound[], ticksPerQuarter: number): Float64Array => {
  const rest = Float64Array.from(sounds, (sound) => sound.end + RESTS_FOR * ticksPerQuarter);
  const later = new Map<number, Sound>();
  const fromEnd = sounds.toSorted((a, b) => b.onset - a.onset);
  for (const sound of fromEnd) {
    const again = later.get(sound.midi);
    if (again && again.onset - sound.end <= WAITS_FOR * ticksPerQuarter)
      rest[sound.index] = Math.max(rest[sound.index]!, again.onset + 1);
    later.set(sound.midi, sound);
  }
  return rest;
};
