import { covers, type PassageRule } from '../../fingering/rules.ts';
import { ALL_POSITIONS } from './ways-at-moment.ts';

/** What the rules ask in a bar. */
export interface Ruled {
  /** Hand positions they leave open: bit p is position p. */
  readonly positions: number;
  /** Whether open strings are to be avoided. */
  readonly stopped: boolean;
  /** Fret at which the index lies flat; undefined for none. */
  readonly barre: number | undefined;
  /** Whether no finger may lie over several strings. */
  readonly noBarre: boolean;
}

export const ruledIn = (rules: readonly PassageRule[], bar: number): Ruled => {
  let positions = ALL_POSITIONS;
  let stopped = false;
  let barre: number | undefined;
  let noBarre = false;
  for (const rule of rules) {
    if (!covers(rule, bar)) continue;
    if (rule.kind === 'position') positions &= 1 << rule.position;
    if (rule.kind === 'stopped') stopped = true;
    if (rule.kind === 'barre') barre = rule.fret;
    if (rule.kind === 'no-barre') noBarre = true;
  }
  return { positions, stopped, barre, noBarre };
};
