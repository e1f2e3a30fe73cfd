import type { LeftPlan } from '../left/left-plan.ts';
import type { Performance } from '../performance/performance.ts';
import type { Stay } from './stays.ts';

/**
 * A finger that keeps its string while the hand moves and leads it: silently along the string as a guide, or heard
 * where the source writes a slide. Handbook §3.
 */
export interface GuideFinger {
  readonly finger: number;
  readonly string: number;
  readonly fromFret: number;
  readonly toFret: number;
  /** Sounds between which it leads. */
  readonly from: number;
  readonly to: number;
  /** Slice at which the hand has arrived. */
  readonly slice: number;
  readonly isHeard: boolean;
}

export const HOLD_KINDS = ['pivot', 'common', 'keep-down'] as const;
/**
 * Why a finger stays: the hand turns round it (pivot), the next chord needs it too (common), or its note returns after
 * a silence (keep it down).
 */
export type HoldKind = (typeof HOLD_KINDS)[number];

export interface HeldFinger {
  readonly stay: Stay;
  readonly kind: HoldKind;
  /** Sounds from which and until which the finger stays; the last is the one it is kept for. */
  readonly from: number;
  readonly to: number;
}

/** A finger that goes so many frets along its string takes the hand with it, in frets. */
const HAND_MOVES = 2;
/** Guides that lead less well than they look: silence longer than this from leaving to arriving, in seconds. Our own value. */
const LONGEST_SILENCE = 1;

/** Guide fingers of a plan, in playing order. */
export const guidesOf = (
  { score, left: plan, clock }: Performance,
  stays: readonly Stay[],
): readonly GuideFinger[] => {
  const lastOf = new Map<number, Stay>();
  return stays.flatMap((stay): GuideFinger[] => {
    const before = lastOf.get(stay.finger);
    lastOf.set(stay.finger, stay);
    if (!before || before.fret === stay.fret) return [];
    const string = before.strings.find((each) => stay.strings.includes(each));
    if (!restsBetween(plan, before, stay, string)) return [];
    const isShift =
      plan.hands[stay.from]!.position !== plan.hands[before.to - 1]!.position ||
      Math.abs(stay.fret - before.fret) >= HAND_MOVES;
    const [from, to] = [soundOn(plan, before, string), soundOn(plan, stay, string, 'first')];
    if (string === undefined || from === undefined || to === undefined) return [];
    const heard = score.notes[plan.sounds[to]!.head]!.slideFrom;
    const isHeard = heard !== undefined && plan.sounds[from]!.noteheads.includes(heard);
    const arrives = plan.sounds[to]!.onset;
    // It lay there until the hand moved, whether or not its note was written so long.
    const left = Math.max(before.soundsUntil, plan.hands[before.to]!.slice.onset);
    const silence = clock.seconds(arrives) - clock.seconds(Math.min(left, arrives));
    if (!isHeard && (!isShift || silence > LONGEST_SILENCE)) return [];
    return [
      {
        finger: stay.finger,
        string,
        fromFret: before.fret,
        toFret: stay.fret,
        from,
        to,
        slice: stay.from,
        isHeard,
      },
    ];
  });
};

/** Slices over which a finger may rest on its string while the others play, and still lead. Our own value. */
const LONGEST_REST = 4;

/**
 * Whether a finger can rest on its string from where it left to where it lies next: at once, or over some notes in which
 * nothing else sounds there.
 */
const restsBetween = (plan: LeftPlan, before: Stay, after: Stay, string: number | undefined): boolean => {
  if (after.from - before.to > LONGEST_REST) return false;
  return plan.hands
    .slice(before.to, after.from)
    .every(
      ({ slice, lying }) =>
        slice.struck.every((sound) => plan.choices[sound]?.string !== string) &&
        lying.every((each) => each.string !== string),
    );
};

const soundOn = (
  plan: LeftPlan,
  { sounds }: Stay,
  string: number | undefined,
  which: 'first' | 'last' = 'last',
): number | undefined => {
  const own = sounds.filter((sound) => plan.choices[sound]?.string === string);
  return which === 'first' ? own[0] : own.at(-1);
};

/** Fingers that stay where others move, with what they stay for. */
export const heldFingersOf = (plan: LeftPlan, stays: readonly Stay[]): readonly HeldFinger[] => {
  const { end } = plan.times;
  /** By slice: whether another finger is set there, and which. */
  const setAt = new Map<number, Set<number>>();
  for (const { from, finger } of stays) setAt.set(from, (setAt.get(from) ?? new Set()).add(finger));
  return stays.flatMap((stay): HeldFinger[] => {
    const { sounds, finger, from: start } = stay;
    const [first, last] = [sounds[0]!, sounds.at(-1)!];
    const lastSlice = plan.piece.sliceOf.get(plan.piece.score.notes[plan.sounds[last]!.head]!.id)!;
    const until = sliceBefore(plan, Math.max(end[last]!, plan.sounds[last]!.onset + 1), stay.to);
    let turns = false;
    let others = false;
    for (let slice = start + 1; slice <= Math.max(lastSlice, until); slice += 1) {
      const [before, now] = [plan.hands[slice - 1]!.position, plan.hands[slice]!.position];
      if (before !== now && before > 0) turns = true;
      if ([...(setAt.get(slice) ?? [])].some((other) => other !== finger)) others = true;
    }
    const isSilentBetween = sounds.some(
      (sound, place) => place > 0 && end[sounds[place - 1]!]! < plan.sounds[sound]!.onset,
    );
    if (turns && others) return [{ stay, kind: 'pivot', from: first, to: last }];
    if (first !== last && isSilentBetween) return [{ stay, kind: 'keep-down', from: first, to: last }];
    return first !== last && others ? [{ stay, kind: 'common', from: first, to: last }] : [];
  });
};

/** The last slice that begins before a tick, not beyond `limit`. */
const sliceBefore = (plan: LeftPlan, tick: number, limit: number): number => {
  let low = 0;
  let high = Math.min(limit, plan.hands.length) - 1;
  while (low < high) {
    const middle = (low + high + 1) >> 1;
    if (plan.hands[middle]!.slice.onset < tick) low = middle;
    else high = middle - 1;
  }
  return low;
};
