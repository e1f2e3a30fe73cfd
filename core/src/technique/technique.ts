import type { Performance } from '../performance/performance.ts';
import { barreCare, type Barre, type BarreCare } from './barres.ts';
import { blocksOf, type Block } from './blocks.ts';
import { guidesOf, heldFingersOf, type GuideFinger, type HeldFinger } from './guides.ts';
import { preparationsOf, type Preparation } from './preparation.ts';
import type { Shift } from './shifts.ts';
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

/** Works out something when it is first asked for. */
const whenAsked = <Made>(make: () => Made): (() => Made) => {
  let made: { readonly value: Made } | undefined;
  return () => (made ??= { value: make() }).value;
};

/**
 * Every movement of a planned piece around its shifts and barres, which are worked out already. Takes a time that grows
 * with the length of the piece, and no faster; what is seldom needed is worked out when it is first asked for.
 */
export const techniqueOf = (
  performance: Performance,
  { shifts, barres }: Pick<Technique, 'shifts' | 'barres'>,
): Technique => {
  const stays = staysOf(performance.left);
  const preparations = whenAsked(() => preparationsOf(performance, stays));
  const care = whenAsked(() => barreCare(performance, barres, preparations()));
  const blocks = whenAsked(() => blocksOf(performance));
  return {
    shifts,
    barres,
    stays,
    guides: guidesOf(performance, stays),
    held: heldFingersOf(performance.left, stays),
    slurSuggestions: slurSuggestions(performance),
    get preparations() {
      return preparations();
    },
    get barreCare() {
      return care();
    },
    get blocks() {
      return blocks();
    },
  };
};
