import type { BarDraft } from '../../score/draft/draft.ts';
import type { Parameters, ValuesOf } from './parameter.ts';

/** What a drill works on; drills of a group stand together. */
export const DRILL_GROUPS = ['lines', 'chords', 'left-hand', 'right-hand'] as const;
export type DrillGroup = (typeof DRILL_GROUPS)[number];

/** Care that a drill asks for: the hand is stretched, laid over strings, or moves in the same way for long. */
export type DrillCare = 'stretch' | 'barre' | 'repetition';

/** The music of a drill. What defines it is written at its notes (strings, fingers); the rest is left to the planner. */
export interface DrillMusic {
  readonly bars: readonly BarDraft[];
  /** Quarters a minute. */
  readonly tempo: number;
}

/** A kind of drill: what can be set, and the music it makes of that. */
export interface DrillKind<P extends Parameters = Parameters, Name extends string = string> {
  readonly name: Name;
  readonly group: DrillGroup;
  readonly care: readonly DrillCare[];
  readonly parameters: P;
  readonly make: (values: ValuesOf<P>) => DrillMusic;
}

/** A kind of drill with its types taken from what it is made of. */
export const drillKind = <const P extends Parameters, const Name extends string>(
  kind: DrillKind<P, Name>,
): DrillKind<P, Name> => kind;
