import { Layer, SLOTS, slotSound } from './layer.ts';
import type { Moment, Option } from './moment.ts';
import type { Ledger, Stepper } from './step.ts';

/** What a search may spend. */
export interface SearchBudget {
  /**
   * A state is left behind when another one holding the same notes is cheaper by more than this. Not proven to
   * lose nothing: the tests compare it with Infinity, which keeps everything.
   */
  readonly window: number;
  /** States kept at one moment; beyond it the cheapest are kept and the result is marked as not exact. */
  readonly maxStates: number;
}

export const DEFAULT_BUDGET: SearchBudget = { window: 7, maxStates: 6000 };

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

/** States that leave the same behind, cheapest first. */
const groupByResidue = (stepper: Stepper, layer: Layer | undefined): readonly (readonly number[])[] => {
  if (!layer) return [[0]];
  const groups = new Layer();
  const members: number[][] = [];
  const key = new Int32Array(SLOTS);
  const order = Array.from({ length: layer.count }, (_, state) => state).sort(
    (a, b) => layer.cost[a]! - layer.cost[b]! || a - b,
  );
  for (const state of order) {
    stepper.residue(layer, state, key, 0);
    const index = groups.find(0, key);
    if (index >= 0) members[index]!.push(state);
    else {
      groups.offer(0, key, 0, 0, 0);
      members.push([state]);
    }
  }
  return members;
};

/** Numbers equal keys alike, in order of appearance. */
const numbering = (): ((key: string) => number) => {
  const known = new Map<string, number>();
  return (key) => {
    const number = known.get(key) ?? known.size;
    known.set(key, number);
    return number;
  };
};

/**
 * All ways from the states of one layer to the next moment. Held notes are kept wherever some option keeps them;
 * only where none does, options that cut one are taken. States with the same residue reach the same state by
 * the same option and position, so they are tried cheapest first, and no further than the best found; what
 * `withinWindow` would drop anyway is not even tried.
 */
const advance = (
  stepper: Stepper,
  before: Layer | undefined,
  moment: Moment,
  window: number,
  isHeldOn: (sound: number) => boolean,
): Layer => {
  const layer = new Layer();
  const { options } = moment;
  stepper.prepare(before, moment);
  const reached = (state: number) => (before ? before.cost[state]! : 0);
  const parent = (state: number) => (before ? state : -1);

  // The cheapest way found so far to each set of notes that are held on.
  const optionKeys = numbering();
  const residueKeys = numbering();
  const heldByOption = options.map(({ placements }) =>
    optionKeys(
      placements
        .map(({ string, fret, finger }, index) =>
          isHeldOn(moment.struck[index]!) ? `${string}/${fret}/${finger}` : '',
        )
        .join(' '),
    ),
  );
  const heldByResidue = (state: number): number =>
    before
      ? residueKeys(
          before.slots
            .subarray(state * SLOTS, state * SLOTS + SLOTS)
            .map((slot) => (slot !== 0 && isHeldOn(slotSound(slot)) ? slot : 0))
            .join(),
        )
      : 0;
  let cheapest: number[] = [];

  const openOnly = (state: number, option: Option, index: number): void => {
    const position = stepper.positionOf(state);
    const shared = stepper.frame(state, option, position);
    stepper.settle(state);
    layer.offer(
      position,
      stepper.next,
      reached(state) + shared + stepper.costFrom(state),
      parent(state),
      index,
    );
  };
  const reach = (
    states: readonly number[],
    index: number,
    position: number,
    shared: number,
    stayingOnly: boolean,
  ): void => {
    const held = heldByOption[index]!;
    let best = Math.min(Infinity, (cheapest[held] ?? Infinity) + window);
    let from = -1;
    for (const state of states) {
      if (reached(state) + shared >= best) break;
      if (stayingOnly && stepper.positionOf(state) !== position) continue;
      const cost = reached(state) + shared + stepper.costFrom(state);
      if (cost >= best) continue;
      best = cost;
      from = state;
    }
    if (from < 0) return;
    cheapest[held] = Math.min(cheapest[held] ?? Infinity, best);
    stepper.settle(from);
    layer.offer(position, stepper.next, best, parent(from), index);
  };
  /** Tries one option from states of one residue; false when it would cut a held note and may not. */
  const attempt = (states: readonly number[], index: number, mayCut: boolean): boolean => {
    const option = options[index]!;
    const lead = states[0]!;
    if (option.fingersUsed === 0) {
      stepper.frame(lead, option, stepper.positionOf(lead));
      if (stepper.cuts > 0 && !mayCut) return false;
      for (const state of states) openOnly(state, option, index);
      return true;
    }
    for (const position of option.homes) {
      const shared = stepper.frame(lead, option, position);
      if (stepper.cuts > 0 && !mayCut) return false;
      reach(states, index, position, shared, false);
    }
    let tried = option.homesMask;
    for (const state of states) {
      const position = stepper.positionOf(state);
      if (position === 0 || (tried >> position) & 1) continue;
      tried |= 1 << position;
      const shared = stepper.frame(lead, option, position);
      if (stepper.cuts > 0 && !mayCut) return false;
      reach(states, index, position, shared, true);
    }
    return true;
  };

  const byHeld = new Map<number, number[]>();
  for (const states of groupByResidue(stepper, before)) {
    const held = heldByResidue(states[0]!);
    cheapest = byHeld.get(held) ?? [];
    byHeld.set(held, cheapest);
    let found = false;
    for (let index = 0; index < options.length; index += 1) found = attempt(states, index, false) || found;
    if (!found) for (let index = 0; index < options.length; index += 1) attempt(states, index, true);
  }
  return layer;
};

