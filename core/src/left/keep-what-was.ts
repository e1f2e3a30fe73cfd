import { detoursOf, MEETS_AGAIN, type Detour, type Stretch } from '../fingering/felt-nearby.ts';
import { isSameTaking, type LeftChoice } from './left-plan.ts';
import type { Moment } from './moments/ways-at-moment.ts';
import type { Accounted } from './search/accounts.ts';
import { Advance } from './search/advance.ts';
import { DEFAULT_BUDGET } from './search/budget.ts';
import { layerOf, SLOTS, StateTable, type Layer } from './search/layer.ts';
import type { PathStep } from './search/search.ts';
import type { Stepper } from './search/step.ts';

/** How a piece was taken before, by sound. */
export type TakenBefore = readonly (Pick<LeftChoice, 'string' | 'finger'> | undefined)[];

type Steps = readonly PathStep[];

/** Looks for ways through a solved piece that take at some moments what they took before. */
class Detours {
  private readonly table = new StateTable();
  private readonly advance: Advance;
  private readonly solved: Accounted;

  constructor(stepper: Stepper, solved: Accounted) {
    this.advance = new Advance(stepper, DEFAULT_BUDGET);
    this.solved = solved;
  }

  /** The cheapest way from the state before a stretch back into the path after it; `only` names what is left to a moment. */
  through({ first, end }: Stretch, only: (index: number) => number | undefined): Detour<Steps> | undefined {
    const { accounts, path, tables } = this.solved;
    const start = first === 0 ? undefined : layerOf(tables.layers[first - 1]!, [path[first - 1]!.state]);
    const begun = start?.cost[0] ?? 0;
    const layers: Layer[] = [];
    let spent = 0;
    for (let index = first; index < Math.min(path.length, end + MEETS_AGAIN); index += 1) {
      const moment = tables.moments[index]!;
      const option = only(index);
      const narrowed = option === undefined ? moment : { ...moment, only: option };
      const nextOnset = tables.moments[index + 1]?.onset ?? Infinity;
      const { layer } = this.advance.step(layers.at(-1) ?? start, narrowed, nextOnset);
      if (layer.count === 0) return undefined;
      layers.push(layer);
      spent += accounts[index]!.cost;
      if (index < end - 1) continue;
      const isLast = index === path.length - 1;
      const state = isLast ? 0 : this.find(layer, tables.layers[index]!, path[index]!.state);
      if (state < 0) continue;
      const way = this.stepsTo(layers, state, first);
      return way && { way, price: layer.cost[state]! - begun - spent };
    }
    return undefined;
  }

  /** Where a layer has the same state as another, or −1. */
  private find(layer: Layer, other: Layer, state: number): number {
    this.table.load(layer);
    return this.table.find(other.position[state]!, other.slots, state * SLOTS);
  }

  /** The way to a state of the last of some layers, by the states of the tables; undefined when those have left one behind. */
  private stepsTo(layers: readonly Layer[], last: number, first: number): Steps | undefined {
    const steps: PathStep[] = [];
    for (let at = layers.length - 1, own = last; at >= 0; at -= 1) {
      const layer = layers[at]!;
      const state = this.find(this.solved.tables.layers[first + at]!, layer, own);
      if (state < 0) return undefined;
      steps.push({ option: layer.option[own]!, position: layer.position[own]!, state });
      own = layer.parent[own]!;
    }
    return steps.reverse();
  }
}

/**
 * The path of a solved piece, led so that a decision is felt where it is made: away from the moments that cannot be taken as
 * before, notes are taken as they were as long as the whole costs no more than a near tie above the cheapest. `bars` has the
 * bar of every moment.
 */
export const keepWhatWas = (
  stepper: Stepper,
  solved: Accounted,
  bars: readonly number[],
  was: TakenBefore,
): readonly PathStep[] => {
  const { path, tables } = solved;
  const takesWhatWas = ({ options, struck }: Moment, option: number): boolean =>
    options.assignments[option]!.placements.every((placement, place) =>
      isSameTaking(placement, was[struck[place]!]),
    );
  const optionThatWas = (index: number): number => {
    const moment = tables.moments[index]!;
    return moment.options.assignments.findIndex((_, option) => takesWhatWas(moment, option));
  };
  const detours = new Detours(stepper, solved);
  const ways = detoursOf<Steps>({
    bars,
    departing: path.flatMap(({ option }, index) =>
      takesWhatWas(tables.moments[index]!, option) ? [] : [index],
    ),
    isDecided: (index) => optionThatWas(index) < 0,
    through: (stretch, isFree) =>
      detours.through(stretch, (index) => (isFree(index) ? undefined : optionThatWas(index))),
  });
  if (ways.size === 0) return path;
  const kept = [...path];
  for (const [{ first }, steps] of ways) steps.forEach((step, place) => (kept[first + place] = step));
  return kept;
};
