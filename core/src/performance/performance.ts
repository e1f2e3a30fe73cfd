import type { PassageRule } from '../fingering/rules.ts';
import type { LeftPlan } from '../left/left-plan.ts';
import { plantingSteps, type PlantingStep } from '../right/around/planting.ts';
import { strokeAdvice, type StrokeAdvice } from '../right/around/strokes.ts';
import type { RightPlan } from '../right/right-plan.ts';
import type { Clock } from '../score/clock.ts';
import type { Score } from '../score/score.ts';
import { soundingsOf, type Sounding, type Touch } from './sounding.ts';

/**
 * What both hands do over time, as one value: everything that is said, drawn, heard or practised after the planners is
 * read from it, and nothing of what the planners remember. Times in ticks of the score.
 */
export interface Performance {
  readonly score: Score;
  /** Seconds at the tempo that was planned for. */
  readonly clock: Clock;
  /** What the teacher asks of passages. */
  readonly rules: readonly PassageRule[];
  /** Sounds, what holds them and the left hand at each slice, with its costs by term. */
  readonly left: LeftPlan;
  /** Strokes and the fingers that make them, with their costs by term. */
  readonly right: RightPlan;
  /** What the fingers of the right hand do while others pluck. */
  readonly planting: readonly PlantingStep[];
  /** Notes that are not struck with the plain free stroke. */
  readonly strokes: readonly StrokeAdvice[];
  /** When each sound is really heard, in the order of the slices. */
  readonly soundings: readonly Sounding[];
}

/** Puts both hands together: what they do around their plans, and what is heard of it. */
export const performanceOf = (
  score: Score,
  clock: Clock,
  rules: Iterable<PassageRule>,
  left: LeftPlan,
  right: RightPlan,
): Performance => {
  const all = [...rules];
  const { cells, events, options } = right;
  const planting = plantingSteps(cells, events, options, left, all);
  const strokes = strokeAdvice(events, options, left, all);
  return {
    score,
    clock,
    rules: all,
    left,
    right,
    planting,
    strokes,
    soundings: soundingsOf(left, clock, touchesOf(right, planting, strokes)),
  };
};

/** Where the right hand touches strings for other reasons: planting, and rest strokes that a teacher asked for. */
const touchesOf = (
  { events }: RightPlan,
  planting: readonly PlantingStep[],
  strokes: readonly StrokeAdvice[],
): readonly Touch[] => [
  ...planting.flatMap(({ event, plants }) =>
    plants.map(({ string }) => ({ onset: events[event]!.onset, string })),
  ),
  ...strokes
    .filter(({ by, stroke, comesToRestOn }) => by === 'teacher' && stroke === 'rest' && comesToRestOn)
    .map(({ event, comesToRestOn }) => ({ onset: events[event]!.onset, string: comesToRestOn! })),
];
