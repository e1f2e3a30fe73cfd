import { summable } from '../../fingering/summable.ts';
import { EventCosts } from './event-costs.ts';
import type { PluckEvent } from '../events/events.ts';
import { RightLayer, RightLayerInTheMaking } from './layer.ts';
import { differsByConstant, isSameEvent, RightReturns } from './returns.ts';
import { afterEvent, FREE_RIGHT_HAND, remembersTwo, type RightState } from './step.ts';

/** The tables of a search, so that a later one can go on from the first event that changed. */
export interface RightTables {
  readonly events: readonly PluckEvent[];
  readonly layers: readonly RightLayer[];
}

/** What a search of the right hand may leave out, in units of effort. */
export interface RightBudget {
  /**
   * A state dearer than the cheapest by more than this is not followed. Not proven to lose nothing: the tests
   * compare it with Infinity.
   */
  readonly window: number;
  /**
   * A state is left out when another one with the same past on its fingers is cheaper by this much more than the
   * way of its fingers to the strings of the first one costs. Loses no price up to this: whatever follows from the
   * one could follow from the other.
   */
  readonly slack: number;
}

/** Highest price that is worked out; what is not listed costs more. In units of effort. */
export const RIGHT_PRICE_LIMIT = 3;
export const RIGHT_BUDGET: RightBudget = { window: 14, slack: RIGHT_PRICE_LIMIT };

const START = RightLayer.of({ state: [FREE_RIGHT_HAND], cost: [0], parent: [-1], option: [-1] }, [0]);

const advance = (
  layer: RightLayer,
  making: RightLayerInTheMaking,
  costs: EventCosts,
  [before, event, next]: readonly [PluckEvent | undefined, PluckEvent, PluckEvent | undefined],
  { window, slack }: RightBudget,
): RightLayer => {
  making.clear();
  costs.take(before, event);
  const remembers = remembersTwo(next);
  const limit = layer.least + window;
  for (let from = 0; from < layer.count; from += 1) {
    const reached = layer.cost[from]!;
    if (reached > limit) continue;
    const state = layer.state[from]! as RightState;
    for (let chosen = 0; chosen < event.options.length; chosen += 1) {
      const after = afterEvent(state, event, event.options[chosen]!, remembers);
      making.offer(after, reached + summable(costs.from(state, chosen)), from, chosen);
    }
  }
  return making.layer(slack);
};

/**
 * Exact dynamic programming over the events. With the tables of an earlier run of as many events it starts at the
 * first event that differs and stops where the states agree again but for a constant.
 */
export const searchPlucks = (
  events: readonly PluckEvent[],
  earlier?: RightTables,
  budget: RightBudget = RIGHT_BUDGET,
): RightTables => {
  const comparable = earlier !== undefined && earlier.events.length === events.length;
  const isSame = (index: number) => comparable && isSameEvent(earlier.events[index]!, events[index]!);
  let first = 0;
  while (first < events.length && isSame(first)) first += 1;
  let last = events.length - 1;
  while (last > first && isSame(last)) last -= 1;
  // What an event leaves behind depends on the one after it, too.
  first = Math.max(0, first - 1);
  const layers: RightLayer[] = comparable ? earlier.layers.slice(0, first) : [];
  const making = new RightLayerInTheMaking();
  const costs = new EventCosts();
  const returns = new RightReturns(events, layers);
  for (let index = first; index < events.length; index += 1) {
    const around = [events[index - 1], events[index]!, events[index + 1]] as const;
    const layer = returns.at(index) ?? advance(layers[index - 1] ?? START, making, costs, around, budget);
    layers.push(layer);
    // The event after a changed one looks back at it, hence one further.
    if (comparable && index > last && differsByConstant(layer, earlier.layers[index]!)) {
      layers.push(...earlier.layers.slice(index + 1));
      break;
    }
  }
  return { events, layers };
};

/** Index of the state that the cheapest way takes at every event. */
export const bestStates = ({ layers }: RightTables): readonly number[] => {
  const states: number[] = [];
  let at = layers.at(-1)?.cheapest ?? -1;
  for (let index = layers.length - 1; index >= 0; index -= 1) {
    states.push(at);
    at = layers[index]!.parent[at]!;
  }
  return states.reverse();
};

/** The cheapest option for every event. */
export const bestPlucks = (tables: RightTables): readonly (readonly number[])[] =>
  bestStates(tables).map((state, index) => {
    const { option } = tables.layers[index]!;
    return tables.events[index]!.options[option[state]!]!;
  });

/**
 * The cheapest fingers for the events from `first` up to, not including, `end`, when the hand comes to them in a state; what
 * follows is not looked at.
 */
export const searchStretch = (
  events: readonly PluckEvent[],
  first: number,
  end: number,
  state: RightState,
): readonly (readonly number[])[] => {
  const making = new RightLayerInTheMaking();
  const costs = new EventCosts();
  const layers: RightLayer[] = [];
  let layer = RightLayer.of({ state: [state], cost: [0], parent: [-1], option: [-1] }, [0]);
  for (let index = first; index < end; index += 1) {
    const around = [events[index - 1], events[index]!, events[index + 1]] as const;
    layer = advance(layer, making, costs, around, RIGHT_BUDGET);
    layers.push(layer);
  }
  return bestPlucks({ events: events.slice(first, end), layers });
};
