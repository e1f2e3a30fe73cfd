import { gripProblem, type Placement } from '../left/hand/grip.ts';
import { neckTables } from '../left/hand/hand.ts';
import type { LeftPlan } from '../left/left-plan.ts';
import type { LeftFinger } from '../fingering/vocabulary.ts';
import type { Performance } from '../performance/performance.ts';
import type { Stay } from './stays.ts';

export const PREPARATION_KINDS = ['with-block', 'early', 'last-moment'] as const;
/** When a finger goes down: with the others of its block, ahead of its note, or as its note is struck. Handbook §3. */
export type PreparationKind = (typeof PREPARATION_KINDS)[number];

/** When one finger can and should be set. */
export interface Preparation {
  readonly stay: Stay;
  /** First sound that the finger stops. */
  readonly sound: number;
  /** Slice from which it can lie there without cutting or bending anything. */
  readonly can: number;
  /** Slice at which it should. */
  readonly should: number;
  readonly how: PreparationKind;
  readonly why: 'pull-off' | 'no-time' | 'same-shape' | 'only-now' | 'lets-ring';
}

/** Less time than this after the note before asks for a finger that lies already, in seconds. Our own value. */
const NO_TIME = 0.25;
/** Fingers are not set further ahead than this, in slices: nobody thinks further. Our own value. */
const FURTHEST_AHEAD = 8;

const placementsAt = ({ hands }: LeftPlan, slice: number): readonly Placement[] =>
  hands[slice]!.lying.filter((each) => each.finger > 0).map(({ string, fret, finger }) => ({
    string,
    fret,
    finger: finger as LeftFinger,
  }));

/** For every stay of a plan the moment at which its finger can be set and the one at which it should. */
export const preparationsOf = (
  { left: plan, clock }: Performance,
  stays: readonly Stay[],
): readonly Preparation[] => {
  const { hand, guitar } = plan.setup;
  const neck = neckTables(guitar);
  const { end, slides, slurredFrom } = plan.times;
  const lastOf = new Map<number, Stay>();
  const setAt = new Set(stays.map(({ from }) => from));
  return stays.map((stay): Preparation => {
    const { finger, fret, from } = stay;
    const before = lastOf.get(finger);
    lastOf.set(finger, stay);
    const first = plan.hands[from]!;
    const own: readonly Placement[] = first.lying
      .filter((each) => each.finger === finger)
      .map(({ string }) => ({ string, fret, finger: finger as LeftFinger }));
    const sound = stay.sounds.find((each) => first.slice.struck.includes(each)) ?? stay.sounds[0]!;
    /** Whether the finger may lie there while a slice sounds. */
    const mayLie = (slice: number): boolean => {
      const at = plan.hands[slice]!;
      if (at.position !== first.position || at.slice.bar < first.slice.bar - 1) return false;
      // A finger that a note still needs is not free; neither is it in the slice at which that note is struck.
      if (before && (before.to > slice || before.soundsUntil > at.slice.onset)) return false;
      const next = plan.hands[slice + 1]?.slice.onset ?? Infinity;
      const sounding = at.lying.filter((each) => Math.min(end[each.sound]!, next) > at.slice.onset);
      // Behind a note that is stopped higher the finger bends nothing; over an open or lower one it would.
      if (sounding.some((each) => own.some((mine) => mine.string === each.string && each.fret <= fret)))
        return false;
      const others = placementsAt(plan, slice).filter((each) => each.finger !== finger);
      const beside = others.filter((each) => own.every((mine) => mine.string !== each.string));
      const behind = others.filter((each) => own.some((mine) => mine.string === each.string));
      return (
        gripProblem([...beside, ...own], hand, neck) === undefined &&
        behind.every((each) => each.finger > finger && each.fret > fret)
      );
    };
    let can = from;
    while (can > 0 && from - can < FURTHEST_AHEAD && mayLie(can - 1)) can -= 1;
    const base = { stay, sound, can };
    if (can === from) return { ...base, should: from, how: 'last-moment', why: 'only-now' };
    const upper = slurredFrom[sound]!;
    if (upper >= 0 && slides[sound] === 0 && plan.sounds[upper]!.midi > plan.sounds[sound]!.midi) {
      const slice = Math.max(can, sliceOf(plan, upper));
      if (slice < from) return { ...base, should: slice, how: 'early', why: 'pull-off' };
    }
    const block = firstSetting(setAt, can, from);
    if (block !== undefined && plan.hands[block]!.slice.bar === first.slice.bar)
      return { ...base, should: block, how: 'with-block', why: 'same-shape' };
    const seconds = clock.seconds(first.slice.onset) - clock.seconds(plan.hands[from - 1]!.slice.onset);
    return seconds < NO_TIME
      ? { ...base, should: can, how: 'early', why: 'no-time' }
      : { ...base, should: from, how: 'last-moment', why: 'lets-ring' };
  });
};

const firstSetting = (setAt: ReadonlySet<number>, from: number, until: number): number | undefined => {
  for (let slice = from; slice < until; slice += 1) if (setAt.has(slice)) return slice;
  return undefined;
};

const sliceOf = ({ piece, sounds }: LeftPlan, sound: number): number =>
  piece.sliceOf.get(piece.score.notes[sounds[sound]!.head]!.id)!;
