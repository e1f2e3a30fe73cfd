import { RIGHT_COSTS } from './costs.ts';
import { pastOf, RIGHT_PASTS, stringOf, type RightState } from './step.ts';

/** States with the cheapest way to each: its cost, the state before and the option taken. */
export interface StatesWithCosts {
  readonly state: ArrayLike<number>;
  readonly cost: ArrayLike<number>;
  readonly parent: ArrayLike<number>;
  readonly option: ArrayLike<number>;
}

/** States reached at one event with the cheapest way to each. */
export class RightLayer implements StatesWithCosts {
  readonly state: Int32Array;
  readonly cost: Float64Array;
  /** Index of the state before in its layer, and of the option taken. */
  readonly parent: Int32Array;
  readonly option: Int32Array;
  /** Index of the cheapest state, −1 without any. */
  readonly cheapest: number;

  private constructor(state: Int32Array, cost: Float64Array, parent: Int32Array, option: Int32Array) {
    this.state = state;
    this.cost = cost;
    this.parent = parent;
    this.option = option;
    let cheapest = cost.length > 0 ? 0 : -1;
    for (let index = 1; index < cost.length; index += 1) if (cost[index]! < cost[cheapest]!) cheapest = index;
    this.cheapest = cheapest;
  }

  /** Some states of another layer, in the order given. */
  static of(from: StatesWithCosts, kept: readonly number[]): RightLayer {
    const { length } = kept;
    const state = new Int32Array(length);
    const cost = new Float64Array(length);
    const parent = new Int32Array(length);
    const option = new Int32Array(length);
    for (let index = 0; index < length; index += 1) {
      const own = kept[index]!;
      state[index] = from.state[own]!;
      cost[index] = from.cost[own]!;
      parent[index] = from.parent[own]!;
      option[index] = from.option[own]!;
    }
    return new RightLayer(state, cost, parent, option);
  }

  /** The same states and ways, all dearer by an amount. */
  dearerBy(amount: number): RightLayer {
    const cost = this.cost.map((each) => each + amount);
    return new RightLayer(this.state, cost, this.parent, this.option);
  }

  get count(): number {
    return this.state.length;
  }

  get least(): number {
    return this.cheapest < 0 ? Infinity : this.cost[this.cheapest]!;
  }
}

const { leaveString, stringExchanged, thumbLeaves } = RIGHT_COSTS;
const FARTHEST = 5;

/** What it costs a finger at most to stand on one string where it could stand on another; 0 is no string yet. */
const detour = (from: number, to: number, perString: number): number =>
  (from === to ? 0 : stringExchanged) +
  perString * (from === 0 ? 0 : to === 0 ? FARTHEST : Math.abs(from - to));

/**
 * Where packed states stand in a layer: a small hash table, since one place for each possible state would lie
 * across four megabytes of memory.
 */
export class PlacesOfStates {
  private count = 0;
  private state = new Int32Array(1024).fill(-1);
  private place = new Int32Array(1024);

  clear(): void {
    this.count = 0;
    this.state.fill(-1);
  }

  /** Index of a state, or −1. */
  find(state: number): number {
    const mask = this.state.length - 1;
    let at = Math.imul(state, 0x9e3779b1) >>> 16;
    for (;;) {
      const known = this.state[at & mask]!;
      if (known === state) return this.place[at & mask]!;
      if (known < 0) return -1;
      at += 1;
    }
  }

  /** Adds a state that is not there yet. */
  add(state: number, place: number): void {
    this.count += 1;
    if (this.count * 2 > this.state.length) this.grow();
    this.put(state, place);
  }

  private put(state: number, place: number): void {
    const mask = this.state.length - 1;
    let at = Math.imul(state, 0x9e3779b1) >>> 16;
    while (this.state[at & mask]! >= 0) at += 1;
    this.state[at & mask] = state;
    this.place[at & mask] = place;
  }

  private grow(): void {
    const { place, state } = this;
    this.state = new Int32Array(state.length * 2).fill(-1);
    this.place = new Int32Array(state.length * 2);
    state.forEach((each, at) => {
      if (each >= 0) this.put(each, place[at]!);
    });
  }
}

/** A layer in the making: flat arrays that grow and are used again for every event. */
export class RightLayerInTheMaking implements StatesWithCosts {
  private count = 0;
  state = new Int32Array(256);
  cost = new Float64Array(256);
  parent = new Int32Array(256);
  option = new Int32Array(256);
  private readonly places = new PlacesOfStates();
  /** By what states have in common: the cheapest of them. */
  private readonly cheapestOf = new Int32Array(RIGHT_PASTS).fill(-1);

  clear(): void {
    this.places.clear();
    this.count = 0;
  }

  /** Keeps the cheaper way to a state. */
  offer(state: RightState, cost: number, parent: number, option: number): void {
    let at = this.places.find(state);
    if (at >= 0 && cost >= this.cost[at]!) return;
    if (at < 0) {
      if (this.count === this.state.length) this.grow();
      at = this.count;
      this.count += 1;
      this.places.add(state, at);
      this.state[at] = state;
    }
    this.cost[at] = cost;
    this.parent[at] = parent;
    this.option[at] = option;
  }

  private grow(): void {
    const wider = <T extends Int32Array | Float64Array>(from: T, to: T): T => {
      to.set(from as never);
      return to;
    };
    const capacity = this.count * 2;
    this.state = wider(this.state, new Int32Array(capacity));
    this.cost = wider(this.cost, new Float64Array(capacity));
    this.parent = wider(this.parent, new Int32Array(capacity));
    this.option = wider(this.option, new Int32Array(capacity));
  }

  /** The states that no other one with the same past makes needless, in the order in which they were found. */
  layer(slack: number): RightLayer {
    const { cheapestOf, cost, count, state } = this;
    for (let index = 0; index < count; index += 1) {
      const past = pastOf(state[index]!);
      const known = cheapestOf[past]!;
      if (known < 0 || cost[index]! < cost[known]!) cheapestOf[past] = index;
    }
    const kept: number[] = [];
    for (let index = 0; index < count; index += 1) {
      const own = state[index]!;
      const best = cheapestOf[pastOf(own)]!;
      const other = state[best]!;
      const detours =
        detour(stringOf(other, 0), stringOf(own, 0), thumbLeaves) +
        detour(stringOf(other, 1), stringOf(own, 1), leaveString) +
        detour(stringOf(other, 2), stringOf(own, 2), leaveString) +
        detour(stringOf(other, 3), stringOf(own, 3), leaveString);
      if (cost[index]! <= cost[best]! + detours + slack) kept.push(index);
    }
    for (let index = 0; index < count; index += 1) cheapestOf[pastOf(state[index]!)] = -1;
    return RightLayer.of(this, kept);
  }
}
