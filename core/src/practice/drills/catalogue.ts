import { arpeggio } from './arpeggio.ts';
import type { DrillKind } from './drill-kind.ts';
import { chromatic, fingerPairs, slurPairs } from './finger-drills.ts';
import { barreSteps } from './barre-steps.ts';
import { bassDamping } from './bass-damping.ts';
import { artificialHarmonics, harmonics } from './harmonics.ts';
import { intervals } from './intervals.ts';
import { accents, threeAgainstTwo } from './rhythms.ts';
import { homeStrings, levels, rightOrders } from './right-orders.ts';
import { scale, scaleInPosition, scaleOnOneString, scaleWithShift } from './scale.ts';
import { strums } from './strums.ts';
import { tremolo } from './tremolo.ts';

const KINDS = [
  scale,
  scaleInPosition,
  scaleWithShift,
  scaleOnOneString,
  arpeggio,
  intervals,
  chromatic,
  fingerPairs,
  slurPairs,
  barreSteps,
  harmonics,
  artificialHarmonics,
  rightOrders,
  homeStrings,
  levels,
  tremolo,
  accents,
  threeAgainstTwo,
  strums,
  bassDamping,
] as const;
export type DrillName = (typeof KINDS)[number]['name'];

/** Every kind of drill, in the order in which they are shown. */
export const DRILL_KINDS = KINDS as unknown as readonly (DrillKind & { readonly name: DrillName })[];
