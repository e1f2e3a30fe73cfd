import { Advance } from './advance.ts';
import { DEFAULT_BUDGET, type SearchBudget } from './budget.ts';
import { differByConstant, type Layer } from './layer.ts';
import { Returns } from './returns.ts';
import { ALL_POSITIONS, type Moment } from '../moments/ways-at-moment.ts';
import type { Stepper } from './step.ts';

/** The tables of a search, kept so that a later one only computes what changed. */
export interface SearchTables {
  readonly moments: readonly Moment[];
  readonly layers: readonly Layer[];
  readonly exact: boolean;
  /** Moments that were computed anew in the last run. */
  readonly computed: number;
}

/** One moment of the chosen way. */
export interface PathStep {
  readonly option: number;
  readonly position: number;
  /** Index of the state in its layer. */
  readonly state: number;
}

/**
 * Exact dynamic programming over the moments of a piece. From the tables of earlier runs it takes over whatever a moment makes
 * of the states before it, as long as those agree but for a constant: the old choices stay the best; costs of layers taken
 * over are those of the run that they come from. A search through a part of a piece begins from the state `start` of
 * the moment before it, as the earlier ones must have.
 */
export const search = (
  stepper: Stepper,
  moments: readonly Moment[],
  budget: SearchBudget = DEFAULT_BUDGET,
  earlier: readonly SearchTables[] = [],
  onProgress?: (done: number) => void,
  start?: Layer,
): SearchTables => {
  const layers: Layer[] = [];
  const taken = [...moments];
  const advance = new Advance(stepper, budget);
  const returns = new Returns(stepper.sounds, taken, layers);
  let exact = earlier.every((tables) => tables.exact);
  let computed = 0;
  /** Runs whose states at the moment before are those of this one. */
  let agreeing = earlier;
  moments.forEach((moment, index) => {
    const known = agreeing.find((tables) => tables.moments[index] === moment);
    const layer = known?.layers[index] ?? returns.at(index);
    if (layer) layers.push(layer);
    else {
      const before = index === 0 ? start : layers[index - 1];
      let reached = advance.step(before, moment);
      if (reached.layer.count === 0) {
        // No hand can come into the positions asked for: the rule gives way, and the plan shows that it did.
        taken[index] = { ...moment, positions: ALL_POSITIONS };
        reached = advance.step(before, taken[index]);
      }
      computed += 1;
      exact &&= reached.exact;
      layers.push(reached.layer);
    }
    agreeing = earlier.filter(
      ({ layers: { [index]: layer } }) => layer && differByConstant(layers[index]!, layer),
    );
    onProgress?.(index + 1);
  });
  return { moments: taken, layers, exact, computed };
};

/** The cheapest way through the tables. Cheapest first: it ends in the first state of the last layer. */
export const bestPath = ({ layers }: SearchTables): readonly PathStep[] =>
  pathTo(layers, layers.length - 1, 0);

/** The cheapest way to a state of one of some layers. */
export const pathTo = (layers: readonly Layer[], last: number, state: number): readonly PathStep[] => {
  const path: PathStep[] = [];
  let own = state;
  for (let index = last; index >= 0; index -= 1) {
    const layer = layers[index]!;
    path.push({ option: layer.option[own]!, position: layer.position[own]!, state: own });
    own = layer.parent[own]!;
  }
  return path.reverse();
};