/** A layer with only the states named, in that order. */
const selection = (layer: Layer, states: readonly number[]): Layer => {
  const kept = new Layer();
  for (const index of states)
    kept.offer(
      layer.position[index]!,
      layer.slots.subarray(index * SLOTS, index * SLOTS + SLOTS),
      layer.cost[index]!,
      layer.parent[index]!,
      layer.option[index]!,
    );
  return kept;
};

const allStates = (layer: Layer): number[] => Array.from({ length: layer.count }, (_, index) => index);

/** The cheapest `limit` states of a layer. */
const trimmed = (layer: Layer, limit: number): Layer =>
  selection(
    layer,
    allStates(layer)
      .sort((a, b) => layer.cost[a]! - layer.cost[b]! || a - b)
      .slice(0, limit),
  );

/** The states within the window of the cheapest that holds the same notes on to the next moment. */
const withinWindow = (layer: Layer, window: number, isHeld: (sound: number) => boolean): Layer => {
  const groups = new Layer();
  const cheapest: number[] = [];
  const groupOf = new Int32Array(layer.count);
  const key = new Int32Array(SLOTS);
  for (let state = 0; state < layer.count; state += 1) {
    for (let k = 0; k < SLOTS; k += 1) {
      const slot = layer.slots[state * SLOTS + k]!;
      key[k] = slot !== 0 && isHeld(slotSound(slot)) ? slot : 0;
    }
    let group = groups.find(0, key);
    if (group < 0) {
      group = groups.count;
      groups.offer(0, key, 0, 0, 0);
      cheapest.push(Infinity);
    }
    groupOf[state] = group;
    cheapest[group] = Math.min(cheapest[group]!, layer.cost[state]!);
  }
  const kept = allStates(layer).filter((state) => layer.cost[state]! <= cheapest[groupOf[state]!]! + window);
  return kept.length === layer.count ? layer : selection(layer, kept);
};

const EQUAL = 1e-9;

