import { cheapestFirst } from '../fingering/cheapest-first.ts';
import type { Choice, Fingering } from '../fingering/fingering.ts';
import type { PassageRule, RuleId } from '../fingering/rules.ts';
import type { StringNumber } from '../instrument/guitar.ts';
import type { NoteId } from '../score/score.ts';
import { finish, type Steps } from '../music/steps.ts';
import { withoutLikeness } from './alike.ts';
import type { Plan } from './plan.ts';
import { LEFT_TERMS, type LeftTerm } from '../left/hand/costs.ts';
import { planLeft } from '../left/plan-left.ts';
import { takenOtherwise, type LeftPlan } from '../left/left-plan.ts';

/** Bars counted from 0, both included. */
export interface Passage {
  readonly from: number;
  readonly to: number;
}

/** What a fingering of a passage is like, to tell one from another. */
export interface Character {
  /** Hand positions in the order they are taken. */
  readonly positions: readonly number[];
  readonly strings: readonly number[];
  readonly openNotes: number;
  readonly barres: number;
}

/** Another fingering of a passage. */
export interface OtherWay {
  readonly plan: LeftPlan;
  /** What it costs more than the plan, over the whole piece, in units of effort. */
  readonly price: number;
  /** Terms in which it differs from the plan, whole piece, in units of effort; positive costs more. */
  readonly terms: Readonly<Partial<Record<LeftTerm, number>>>;
  readonly character: Character;
  /** Sounds of the passage that it takes otherwise. */
  readonly changed: readonly number[];
  /** Onset in ticks from which on everything is as in the plan again; undefined when it never is. */
  readonly rejoins: number | undefined;
}

/** Most ways offered, and most that are solved to find them. */
const MOST_WAYS = 5;
const MOST_TRIALS = 20;
/** A way dearer than this is no advice, in units of effort: about three shifts. */
const MOST_PRICE = 12;
/** Highest position tried as a home for a whole passage. */
const HIGHEST_HOME = 12;
/** Two fingerings are truly different when at least this share of the passage lies elsewhere. */
const DIFFERENT_SHARE = 0.25;
/** Terms that differ by less are the same to a teacher, in units of effort. */
const NEGLIGIBLE = 0.005;

const TRIAL = 'other-way' as RuleId;

const characterOf = (plan: LeftPlan, inside: readonly number[]): Character => {
  const positions: number[] = [];
  const set = new Set(inside);
  for (const { slice, position } of plan.hands)
    if (slice.struck.some((sound) => set.has(sound)) && position > 0 && positions.at(-1) !== position)
      positions.push(position);
  const choices = inside.flatMap((sound) => plan.choices[sound] ?? []);
  return {
    positions,
    strings: [...new Set(choices.map((choice) => choice.string))].sort(),
    openNotes: choices.filter((choice) => choice.finger === 0).length,
    barres: choices.filter((choice) => choice.barre).length,
  };
};

/** What one plan costs more than another, term by term. */
export const termDifferences = (
  before: LeftPlan,
  after: LeftPlan,
): Readonly<Partial<Record<LeftTerm, number>>> => {
  const differences: Partial<Record<LeftTerm, number>> = {};
  for (const term of LEFT_TERMS) {
    const difference = (after.terms[term] ?? 0) - (before.terms[term] ?? 0);
    if (Math.abs(difference) > NEGLIGIBLE) differences[term] = difference;
  }
  return differences;
};

/**
 * Up to five truly different fingerings of a passage, cheapest first. They come from taking single notes of the
 * passage on other strings, from keeping the hand in another position and from leaving out the open strings, each
 * solved as a whole; those that move too little of the passage are left out. With `hold` everything outside the
 * passage stays as planned, otherwise it gives way.
 */
