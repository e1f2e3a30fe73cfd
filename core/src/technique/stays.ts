import type { LeftPlan } from '../left/left-plan.ts';

export const LEAVING_REASONS = [
  'needed-elsewhere',
  'string-needed',
  'hand-moves',
  'nothing-sounds',
  'end',
] as const;
/** Why a finger leaves its place. */
export type LeavingReason = (typeof LEAVING_REASONS)[number];

/**
 * A finger that lies on one fret, over one string or flat over several, from when it is set until it leaves. It lies
 * there as long as the plan leaves it: while a note of it sounds, and beyond while it is kept for a later one.
 */
export interface Stay {
  readonly index: number;
  /** 1 to 4. */
  readonly finger: number;
  readonly fret: number;
  /** Strings it stops, ascending: the treble first. */
  readonly strings: readonly number[];
  /** Sounds it stops, in playing order. */
  readonly sounds: readonly number[];
  /** Slice at which it is set. */
  readonly from: number;
  /** First slice at which it has left; the number of slices when it stays to the end. */
  readonly to: number;
  /** Tick until which one of its notes sounds, as written. */
  readonly soundsUntil: number;
  readonly leaves: LeavingReason;
}

interface OpenStay {
  readonly finger: number;
  readonly fret: number;
  readonly strings: Set<number>;
  readonly sounds: Set<number>;
  readonly from: number;
  to: number;
  soundsUntil: number;
}

const FINGERS = [1, 2, 3, 4] as const;

/** Every stay of every finger of a plan, in the order in which they begin. */
export const staysOf = (plan: LeftPlan): readonly Stay[] => {
  const { end } = plan.times;
  const finished: OpenStay[] = [];
  const running = new Map<number, OpenStay>();
  plan.hands.forEach(({ lying }, slice) => {
    for (const finger of FINGERS) {
      const own = lying.filter((each) => each.finger === finger);
      const before = running.get(finger);
      const stays =
        before !== undefined &&
        own.some((each) => each.fret === before.fret && before.strings.has(each.string));
      if (before && !stays) {
        before.to = slice;
        running.delete(finger);
      }
      if (own.length === 0) continue;
      const stay = stays
        ? before
        : {
            finger,
            fret: own[0]!.fret,
            strings: new Set<number>(),
            sounds: new Set<number>(),
            from: slice,
            to: plan.hands.length,
            soundsUntil: 0,
          };
      if (!stays) {
        running.set(finger, stay);
        finished.push(stay);
      }
      for (const { string, sound } of own) {
        stay.strings.add(string);
        stay.sounds.add(sound);
        stay.soundsUntil = Math.max(stay.soundsUntil, end[sound]!);
      }
    }
  });
  return finished.map((stay, index) => ({
    index,
    finger: stay.finger,
    fret: stay.fret,
    strings: [...stay.strings].sort((a, b) => a - b),
    sounds: [...stay.sounds].sort((a, b) => a - b),
    from: stay.from,
    to: stay.to,
    soundsUntil: stay.soundsUntil,
    leaves: whyItLeaves(plan, stay),
  }));
};

const whyItLeaves = (plan: LeftPlan, { finger, strings, to }: OpenStay): LeavingReason => {
  const after = plan.hands[to];
  if (!after) return 'end';
  if (after.lying.some((each) => each.finger === finger)) return 'needed-elsewhere';
  if (after.slice.struck.some((sound) => strings.has(plan.choices[sound]?.string ?? 0)))
    return 'string-needed';
  return after.position !== plan.hands[to - 1]!.position ? 'hand-moves' : 'nothing-sounds';
};
