import type { Choice, Fingering } from '../fingering/fingering.ts';
import type { StringNumber } from '../instrument/guitar.ts';
import type { LeftTerm } from '../left/costs.ts';
import { termDifferences } from '../left/other-ways.ts';
import { leftPrices, planLeft, type LeftPlan } from '../left/plan-left.ts';
import type { PricedPlacement } from '../left/prices.ts';
import type { NoteIndex } from '../score/score.ts';

/**
 * Two ways closer than this, in units of effort, are alternatives between which taste decides: the margins by which
 * the model prefers one of two accepted fingerings are about as thin (left-hand model, near-ties).
 */
export const NEAR_TIE = 0.3;

/** The ways to take one note, with what else would change. */
export interface NoteChoices {
  /** Cheapest first. Prices count from the best fingering in which this note is left to the planner. */
  readonly ways: readonly PricedPlacement[];
}

const soundOf = (plan: LeftPlan, note: NoteIndex): number =>
  plan.sounds.findIndex((sound) => sound.noteheads.includes(note));

const withChoice = (fingering: Fingering, plan: LeftPlan, sound: number, change: Choice): Fingering => {
  const { id } = plan.memory.ground.score.notes[plan.sounds[sound]!.head]!;
  return {
    ...fingering,
    choices: new Map(fingering.choices).set(id, { ...fingering.choices.get(id), ...change }),
  };
};

/** The plan with the note's string and finger left to the planner, whoever fixed them. */
const freed = (fingering: Fingering, plan: LeftPlan, sound: number): LeftPlan => {
  const { ground, moments, setup, clock } = plan.memory;
  const { id } = ground.score.notes[plan.sounds[sound]!.head]!;
  const lock = moments.locks.get(id);
  if (lock?.string === undefined && lock?.finger === undefined) return plan;
  const free = withChoice(fingering, plan, sound, { string: null, finger: null });
  return planLeft(ground.score, free, setup, clock, { memory: plan.memory });
};

/** Prices of a whole plan, worked out once for each. */
const known = new WeakMap<LeftPlan, ReturnType<typeof leftPrices>>();
export const pricesFor = (plan: LeftPlan): ReturnType<typeof leftPrices> => {
  const prices = known.get(plan) ?? leftPrices(plan);
  known.set(plan, prices);
  return prices;
};

/** All ways to take a note, by price; empty for a note no hand can take. */
export const choicesFor = (fingering: Fingering, plan: LeftPlan, note: NoteIndex): NoteChoices => {
  const sound = soundOf(plan, note);
  if (sound < 0) return { ways: [] };
  return { ways: pricesFor(freed(fingering, plan, sound))[sound]! };
};

/** What taking a note in another way would bring about. */
export interface ChoiceEffect {
  /** Terms of the left hand that grow (positive) or shrink, over the whole piece, in units of effort. */
  readonly terms: Readonly<Partial<Record<LeftTerm, number>>>;
  /** Other notes that would be fingered otherwise. */
  readonly others: number;
}

/** Solves the piece under one way of taking a note and tells what becomes different from the plan. */
export const effectOf = (
  fingering: Fingering,
  plan: LeftPlan,
  note: NoteIndex,
  { string, finger }: Pick<PricedPlacement, 'string' | 'finger'>,
): ChoiceEffect => {
  const { ground, setup, clock } = plan.memory;
  const sound = soundOf(plan, note);
  const locked = withChoice(fingering, plan, sound, { string: string as StringNumber, finger });
  const other = planLeft(ground.score, locked, setup, clock, { memory: plan.memory });
  const others = plan.choices.filter(
    (choice, index) =>
      index !== sound &&
      (choice?.string !== other.choices[index]?.string || choice?.finger !== other.choices[index]?.finger),
  ).length;
  return { terms: termDifferences(plan, other), others };
};

/** Notes that could as well be taken otherwise: their second best way costs less than the margin of taste. */
export const nearTies = (plan: LeftPlan): readonly NoteIndex[] =>
  pricesFor(plan).flatMap((ways, sound) =>
    ways.length > 1 && ways[1]!.price < NEAR_TIE ? [plan.sounds[sound]!.head] : [],
  );