export function* otherWaysInSteps(
  { score, fingering: own, alike, left: plan, memory }: Plan,
  passage: Passage,
  { hold }: { readonly hold: boolean },
): Steps<readonly OtherWay[]> {
  const { setup, sounds } = plan;
  const bars = new Set(score.bars.map(({ index }) => index).slice(passage.from, passage.to + 1));
  const fingering = withoutLikeness(score, own, alike, bars);
  const inside = sounds
    .filter(({ bar }) => bar >= passage.from && bar <= passage.to)
    .map(({ index }) => index);
  const idOf = (sound: number): NoteId => score.notes[sounds[sound]!.head]!.id;

  const held = new Map<NoteId, Choice>(fingering.choices);
  if (hold)
    plan.choices.forEach((choice, sound) => {
      if (!choice || inside.includes(sound)) return;
      const { string, finger } = choice;
      held.set(idOf(sound), { string: string as StringNumber, finger });
    });
  const withLock = (sound: number, string: StringNumber): Fingering => ({
    ...fingering,
    choices: new Map(held).set(idOf(sound), { ...fingering.choices.get(idOf(sound)), string }),
  });
  const withRule = (rule: PassageRule): Fingering => ({
    ...fingering,
    choices: held,
    rules: new Map(fingering.rules).set(TRIAL, rule),
  });

  const prices = memory.left.prices;
  const byString = inside.flatMap((sound) => {
    const strings = new Map<number, number>();
    for (const { string, price } of prices[sound]!)
      if (string !== plan.choices[sound]?.string && !strings.has(string)) strings.set(string, price);
    return [...strings].map(([string, price]) => ({ sound, string: string as StringNumber, price }));
  });
  const trials: Fingering[] = [
    withRule({ kind: 'stopped', ...passage }),
    ...Array.from({ length: HIGHEST_HOME }, (_, index) =>
      withRule({ kind: 'position', ...passage, position: index + 1 }),
    ),
    ...byString
      .sort(cheapestFirst)
      .slice(0, MOST_TRIALS)
      .map(({ sound, string }) => withLock(sound, string)),
  ];

  const within = new Set(inside);
  const changedFrom = (a: LeftPlan, b: LeftPlan): number[] =>
    takenOtherwise(a, b).filter((sound) => within.has(sound));
  const isDifferent = (a: LeftPlan, b: LeftPlan): boolean =>
    changedFrom(a, b).length >= Math.max(1, inside.length * DIFFERENT_SHARE);

  const tried: LeftPlan[] = [];
  for (const trial of trials) {
    tried.push(planLeft(score, trial, setup, memory.clock, { memory: memory.left }));
    yield;
  }
  const solved = tried
    .filter(
      (other) =>
        other.unplayable.length <= plan.unplayable.length &&
        other.cut.length <= plan.cut.length &&
        other.brokenLocks.length <= plan.brokenLocks.length &&
        other.brokenRules.length === 0 &&
        other.cost - plan.cost <= MOST_PRICE,
    )
    .sort((a, b) => a.cost - b.cost);
  const chosen: LeftPlan[] = [];
  for (const other of solved) {
    if (chosen.length === MOST_WAYS) break;
    if (isDifferent(plan, other) && chosen.every((each) => isDifferent(each, other))) chosen.push(other);
  }
  return chosen.map((other) => ({
    plan: other,
    price: other.cost - plan.cost,
    terms: termDifferences(plan, other),
    character: characterOf(other, inside),
    changed: changedFrom(plan, other),
    rejoins: rejoinsAt(plan, other),
  }));
}

/** The same in one go. */
export const otherWays = (...asked: Parameters<typeof otherWaysInSteps>): readonly OtherWay[] =>
  finish(otherWaysInSteps(...asked));

const rejoinsAt = (plan: LeftPlan, other: LeftPlan): number | undefined => {
  const last = Math.max(-1, ...takenOtherwise(plan, other).map((sound) => plan.sounds[sound]!.onset));
  return plan.sounds.find(({ onset }) => onset > last)?.onset;
};