/** Whether two layers hold the same states with costs that differ by one constant. */
const differsByConstant = (fresh: Layer, old: Layer): boolean => {
  if (fresh.count !== old.count) return false;
  let difference: number | undefined;
  for (let index = 0; index < fresh.count; index += 1) {
    const same = old.find(fresh.position[index]!, fresh.slots, index * SLOTS);
    if (same < 0) return false;
    const here = fresh.cost[index]! - old.cost[same]!;
    difference ??= here;
    if (Math.abs(here - difference) > EQUAL) return false;
  }
  return true;
};

/** The fresh layer in the order of the old one, so that layers after the old one may follow it. */
const inOrderOf = (fresh: Layer, old: Layer): Layer => {
  const ordered = new Layer();
  for (let index = 0; index < old.count; index += 1) {
    const same = fresh.find(old.position[index]!, old.slots, index * SLOTS);
    ordered.offer(
      fresh.position[same]!,
      fresh.slots.subarray(same * SLOTS, same * SLOTS + SLOTS),
      fresh.cost[same]!,
      fresh.parent[same]!,
      fresh.option[same]!,
    );
  }
  return ordered;
};

/**
 * Exact dynamic programming over the moments of a piece. With the tables of an earlier run it starts at the
 * first moment whose options differ and stops as soon as the states agree again but for a constant, since from
 * there on the old choices stay the best.
 */
export const search = (
  stepper: Stepper,
  moments: readonly Moment[],
  budget: SearchBudget = DEFAULT_BUDGET,
  earlier?: SearchTables,
  onProgress?: (done: number) => void,
): SearchTables => {
  const changed = moments.flatMap((moment, index) => (earlier?.moments[index] === moment ? [] : [index]));
  const comparable = earlier !== undefined && earlier.moments.length === moments.length;
  const first = comparable ? (changed[0] ?? moments.length) : 0;
  const last = comparable ? (changed.at(-1) ?? -1) : moments.length;
  const layers: Layer[] = comparable ? earlier.layers.slice(0, first) : [];
  let exact = !comparable || earlier.exact;
  let computed = 0;
  for (let index = first; index < moments.length; index += 1) {
    const nextOnset = moments[index + 1]?.onset ?? Infinity;
    const isHeldOn = (sound: number) => stepper.endOf(sound) > nextOnset;
    let layer = advance(stepper, layers[index - 1], moments[index]!, budget.window, isHeldOn);
    computed += 1;
    if (budget.window < Infinity) layer = withinWindow(layer, budget.window, isHeldOn);
    if (layer.count > budget.maxStates) {
      exact = false;
      layer = trimmed(layer, budget.maxStates);
    }
    const old = comparable ? earlier.layers[index] : undefined;
    if (old && index >= last && differsByConstant(layer, old)) {
      layers.push(inOrderOf(layer, old), ...earlier!.layers.slice(index + 1));
      break;
    }
    layers.push(layer);
    onProgress?.(index + 1);
  }
  return { moments, layers, exact, computed };
};

/** The cheapest way through the tables. */
export const bestPath = ({ layers }: SearchTables): readonly PathStep[] => {
  const path: PathStep[] = [];
  let state = layers.at(-1)?.cheapest() ?? -1;
  for (let index = layers.length - 1; index >= 0; index -= 1) {
    const layer = layers[index]!;
    path.push({ option: layer.option[state]!, position: layer.position[state]!, state });
    state = layer.parent[state]!;
  }
  return path.reverse();
};

/** Walks a path again and hands every amount to `ledger`; the sum is the cost of the path. */
export const accountFor = (
  stepper: Stepper,
  { moments, layers }: SearchTables,
  path: readonly PathStep[],
  ledger: Ledger,
): number =>
  path.reduce((total, { option, position }, index) => {
    const moment = moments[index]!;
    const state = index === 0 ? 0 : path[index - 1]!.state;
    stepper.prepare(layers[index - 1], moment, state);
    const shared = stepper.frame(state, moment.options[option]!, position, ledger);
    return total + shared + stepper.costFrom(state, ledger);
  }, 0);
