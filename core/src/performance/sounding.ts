import type { LeftPlan } from '../left/left-plan.ts';
import type { Clock } from '../score/clock.ts';

export const SOUND_ENDS = ['struck', 'lifted', 'covered', 'silenced', 'decayed'] as const;
/** How a sound ends: its string is struck again, its finger lifts, a barre covers it, the right hand silences it, it dies. */
export type SoundEnd = (typeof SOUND_ENDS)[number];

/** When a sound is really heard on its string. Times in ticks. */
export interface Sounding {
  readonly sound: number;
  readonly string: number;
  readonly from: number;
  /** Where it ends as written, or as a remedy left it. */
  readonly writtenEnd: number;
  /** Until when it may ring. */
  readonly mayRing: number;
  /** Where it really ends. */
  readonly until: number;
  readonly ends: SoundEnd;
  readonly isOpen: boolean;
}

/** The right hand touches a string at some tick: it plants there, or a rest stroke ends there. */
export interface Touch {
  readonly onset: number;
  readonly string: number;
}

/** After so long an open bass is hardly heard any more, in seconds. Common practice, no published source. */
export const DECAY = 6;

/**
 * The interval in which every sound of a plan is really heard: a stopped note to the end of its written or ringing
 * length, or until its finger leaves or its string is struck; an open string rings on until it is struck, covered,
 * touched, or has decayed.
 */
export const soundingsOf = (
  plan: LeftPlan,
  clock: Clock,
  touches: readonly Touch[] = [],
): readonly Sounding[] => {
  const { end, ring } = plan.times;
  const slices = plan.hands.map(({ slice }) => slice);
  const last = slices.at(-1);
  const finish = last ? Math.max(last.onset, ...plan.sounds.map((sound) => sound.end)) : 0;
  const touchedAt = new Map<string, number>();
  for (const { onset, string } of touches) touchedAt.set(`${string}@${onset}`, onset);
  const soundings: Sounding[] = [];
  plan.hands.forEach(({ slice }, start) => {
    for (const sound of slice.struck) {
      const choice = plan.choices[sound];
      if (!choice) continue;
      const { string, finger } = choice;
      const isOpen = finger === 0;
      // An open string dies away by itself, whether anything is struck then or not.
      const own = isOpen
        ? Math.min(finish, clock.tickAt(clock.seconds(slice.onset) + DECAY))
        : Math.max(end[sound]!, ring[sound]!);
      let until = own;
      let ends: SoundEnd = isOpen ? 'decayed' : 'lifted';
      for (let index = start + 1; index < slices.length && slices[index]!.onset < own; index += 1) {
        const { lying } = plan.hands[index]!;
        const { onset, struck } = slices[index]!;
        const cause: SoundEnd | undefined = struck.some((other) => plan.choices[other]?.string === string)
          ? 'struck'
          : isOpen
            ? isCovered(string, lying)
              ? 'covered'
              : touchedAt.has(`${string}@${onset}`)
                ? 'silenced'
                : undefined
            : lying.some((each) => each.sound === sound || each.string === string)
              ? undefined
              : 'lifted';
        if (!cause) continue;
        until = onset;
        ends = cause;
        break;
      }
      const times = { writtenEnd: end[sound]!, mayRing: ring[sound]! };
      soundings.push({ sound, string, from: slice.onset, ...times, until, ends, isOpen });
    }
  });
  return soundings;
};

/** Whether a finger that lies flat covers a string. */
const isCovered = (
  string: number,
  lying: readonly { readonly string: number; readonly finger: number }[],
): boolean =>
  [1, 2, 3, 4].some((finger) => {
    const own = lying.filter((each) => each.finger === finger).map((each) => each.string);
    return own.length > 1 && string > Math.min(...own) && string < Math.max(...own);
  });
