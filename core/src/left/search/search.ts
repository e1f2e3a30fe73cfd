import { Advance } from './advance.ts';
import { DEFAULT_BUDGET, type SearchBudget } from './budget.ts';
import { differByConstant, type Layer } from './layer.ts';
import { ALL_POSITIONS, type Moment } from '../moments/ways-at-moment.ts';
import type { Stepper } from './step.ts';

/** The tables of a search, kept so that a later one can go on from the first moment that changed. */
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
 * Exact dynamic programming over the moments of a piece. With the tables of an earlier run it starts at the
 * first moment whose options differ. As soon as the states agree again but for a constant the old choices stay the
 * best, up to the next moment that differs; costs of layers taken over are then those of the earlier run. A search through
 * a part of a piece begins from the state `start` of the moment before it, as the earlier one must have.
 */
export const search = (
  stepper: Stepper,
  moments: readonly Moment[],
  budget: SearchBudget = DEFAULT_BUDGET,
  earlier?: SearchTables,
  onProgress?: (done: number) => void,
  start?: Layer,
): SearchTables => {
  const changed = moments.flatMap((moment, index) => (earlier?.moments[index] === moment ? [] : [index]));
  const first = changed[0] ?? moments.length;
  const layers: Layer[] = earlier?.layers.slice(0, first) ?? [];
  let exact = earlier?.exact ?? true;
  let computed = 0;
  const taken = [...moments];
  const advance = new Advance(stepper, budget);
  for (let index = first; index < moments.length; index += 1) {
    const before = index === 0 ? start : layers[index - 1];
    let reached = advance.step(before, moments[index]!);
    if (reached.layer.count === 0) {
      // No hand can come into the positions asked for: the rule gives way, and the plan shows that it did.
      const relaxed: Moment = { ...moments[index]!, positions: ALL_POSITIONS };
      taken[index] = relaxed;
      reached = advance.step(before, relaxed);
    }
    computed += 1;
    exact &&= reached.exact;
    const old = earlier?.layers[index];
    layers.push(reached.layer);
    if (old && differByConstant(reached.layer, old)) {
      // From here to the next change everything follows as before.
      const next = changed.find((each) => each > index) ?? moments.length;
      layers.push(...earlier!.layers.slice(index + 1, next));
      index = next - 1;
    }
    onProgress?.(index + 1);
  }
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
