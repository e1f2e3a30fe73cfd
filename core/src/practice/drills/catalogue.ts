import { arpeggio } from './arpeggio.ts';
import type { DrillKind } from './drill-kind.ts';
import { chromatic, fingerPairs, slurPairs } from './finger-drills.ts';
import { barreSteps, bassDamping, harmonics } from './hand-drills.ts';
import { intervals } from './intervals.ts';
import { accents, homeStrings, rightOrders, strums, tremolo } from './right-hand-drills.ts';
import { scale, scaleInPosition, scaleOnOneString } from './scale.ts';

const KINDS = [
  scale,
  scaleInPosition,
  scaleOnOneString,
  arpeggio,
  intervals,
  chromatic,
  fingerPairs,
  slurPairs,
  barreSteps,
  harmonics,
  rightOrders,
  homeStrings,
  tremolo,
  accents,
  strums,
  bassDamping,
] as const;
export type DrillName = (typeof KINDS)[number]['name'];

/** Every kind of drill, in the order in which they are shown. */
export const DRILL_KINDS = KINDS as unknown as readonly (DrillKind & { readonly name: DrillName })[];
