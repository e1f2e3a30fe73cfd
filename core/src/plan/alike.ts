import type { Choice, Fingering } from '../fingering/fingering.ts';
import type { StringNumber } from '../instrument/guitar.ts';
import { planLeft, type LeftMemory, type SolvedLeft } from '../left/plan-left.ts';
import { isSameTaking, type LeftPlan } from '../left/left-plan.ts';
import type { NoteId, Score } from '../score/score.ts';
import type { Sound } from '../score/sounds.ts';
import { barReturns, type BarReturn } from '../score/bar-returns.ts';

/** A bar that comes back and is fingered otherwise, with what fingering it alike would cost more, in units of effort. */
export interface UnlikeReturn {
  readonly bar: number;
  readonly like: number;
  /** Infinite when it cannot be held. */
  readonly price: number;
}

/**
 * What a return may cost more to be fingered as before, in units of effort: what is learned once is worth about a hop.
 * Beyond it the context is said to force the difference.
 */
const WORTH_OF_LIKENESS = 1;
/** What the next plan of the piece goes on from. */
export interface AlikeMemory {
  readonly left: LeftMemory;
  /** What `left` was planned for. */
  readonly fingering: Fingering;
  /** The teacher's own part of it. */
  readonly own: Fingering;
  /** Returns known to be forced apart: they are not tried again at every change elsewhere. */
  readonly unlike: readonly UnlikeReturn[];
}

export interface AlikePlan {
  readonly left: SolvedLeft;
  /** The teacher's fingering with what was fixed so that returns are alike. */
  readonly fingering: Fingering;
  readonly unlike: readonly UnlikeReturn[];
}

/** The bar and all bars like it. */
export const familyOf = (score: Score, sounds: readonly Sound[], bar: number): ReadonlySet<number> => {
  const returns = barReturns(score, sounds);
  const first = returns.find((each) => each.bar === bar)?.like ?? bar;
  return new Set([first, bar, ...returns.filter((each) => each.like === first).map((each) => each.bar)]);
};

/**
 * The fingering with likeness fixed everywhere but in some bars: there only the teacher's own decisions bind, as they
 * will once one of those bars is decided otherwise.
 */
export const withoutLikeness = (
  score: Score,
  own: Fingering,
  alike: Fingering,
  bars: ReadonlySet<number>,
): Fingering => {
  const likened = score.notes.filter(
    ({ id, bar }) => bars.has(bar) && own.choices.get(id) !== alike.choices.get(id),
  );
  if (likened.length === 0) return alike;
  const choices = new Map(alike.choices);
  for (const { id } of likened) {
    const choice = own.choices.get(id);
    if (choice) choices.set(id, choice);
    else choices.delete(id);
  }
  return { ...alike, choices };
};

/** Whether the string or the finger of a note is decided otherwise. */
const isDecidedOtherwise = (here: Choice | undefined, there: Choice | undefined): boolean =>
  here?.string !== there?.string || here?.finger !== there?.finger;

/** Notes whose string or finger is decided otherwise. */
const differences = (one: Fingering, other: Fingering): number => {
  const ids = new Set([...one.choices.keys(), ...other.choices.keys()]);
  return [...ids].filter((id) => isDecidedOtherwise(one.choices.get(id), other.choices.get(id))).length;
};

/** Bars in which something is decided otherwise than it was. */
const barsDecidedAnew = (score: Score, now: Fingering, before: Fingering = now): ReadonlySet<number> =>
  new Set(
    score.notes
      .filter(({ id }) => isDecidedOtherwise(now.choices.get(id), before.choices.get(id)))
      .map(({ bar }) => bar),
  );

const sameTaking = (plan: LeftPlan, [here, there]: readonly [number, number]): boolean =>
  isSameTaking(plan.choices[here], plan.choices[there]);

const isUnlike =
  (plan: LeftPlan) =>
  ({ pairs }: BarReturn): boolean =>
    pairs.some((pair) => !sameTaking(plan, pair));

/** Whether a plan gives up something in a bar that another does not. */
const isWorseIn = (bar: number, plan: LeftPlan, than: LeftPlan): boolean => {
  const isMore = (here: readonly number[], there: readonly number[]) =>
    here.some((sound) => plan.sounds[sound]!.bar === bar && !there.includes(sound));
  return (
    isMore(plan.brokenLocks, than.brokenLocks) ||
    isMore(plan.cut, than.cut) ||
    isMore(plan.unplayable, than.unplayable) ||
    isMore(
      plan.brokenRules.map(({ sound }) => sound),
      than.brokenRules.map(({ sound }) => sound),
    )
  );
};

/** Whether a plan gives up more than another. */
export const isWorse = (plan: LeftPlan, than: LeftPlan): boolean =>
  plan.brokenLocks.length > than.brokenLocks.length ||
  plan.cut.length > than.cut.length ||
  plan.unplayable.length > than.unplayable.length ||
  plan.brokenRules.length > than.brokenRules.length;

