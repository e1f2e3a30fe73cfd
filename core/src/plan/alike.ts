import type { Choice, Fingering } from '../fingering/fingering.ts';
import type { StringNumber } from '../instrument/guitar.ts';
import type { TakenBefore } from '../left/keep-what-was.ts';
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
/** Rounds in which returns that are too dear are given up, before all of them are. */
const ROUNDS = 4;

/** A plan with what it was made for. */
interface Likened {
  readonly fingering: Fingering;
  readonly memory: LeftMemory;
}

export interface AlikePlan {
  readonly left: SolvedLeft;
  /** The teacher's fingering with what was fixed so that returns are alike. */
  readonly fingering: Fingering;
  readonly unlike: readonly UnlikeReturn[];
  /** The plans of the rounds, from which those of the next time go on. */
  readonly rounds: readonly Likened[];
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

/** Bars in which a string or a finger is decided. */
const barsDecided = (score: Score, { choices }: Fingering): ReadonlySet<number> =>
  new Set(
    score.notes.filter(({ id }) => isDecidedOtherwise(choices.get(id), undefined)).map(({ bar }) => bar),
  );

const sameTaking = (plan: LeftPlan, [here, there]: readonly [number, number]): boolean =>
  isSameTaking(plan.choices[here], plan.choices[there]);

const isUnlike =
  (plan: LeftPlan) =>
  ({ pairs }: BarReturn): boolean =>
    pairs.some((pair) => !sameTaking(plan, pair));

/** Bars in which a plan gives up something that another does not. */
const barsWorse = (plan: LeftPlan, than: LeftPlan): ReadonlySet<number> => {
  const more = (here: readonly number[], there: readonly number[]) =>
    here.filter((sound) => !there.includes(sound));
  return new Set(
    [
      ...more(plan.brokenLocks, than.brokenLocks),
      ...more(plan.cut, than.cut),
      ...more(plan.unplayable, than.unplayable),
      ...more(
        plan.brokenRules.map(({ sound }) => sound),
        than.brokenRules.map(({ sound }) => sound),
      ),
    ].map((sound) => plan.sounds[sound]!.bar),
  );
};

/** Whether a plan gives up more than another. */
export const isWorse = (plan: LeftPlan, than: LeftPlan): boolean =>
  plan.brokenLocks.length > than.brokenLocks.length ||
  plan.cut.length > than.cut.length ||
  plan.unplayable.length > than.unplayable.length ||
  plan.brokenRules.length > than.brokenRules.length;

/** What is fixed so that returns are taken as the bars they are like, in a plan. */
const fixedAlike = (
  base: Fingering,
  { piece: { score, sounds }, choices: taken }: LeftPlan,
  returns: readonly BarReturn[],
): Fingering => {
  const choices = new Map<NoteId, Choice>(base.choices);
  for (const [here, there] of returns.flatMap(({ pairs }) => pairs)) {
    const model = taken[there];
    if (!model) continue;
    const { id } = score.notes[sounds[here]!.head]!;
    choices.set(id, {
      ...base.choices.get(id),
      string: model.string as StringNumber,
      finger: model.finger,
    });
  }
  return { ...base, choices };
};

/** Going on from the plan that is closest leaves the least to solve anew. */
const closest = (wanted: Fingering, plans: readonly Likened[]): LeftMemory =>
  plans
    .map(({ fingering, memory }) => ({ memory, away: differences(fingering, wanted) }))
    .reduce((best, each) => (each.away < best.away ? each : best)).memory;

/** What a piece was like while nothing was decided. */
export interface BeforeLikening {
  readonly left: TakenBefore;
  /** Returns that were forced apart. */
  readonly unlike: readonly UnlikeReturn[];
}

/**
 * Fingers bars that come back as they were the first time, wherever that costs little; the others are returned with the
 * price of being alike. Bars in which something is fixed already are left as they are. So that a decision is felt where it is
 * made, bars away from decisions keep to `before`, and returns that were forced apart then are not tried again there.
 * `earlier` are the rounds of the last plan: from there on less has to be solved anew, to the same end.
 */
export const likenReturns = (
  fingering: Fingering,
  plan: SolvedLeft,
  before?: BeforeLikening,
  earlier: readonly Likened[] = [],
): AlikePlan => {
  const { piece, locks, setup, memory } = plan;
  const { score, sounds } = piece;
  const isFree = ({ pairs }: BarReturn) =>
    pairs.every(([here]) => {
      const lock = locks.get(score.notes[sounds[here]!.head]!.id);
      return lock?.string === undefined && lock?.finger === undefined;
    });
  const differing = barReturns(score, sounds).filter(isUnlike(plan)).filter(isFree);
  const decided = barsDecided(score, fingering);
  const isAsBefore = ({ bar, like }: UnlikeReturn): boolean =>
    differing.some((each) => each.bar === bar) &&
    ![bar, like].some((each) => [each - 1, each, each + 1].some((near) => decided.has(near)));
  const unlike = (before?.unlike ?? []).filter(isAsBefore);
  let trying = differing.filter(({ bar }) => !unlike.some((each) => each.bar === bar));
  const rounds: Likened[] = [];
  while (trying.length > 0 && rounds.length < ROUNDS) {
    const wanted = fixedAlike(fingering, plan, trying);
    const known = [...earlier, ...rounds, { fingering, memory }];
    const alike = planLeft(score, wanted, setup, memory.clock, {
      memory: closest(wanted, known),
      others: known.map((each) => each.memory),
      ...(before && { was: before.left }),
    });
    rounds.push({ fingering: wanted, memory: alike.memory });
    const prices = pricesOfLikeness(plan, alike, trying);
    const dear = trying.filter(({ bar }) => prices.get(bar)! > WORTH_OF_LIKENESS);
    if (dear.length === 0 && !isWorse(alike, plan)) return { left: alike, fingering: wanted, unlike, rounds };
    unlike.push(...dear.map(({ bar, like }) => ({ bar, like, price: prices.get(bar)! })));
    trying = dear.length === 0 ? [] : trying.filter((each) => !dear.includes(each));
  }
  unlike.push(...trying.map(({ bar, like }) => ({ bar, like, price: Infinity })));
  return { left: plan, fingering, unlike: unlike.toSorted((one, other) => one.bar - other.bar), rounds };
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
  const prices = new Map(returns.map((each) => [each.bar, isUnlike(alike)(each) ? Infinity : 0]));
  const worse = barsWorse(alike, free);
  const slices = alike.hands.map(({ slice }) => slice);
  let near = 0;
  slices.forEach(({ bar }, index) => {
    while (near + 1 < returns.length && returns[near + 1]!.bar - bar < bar - returns[near]!.bar) near += 1;
    const nearest = returns[near]!.bar;
    const difference = alike.memory.accounts[index]!.cost - free.memory.accounts[index]!.cost;
    prices.set(nearest, prices.get(nearest)! + (worse.has(bar) ? Infinity : difference));
  });
  return prices;
};
