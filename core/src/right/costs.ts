import type { CostRule } from '../left/costs.ts';

const rule = (value: number, unit: string, reason: string): CostRule => ({ value, unit, reason });

/**
 * What each thing a right hand does costs, in the unit of effort of the left hand's costs. Handbook §4; values of
 * our own, set so that the handbook's examples come out.
 */
export const RIGHT_COST_RULES = {
  repeat: rule(5, 'per repeat at full haste', 'a finger that plays twice running'),
  repeatSlow: rule(0.3, 'per repeat', 'even over a slow note alternation is better kept'),
  repeatFast: rule(0.25, 's', 'below this a repeat costs its full price'),
  repeatCalm: rule(0.6, 's', 'above this a repeat costs little'),
  thumbRepeat: rule(0.3, 'factor', 'the thumb repeats more easily'),
  thumbSweep: rule(0.15, 'factor', 'p p on two neighbouring strings toward the treble is a light sweep'),
  repeatAfterOne: rule(
    0.8,
    'per finger at full haste',
    'in fast repeated notes a finger needs more than one note to recover',
  ),
  repeatAfterOneTime: rule(0.45, 's', 'time in which it has recovered'),
  crossing: rule(1.2, 'per awkward crossing', 'fingers that pass over each other'),
  crossingTime: rule(0.3, 's', 'time in which a crossing costs its full price'),
  leaveString: rule(0.3, 'per string moved', 'a finger leaves its string: the frame moves'),
  thumbLeaves: rule(0.05, 'per string moved', 'the thumb travels freely over the basses'),
  thumbOnThird: rule(0.6, 'per note', 'the thumb may take ③'),
  thumbOnSecond: rule(2, 'per note', 'the thumb hardly ever takes ②'),
  thumbOnFirst: rule(3, 'per note', 'the thumb hardly ever takes ①'),
  thumbAboveIndex: rule(0.8, 'per note', 'the thumb plays on the treble side of the index'),
  bassWithoutThumb: rule(1.6, 'per note', 'the bass voice belongs to the thumb'),
  melodyWithThumb: rule(1.1, 'per note', 'a melody does not belong to the thumb'),
  ring: rule(0.12, 'per note', 'i and m are the stronger pair'),
  ringOnBass: rule(1, 'per note', 'a on ④ to ⑥'),
  fingersOnBass: rule(0.2, 'per note', 'i and m on ⑤ and ⑥'),
  risingOnString: rule(0.03, 'per pair', 'on one string the fingers fall from a to i of themselves'),
  unevenChord: rule(0.15, 'per string', 'fingers of a chord lie most easily on neighbouring strings'),
  schoolBroken: rule(50, 'per note', 'the order the school asks for cannot hold'),
  leftLoad: rule(0.2, 'per unit of left-hand cost', 'what is awkward is worse where the left hand is busy'),
  leftLoadLimit: rule(2, 'factor', 'the most that the left hand multiplies'),
} as const satisfies Record<string, CostRule>;

export type RightCostName = keyof typeof RIGHT_COST_RULES;
export type RightCosts = Readonly<Record<RightCostName, number>>;

export const RIGHT_COSTS: RightCosts = Object.fromEntries(
  Object.entries(RIGHT_COST_RULES).map(([name, { value }]) => [name, value]),
) as Record<RightCostName, number>;

export const RIGHT_SCHOOLS = ['free', 'strict-im', 'three-finger', 'thumb-index'] as const;
export type RightSchool = (typeof RIGHT_SCHOOLS)[number];

/** Fingers a school uses in a single line, as ranks: 0 p, 1 i, 2 m, 3 a. */
export const LINE_FINGERS: Readonly<Record<RightSchool, readonly number[]>> = {
  free: [0, 1, 2, 3],
  'strict-im': [1, 2],
  'three-finger': [1, 2, 3],
  'thumb-index': [0, 1],
};

export const RIGHT_TERMS = [
  'repeat',
  'crossing',
  'frame',
  'thumb',
  'voice',
  'finger',
  'chord',
  'school',
] as const;
export type RightTerm = (typeof RIGHT_TERMS)[number];