/**
 * Fingers bars that come back as they were the first time, wherever that costs little; the others are returned with the
 * price of being alike. Bars in which something is fixed already are left as they are. `earlier` is the
 * memory of the last plan: from there on less has to be solved anew.
 */
export const likenReturns = (fingering: Fingering, plan: SolvedLeft, earlier?: AlikeMemory): AlikePlan => {
  const { piece, locks, setup, memory } = plan;
  const { clock } = memory;
  const { score, sounds } = piece;
  const idOf = (sound: number): NoteId => score.notes[sounds[sound]!.head]!.id;
  const isFree = ({ pairs }: BarReturn) =>
    pairs.every(([here]) => {
      const lock = locks.get(idOf(here));
      return lock?.string === undefined && lock?.finger === undefined;
    });
  const apart = barReturns(score, sounds).filter(isUnlike(plan)).filter(isFree);
  const decidedAnew = barsDecidedAnew(score, fingering, earlier?.own);
  const isAsBefore = ({ bar, like }: UnlikeReturn): boolean =>
    apart.some((each) => each.bar === bar) &&
    ![bar, like].some((each) => [each - 1, each, each + 1].some((near) => decidedAnew.has(near)));
  const known = (earlier?.unlike ?? []).filter(isAsBefore);
  const differing = apart.filter(({ bar }) => !known.some((each) => each.bar === bar));
  if (differing.length === 0) return { left: plan, fingering, unlike: known };

  const fixed = (base: Fingering, from: LeftPlan, returns: readonly BarReturn[]): Fingering => {
    const choices = new Map<NoteId, Choice>(base.choices);
    for (const { pairs } of returns)
      for (const [here, there] of pairs) {
        const model = from.choices[there];
        if (!model) continue;
        const { string, finger } = model;
        choices.set(idOf(here), { ...base.choices.get(idOf(here)), string: string as StringNumber, finger });
      }
    return { ...base, choices };
  };
  const solve = (wanted: Fingering, from: LeftMemory): SolvedLeft =>
    planLeft(score, wanted, setup, clock, { memory: from });

  const together = fixed(fingering, plan, differing);
  // Going on from the plan that is closer leaves less to solve anew.
  const fromEarlier =
    earlier !== undefined && differences(earlier.fingering, together) <= differences(fingering, together);
  const all = solve(together, fromEarlier ? earlier.left : plan.memory);
  const isWorth = (one: LeftPlan, returns: readonly BarReturn[]): boolean =>
    !isWorse(one, plan) &&
    one.cost - plan.cost <= WORTH_OF_LIKENESS * returns.length &&
    // The first bar itself may have moved meanwhile.
    !returns.some(isUnlike(one));
  if (isWorth(all, differing)) return { left: all, fingering: together, unlike: known };

  const prices = pricesOfLikeness(plan, all, differing);
  const priced = (returns: readonly BarReturn[]): UnlikeReturn[] =>
    returns.map(({ bar, like }) => ({ bar, like, price: prices.get(bar)! }));
  const isCheap = ({ bar }: BarReturn): boolean => prices.get(bar)! <= WORTH_OF_LIKENESS;
  const cheap = differing.filter(isCheap);
  const dear = differing.filter((each) => !isCheap(each));
  if (cheap.length > 0 && dear.length > 0) {
    const wanted = fixed(fingering, plan, cheap);
    const some = solve(wanted, all.memory);
    if (isWorth(some, cheap)) return { left: some, fingering: wanted, unlike: [...known, ...priced(dear)] };
  }
  return { left: plan, fingering, unlike: [...known, ...priced(differing)] };
};

/**
 * What each of some returns costs by itself, in units of effort, when all of them are fingered alike: every moment's
 * difference counts for the return that is nearest. Infinite where something had to give way or the bar stays unlike.
 */
const pricesOfLikeness = (
  free: SolvedLeft,
  alike: SolvedLeft,
  returns: readonly BarReturn[],
): ReadonlyMap<number, number> => {
  const prices = new Map(
    returns.map((each) => [
      each.bar,
      isUnlike(alike)(each) || isWorseIn(each.bar, alike, free) ? Infinity : 0,
    ]),
  );
  const slices = alike.hands.map(({ slice }) => slice);
  let near = 0;
  slices.forEach(({ bar }, index) => {
    while (near + 1 < returns.length && returns[near + 1]!.bar - bar < bar - returns[near]!.bar) near += 1;
    const nearest = returns[near]!.bar;
    const difference = alike.memory.accounts[index]!.cost - free.memory.accounts[index]!.cost;
    prices.set(nearest, prices.get(nearest)! + difference);
  });
  return prices;
};
