import type { Choice, Fingering } from '../fingering/fingering.ts';
import { NEAR_TIE } from '../fingering/near-tie.ts';
import { planLeft, type SolvedLeft } from '../left/plan-left.ts';
import type { LeftPlan } from '../left/left-plan.ts';
import type { PricedPlacement } from '../left/search/prices.ts';
import { barReturns } from '../score/bar-returns.ts';
import type { NoteIndex } from '../score/score.ts';
import { familyOf, withoutLikeness } from './alike.ts';
import type { Plan } from './plan.ts';

/** The ways to take one note, with what else would change. */
export interface NoteChoices {
  /** Cheapest first. Prices count from the best fingering in which this note is left to the planner. */
  readonly ways: readonly PricedPlacement[];
}

const soundOf = ({ piece }: LeftPlan, note: NoteIndex): number => piece.soundOf.get(note) ?? -1;

/** What binds the planner when one note is decided: nothing that only makes its bar like others. */
const bindingFor = ({ score, fingering, alike, left }: Plan, note: NoteIndex): Fingering =>
  withoutLikeness(score, fingering, alike, familyOf(score, left.sounds, score.notes[note]!.bar));

const solvedWith = (
  { score, left, memory }: Plan,
  fingering: Fingering,
  note: NoteIndex,
  change: Choice,
): SolvedLeft => {
  const { id } = score.notes[left.sounds[soundOf(left, note)]!.head]!;
  const choices = new Map(fingering.choices).set(id, { ...fingering.choices.get(id), ...change });
  return planLeft(score, { ...fingering, choices }, left.setup, memory.clock, {
    memory: memory.left,
    was: memory.undecided.left,
  });
};

/** All ways to take a note, by price; empty for a note no hand can take. */
export const choicesFor = (plan: Plan, note: NoteIndex): NoteChoices => {
  const { left, alike, score, memory } = plan;
  const sound = soundOf(left, note);
  if (sound < 0) return { ways: [] };
  const binding = bindingFor(plan, note);
  const lock = left.locks.get(score.notes[left.sounds[sound]!.head]!.id);
  const isFree = lock?.string === undefined && lock?.finger === undefined;
  const from =
    isFree && binding === alike
      ? memory.left
      : solvedWith(plan, binding, note, { string: null, finger: null }).memory;
  return { ways: from.prices[sound]! };
};

/**
 * Notes that could as well be taken otherwise: their second best way costs less than the margin of taste. A bar that is
 * fingered as the first one like it leaves the choices that one leaves.
 */
export const nearTies = ({ score, left, memory }: Plan): readonly NoteIndex[] => {
  const prices = memory.left.prices;
  const isTie = (sound: number): boolean => (prices[sound]![1]?.price ?? Infinity) < NEAR_TIE;
  const model = new Map(barReturns(score, left.sounds).flatMap(({ pairs }) => pairs));
  return left.sounds
    .filter(({ index }) => isTie(index) || (prices[index]!.length === 1 && isTie(model.get(index) ?? index)))
    .map(({ head }) => head);
};
