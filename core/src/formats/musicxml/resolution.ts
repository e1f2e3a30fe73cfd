import { leastCommonMultiple } from '../../music/time.ts';
import { childNumber } from '../xml/tree.ts';
import type { MeasureSource } from './measures.ts';

/** Ticks per quarter beyond which times are rounded: all tuplets up to 11 on 64ths stay exact below it. */
const FINEST_RESOLUTION = 1_000_000;
const FALLBACK_RESOLUTION = 55_440;

/** Ticks per quarter in which every duration of these bars is whole. */
export const resolutionOf = (measures: readonly MeasureSource[]): number => {
  let resolution = 16;
  for (const measure of measures)
    for (const child of measure.children) {
      const divisions = child.name === 'attributes' ? childNumber(child, 'divisions') : undefined;
      if (divisions === undefined || divisions <= 0 || !Number.isInteger(divisions)) continue;
      if (divisions > FINEST_RESOLUTION) continue;
      resolution = leastCommonMultiple(resolution, divisions);
      if (resolution > FINEST_RESOLUTION) return FALLBACK_RESOLUTION;
    }
  return resolution;
};
