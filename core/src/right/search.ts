import { RIGHT_COSTS, type RightSchool } from './costs.ts';
import type { PluckEvent } from './events.ts';
import {
  afterEvent,
  approachTo,
  FREE_RIGHT_HAND,
  moveCost,
  placeCost,
  RIGHT_STATES,
  type RightState,
} from './step.ts';

/** States reached at one event with the cheapest way to each. */
interface Reached {
  readonly states: readonly RightState[];
  readonly cost: readonly number[];
  readonly parent: readonly number[];
  readonly option: readonly number[];
}

/** The tables of a search, so that a later one can go on from the first event that changed. */
export interface RightTables {
  readonly events: readonly PluckEvent[];
  readonly layers: readonly Reached[];
}

/**
 * How much more than the cheapest a state may cost and still be followed. Not proven to lose nothing: the tests
 * compare it with no window.
 */
const WINDOW = 14;
const EQUAL = 1e-9;

/** Where each packed state stands in the layer being made, −1 when it does not: used again by every search. */
const place = new Int32Array(RIGHT_STATES).fill(-1);

const START: Reached = { states: [FREE_RIGHT_HAND], cost: [0], parent: [-1], option: [-1] };

const least = (values: readonly number[]): number => values.reduce((a, b) => (b < a ? b : a), Infinity);

const sameEvent = (a: PluckEvent, b: PluckEvent): boolean =>
  a.secondsBefore === b.secondsBefore &&
  a.load === b.load &&
  a.options.length === b.options.length &&
  a.options.every((option, index) => option.every((rank, place) => rank === b.options[index]![place])) &&
  a.notes.length === b.notes.length &&
  a.notes.every(
    ({ sound, string, voice, isRepeated }, index) =>
      sound === b.notes[index]!.sound &&
      string === b.notes[index]!.string &&
      voice === b.notes[index]!.voice &&
      isRepeated === b.notes[index]!.isRepeated,
  );

/** Whether two layers hold the same states, in the same order, with costs that differ by one constant. */
const differsByConstant = (a: Reached, b: Reached): boolean =>
  a.states.length === b.states.length &&
  a.states.every(
    (state, index) =>
      state === b.states[index] &&
      Math.abs(a.cost[index]! - b.cost[index]! - (a.cost[0]! - b.cost[0]!)) < EQUAL,
  );

const advance = (
  layer: Reached,
  before: PluckEvent | undefined,
  event: PluckEvent,
  next: PluckEvent | undefined,
  school: RightSchool,
  window: number,
): Reached => {
  const made = {
    states: [] as RightState[],
    cost: [] as number[],
    parent: [] as number[],
    option: [] as number[],
  };
  const approach = approachTo(RIGHT_COSTS, school, before, event);
  const places = event.options.map((option) => placeCost(RIGHT_COSTS, school, event, option));
  // Who played last but one matters only to a note that is struck again.
  const remembers = next?.notes.some((note) => note.isRepeated) ?? false;
  const limit = least(layer.cost) + window;
  for (let from = 0; from < layer.states.length; from += 1) {
    const reached = layer.cost[from]!;
    if (reached > limit) continue;
    const state = layer.states[from]!;
    for (let chosen = 0; chosen < event.options.length; chosen += 1) {
      const option = event.options[chosen]!;
      const cost = reached + places[chosen]! + moveCost(RIGHT_COSTS, approach, state, option);
      const after = afterEvent(state, event, option, remembers);
      const at = place[after]!;
      if (at < 0) {
        place[after] = made.states.length;
        made.states.push(after);
        made.cost.push(cost);
        made.parent.push(from);
        made.option.push(chosen);
      } else if (cost < made.cost[at]!) {
        made.cost[at] = cost;
        made.parent[at] = from;
        made.option[at] = chosen;
      }
    }
  }
  for (const state of made.states) place[state] = -1;
  return made;
};

/**
 * Exact dynamic programming over the events. With the tables of an earlier run of as many events it starts at the
 * first event that differs and stops where the states agree again but for a constant.
 */
export const searchPlucks = (
  events: readonly PluckEvent[],
  school: RightSchool,
  earlier?: RightTables,
  window = WINDOW,
): RightTables => {
  const comparable = earlier !== undefined && earlier.events.length === events.length;
  const isSame = (index: number) => comparable && sameEvent(earlier.events[index]!, events[index]!);
  let first = 0;
  while (first < events.length && isSame(first)) first += 1;
  let last = events.length - 1;
  while (last > first && isSame(last)) last -= 1;
  // What an event leaves behind depends on the one after it, too.
  first = Math.max(0, first - 1);
  const layers: Reached[] = comparable ? earlier.layers.slice(0, first) : [];
  for (let index = first; index < events.length; index += 1) {
    const layer = advance(
      layers[index - 1] ?? START,
      events[index - 1],
      events[index]!,
      events[index + 1],
      school,
      window,
    );
    layers.push(layer);
    // The event after a changed one looks back at it, hence one further.
    if (comparable && index > last && differsByConstant(layer, earlier.layers[index]!)) {
      layers.push(...earlier.layers.slice(index + 1));
      break;
    }
  }
  return { events, layers };
};

/** The cheapest option for every event. */
export const bestPlucks = ({ events, layers }: RightTables): readonly (readonly number[])[] => {
  const chosen: (readonly number[])[] = [];
  const end = layers.at(-1);
  let at = end ? end.cost.indexOf(least(end.cost)) : -1;
  for (let index = events.length - 1; index >= 0; index -= 1) {
    chosen.push(events[index]!.options[layers[index]!.option[at]!]!);
    at = layers[index]!.parent[at]!;
  }
  return chosen.reverse();
};
