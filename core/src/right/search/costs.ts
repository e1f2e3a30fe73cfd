import type { RightSchool } from '../../fingering/vocabulary.ts';
import type { CostRule } from '../../left/hand/costs.ts';

const rule = (value: number, unit: string, reason: string): CostRule => ({ value, unit, reason });

/**
 * What each thing a right hand does costs, in the unit of effort of the left hand's costs. Handbook §4; values of
 * our own, set so that the handbook's examples come out.
 */
export const RIGHT_COST_RULES = {
  repeat: rule(5, 'per repeat at full haste', 'a finger that plays twice running'),
  repeatSlow: rule(1.2, 'per repeat', 'even over a slow note alternation is better kept'),
  repeatFast: rule(0.25, 's', 'below this a repeat costs its full price'),
  repeatCalm: rule(0.6, 's', 'above this a repeat costs little'),
  blockRepeat: rule(0.15, 'factor', 'chords in a row are struck with the same fingers'),
  repeatIntoFull: rule(
    0.3,
    'factor',
    'a chord that takes i, m and a takes again whichever of them has just played: the thumb is not sent to the treble for it; our own value',
  ),
  repeatAfterFull: rule(
    0.3,
    'factor',
    'after a chord that took i, m and a one of them goes on, whichever it is; our own value',
  ),
  thumbRepeat: rule(0.12, 'factor', 'the thumb repeats more easily'),
  thumbSweep: rule(0.08, 'factor', 'p p on two neighbouring strings toward the treble is a light sweep'),
  repeatAfterOne: rule(
    0.8,
    'per finger at full haste',
    'in a fast tremolo a finger needs more than one note to recover; a line of repeated notes alternates',
  ),
  repeatAfterOneTime: rule(0.45, 's', 'time in which it has recovered'),
  crossing: rule(1.2, 'per awkward crossing', 'fingers that pass over each other'),
  crossingTime: rule(0.3, 's', 'time in which a crossing costs its full price'),
  leaveString: rule(0.3, 'per string moved', 'a finger leaves its string: the frame moves'),
  stringExchanged: rule(
    0.15,
    'per note',
    'in a broken chord a string that comes back keeps its finger; our own value',
  ),
  thumbLeaves: rule(0.05, 'per string moved', 'the thumb travels freely over the basses'),
  thumbOnThird: rule(0.6, 'per note', 'the thumb may take ③'),
  thumbOnSecond: rule(2, 'per note', 'the thumb hardly ever takes ②'),
  thumbOnFirst: rule(3, 'per note', 'the thumb hardly ever takes ①'),
  thumbUnderTremolo: rule(
    0.1,
    'factor on what ③, ② and ① cost the thumb',
    'under a tremolo every bass is the thumb’s, wherever it lies; our own value',
  ),
  thumbAboveIndex: rule(
    0.8,
    'per note',
    'the thumb plays on the treble side of the index that has just played',
  ),
  bassWithoutThumb: rule(1.6, 'per note', 'the bass voice belongs to the thumb'),
  melodyWithThumb: rule(1.1, 'per note', 'a melody does not belong to the thumb'),
  bassLineWithoutThumb: rule(
    1.2,
    'per note of the one voice on ④ to ⑥',
    'what moves there slowly enough for one finger is the thumb’s',
  ),
  lineMixed: rule(
    1.5,
    'per change on ④ to ⑥',
    'one voice on the basses is played by the thumb or by the fingers, not by turns; our own value',
  ),
  thumbLinePace: rule(0.24, 's', 'from note to note: slow enough for the thumb alone'),
  tuneWithoutRing: rule(0.9, 'per note', 'over notes that fill the harmony the tune keeps the ring finger'),
  innerWithRing: rule(0.5, 'per note', 'what fills the harmony belongs to i and m'),
  dyadChanged: rule(1, 'per note', 'two notes struck together and again keep their two fingers'),
  ring: rule(0.12, 'per note', 'i and m are the stronger pair'),
  ringOnBass: rule(1, 'per note', 'a on ④ to ⑥'),
  fingersOnBass: rule(0.2, 'per note', 'i and m on ⑤ and ⑥'),
  risingOnString: rule(0.03, 'per pair', 'on one string the fingers fall from a to i of themselves'),
  weakAlternation: rule(0.3, 'per pair on one string', 'm–a and i–a alternate less evenly than i–m'),
  unevenChord: rule(0.15, 'per string', 'fingers of a chord lie most easily on neighbouring strings'),
  repeatOverThumb: rule(
    0.25,
    'factor',
    'the thumb between gives a finger time, yet a line likes to alternate over the basses too',
  ),
  schoolBroken: rule(50, 'per note', 'a finger the school does not use, or uses twice running'),
  schoolStart: rule(3, 'per line', 'a school begins its lines with one finger'),
  orderBroken: rule(2.5, 'per note', 'the order of three fingers is left, to mend a crossing'),
  otherString: rule(4, 'per note', 'a finger plays where the school has another one'),
  patternBroken: rule(12, 'per note', 'a finger that the pattern asked for cannot play'),
  orderLeft: rule(0.5, 'per note', 'the order established for the same cell is kept where it can be'),
  leftLoad: rule(0.2, 'per unit of left-hand cost', 'what is awkward is worse where the left hand is busy'),
  leftLoadLimit: rule(2, 'factor', 'the most that the left hand multiplies'),
} as const satisfies Record<string, CostRule>;

export type RightCostName = keyof typeof RIGHT_COST_RULES;
export type RightCosts = Readonly<Record<RightCostName, number>>;

export const RIGHT_COSTS: RightCosts = Object.fromEntries(
  Object.entries(RIGHT_COST_RULES).map(([name, { value }]) => [name, value]),
) as Record<RightCostName, number>;

/** What a school asks of single lines, with fingers as ranks: 0 p, 1 i, 2 m, 3 a. Handbook §4, alternation. */
export interface RightSchoolRule {
  /** Fingers that may play a line. */
  readonly fingers: readonly number[];
  /** No finger twice running, however awkward the rest. */
  readonly isStrict: boolean;
  /** The finger a line begins with. */
  readonly first?: number;
  /** By string: the finger that plays there, in lines and arpeggios alike; strings count from 1. */
  readonly byString?: readonly number[];
  /** By the finger before: the one that follows in the order; −1 for any. */
  readonly successor?: readonly number[];
}

export const RIGHT_SCHOOL_RULES: Readonly<Record<RightSchool, RightSchoolRule>> = {
  free: { fingers: [0, 1, 2, 3], isStrict: false },
  'strict-im': { fingers: [1, 2], isStrict: true, first: 1 },
  'strict-mi': { fingers: [1, 2], isStrict: true, first: 2 },
  'three-finger': { fingers: [1, 2, 3], isStrict: true, first: 3, successor: [-1, 3, 1, 2] },
  'thumb-index': { fingers: [0, 1], isStrict: true, first: 0 },
  // i on ③, m on ②, a on ①, the thumb on the basses. Common practice, no published source.
  'finger-per-string': { fingers: [0, 1, 2, 3], isStrict: false, byString: [0, 3, 2, 1, 0, 0, 0] },
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
  'pattern',
] as const;
export type RightTerm = (typeof RIGHT_TERMS)[number];
