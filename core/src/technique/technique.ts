import type { Guitar } from '../instrument/guitar.ts';
import type { LeftPlan } from '../left/plan-left.ts';
import type { RightPlan } from '../right/plan-right.ts';
import type { Clock } from '../score/clock.ts';
import type { Score } from '../score/score.ts';
import { barreCare, barresOf, type Barre, type BarreCare } from './barres.ts';
import { blocksOf, type Block } from './blocks.ts';
import { guidesOf, heldFingersOf, type GuideFinger, type HeldFinger } from './guides.ts';
import { preparationsOf, type Preparation } from './preparation.ts';
import { shiftsOf, type Shift } from './shifts.ts';
import { slurSuggestions, type SlurSuggestion } from './slur-suggestions.ts';
import { staysOf, type Stay } from './stays.ts';

/** What the hands do, derived from their plans; never stored as truth. */
export interface Technique {
  readonly shifts: readonly Shift[];
  readonly barres: readonly Barre[];
  readonly barreCare: readonly BarreCare[];
  readonly stays: readonly Stay[];
  readonly guides: readonly GuideFinger[];
  readonly held: readonly HeldFinger[];
  readonly preparations: readonly Preparation[];
  readonly blocks: readonly Block[];
  readonly slurSuggestions: readonly SlurSuggestion[];
}

/** Every movement of a planned piece. Takes a time that grows with the length of the piece, and no faster. */
export const techniqueOf = (
  score: Score,
  left: LeftPlan,
  right: RightPlan,
  guitar: Guitar,
  clock: Clock,
): Technique => {
  const stays = staysOf(left);
  const preparations = preparationsOf(left, stays, clock);
  const barres = barresOf(left);
  return {
    shifts: shiftsOf(left, guitar, clock),
    barres,
    barreCare: barreCare(left, barres, preparations, clock),
    stays,
    guides: guidesOf(score, left, stays, clock),
    held: heldFingersOf(left, stays),
    preparations,
    blocks: blocksOf(score, left),
    slurSuggestions: slurSuggestions(left, right),
  };
};
