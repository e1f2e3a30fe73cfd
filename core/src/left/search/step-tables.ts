import type { LeftCosts } from '../hand/costs.ts';
import { ShapeCosts } from '../hand/shape-costs.ts';
import {
  reachOf,
  REFERENCE_FRET_WIDTH,
  spanOf,
  TABLE_FRETS,
  type Hand,
  type NeckTables,
} from '../hand/hand.ts';
import { FINGERS } from '../moments/option-table.ts';

const MILLIMETRES_PER_CENTIMETRE = 10;

/** What fingers cost by where they lie, worked out once for a hand, a guitar and a set of costs. */
export interface StepTables {
  /** By lower finger, higher finger and their frets: stretch, spread and cramp. */
  readonly opening: Float64Array;
  /** By finger, fret and hand position: lying away from home among others. */
  readonly deviation: Float64Array;
  /** By fret: laying the index flat, whatever it covers. */
  readonly barre: Float64Array;
  /** By two positions: the way of the hand along the neck, in cm. */
  readonly distance: Float64Array;
  /** By fret: two fingers side by side on it. */
  readonly crowd: Float64Array;
  /** What fingers cost as a shape. */
  readonly shapes: ShapeCosts;
}

export const openingAt = (lower: number, higher: number, low: number, high: number): number =>
  ((lower * FINGERS + higher) * TABLE_FRETS + low) * TABLE_FRETS + high;
export const deviationAt = (finger: number, fret: number, position: number): number =>
  (finger * TABLE_FRETS + fret) * TABLE_FRETS + position;

const deviation = (
  costs: LeftCosts,
  hand: Hand,
  neck: NeckTables,
  finger: number,
  fret: number,
  position: number,
): number => {
  const away = fret - (position + finger - 1);
  if (away === 0) return 0;
  if (away < 0 && position === 1) return costs.nutBack * -away;
  const width = neck.width[fret]! / REFERENCE_FRET_WIDTH;
  const reach = finger === 1 ? reachOf(hand, 1, 2) : reachOf(hand, 1, finger);
  if (away < 0) return finger === 1 ? costs.indexBack * width * reach * -away : costs.backward * -away;
  return reach * (costs.forwardBase * neck.scale + costs.forwardWidth * width) * away * away;
};

/** What neighbouring fingers pay for opening further than one a fret; 3 and 4 least of all like to. */
const adjacentCost = (costs: LeftCosts, lower: number, higher: number): number =>
  higher - lower > 1 ? 0 : costs.adjacentSpread + (lower === 3 ? costs.weakPairSpread : 0);

const opening = (
  costs: LeftCosts,
  hand: Hand,
  neck: NeckTables,
  [lower, higher]: readonly [number, number],
  [low, high]: readonly [number, number],
): number => {
  const { comfortable, maximum } = spanOf(hand, lower, higher);
  const reach = reachOf(hand, lower, higher);
  const beyondComfort = Math.max(0, neck.tip[high]! - neck.tip[low]! - comfortable);
  const excess = beyondComfort / MILLIMETRES_PER_CENTIMETRE;
  const room = Math.max(MILLIMETRES_PER_CENTIMETRE, maximum - comfortable);
  // The whole hand from the index to the little finger: what is between them gives way before.
  const isWholeHand = lower === 1 && higher === FINGERS - 1;
  const strain = isWholeHand ? Math.max(0, beyondComfort / room - costs.strainFrom) : 0;
  const beyond = Math.max(0, high - low - (higher - lower));
  const cramped = Math.max(0, higher - lower - (high - low));
  return (
    costs.stretch * (excess * reach) ** 2 +
    costs.strain * strain * strain +
    costs.smallHand * excess * Math.max(0, reach - 1) +
    reach * neck.scale * (costs.spread + adjacentCost(costs, lower, higher)) * beyond +
    costs.cramp * cramped
  );
};

export const stepTables = (costs: LeftCosts, hand: Hand, neck: NeckTables): StepTables => {
  const tables = {
    opening: new Float64Array(FINGERS * FINGERS * TABLE_FRETS * TABLE_FRETS),
    deviation: new Float64Array(FINGERS * TABLE_FRETS * TABLE_FRETS),
    barre: Float64Array.from(
      neck.width,
      (width) => costs.barre + costs.barreWidth * (width / REFERENCE_FRET_WIDTH - 1),
    ),
    distance: new Float64Array(TABLE_FRETS * TABLE_FRETS),
    crowd: Float64Array.from(
      neck.width,
      (width) => costs.crowd * Math.max(0, REFERENCE_FRET_WIDTH / Math.max(1, width) - 1),
    ),
    shapes: new ShapeCosts(neck),
  } satisfies StepTables;
  for (let lower = 1; lower < FINGERS; lower += 1)
    for (let higher = lower + 1; higher < FINGERS; higher += 1)
      for (let low = 1; low < TABLE_FRETS; low += 1)
        for (let high = low; high < TABLE_FRETS; high += 1)
          tables.opening[openingAt(lower, higher, low, high)] = opening(
            costs,
            hand,
            neck,
            [lower, higher],
            [low, high],
          );
  for (let finger = 1; finger < FINGERS; finger += 1)
    for (let fret = 1; fret < TABLE_FRETS; fret += 1)
      for (let position = 1; position < TABLE_FRETS; position += 1)
        tables.deviation[deviationAt(finger, fret, position)] = deviation(
          costs,
          hand,
          neck,
          finger,
          fret,
          position,
        );
  for (let from = 1; from < TABLE_FRETS; from += 1)
    for (let to = 1; to < TABLE_FRETS; to += 1)
      tables.distance[from * TABLE_FRETS + to] =
        Math.abs(neck.tip[to]! - neck.tip[from]!) / MILLIMETRES_PER_CENTIMETRE;
  return tables;
};
