import type { PassageRule } from '../fingering/rules.ts';
import type { LeftPlan } from '../left/plan-left.ts';
import { cellsOf } from '../right/events/cells.ts';
import { plantingSteps } from '../right/around/planting.ts';
import type { RightPlan } from '../right/plan-right.ts';
import { strokeAdvice } from '../right/around/strokes.ts';
import type { Score } from '../score/score.ts';

/** What the fingers of the right hand do around their plucks. */
export interface RightSteps {
  readonly planting: ReturnType<typeof plantingSteps>;
  readonly strokes: ReturnType<typeof strokeAdvice>;
}

interface Known extends RightSteps {
  readonly left: LeftPlan;
  readonly rules: string;
}

/** Damping, signs and marks all ask for the steps of one plan; they are worked out once. */
const known = new WeakMap<RightPlan, Known>();

/** Planting and strokes of a plan under the rules of its passages. */
export const rightSteps = (
  score: Score,
  left: LeftPlan,
  right: RightPlan,
  rules: readonly PassageRule[],
): RightSteps => {
  const key = JSON.stringify(rules);
  const found = known.get(right);
  if (found?.left === left && found.rules === key) return found;
  const { events, options } = right;
  const made: Known = {
    left,
    rules: key,
    planting: plantingSteps(cellsOf(score, events), events, options, left, rules),
    strokes: strokeAdvice(events, options, left, rules),
  };
  known.set(right, made);
  return made;
};
