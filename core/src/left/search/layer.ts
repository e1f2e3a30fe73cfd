/** What lies on the strings, and the fret at which the index has been laid flat: the slots of a state. */
export const SLOTS = 7;
/** The slot of the flat index: its fret as long as it keeps to it, on its tip or flat; 0 when it has not been laid down. */
export const FLAT = 6;
const SLOT_SOUND = 2048;
const SLOT_FRET = 8;

/** What lies on a string, packed: sound, fret (0 to 255), finger (0 open, 1 to 4). 0 is an empty string. */
export const packSlot = (sound: number, fret: number, finger: number): number =>
  (sound + 1) * SLOT_SOUND + fret * SLOT_FRET + finger;
export const slotSound = (slot: number): number => ((slot / SLOT_SOUND) | 0) - 1;
export const slotFret = (slot: number): number => (slot % SLOT_SOUND) >> 3;
export const slotFinger = (slot: number): number => slot & 7;

/** What lies on a string as it would with a later sound. */
export const slotMovedBy = (slot: number, sounds: number): number =>
  slot === 0 ? 0 : slot + sounds * SLOT_SOUND;

/**
 * All states of the hand at one moment, cheapest first: hand position, what lies on every string, the least cost of
 * reaching it, and the state and option it came from.
 */
export interface Layer {
  readonly count: number;
  readonly cost: Float64Array;
  readonly parent: Int32Array;
  readonly option: Int32Array;
  readonly position: Uint8Array;
  readonly slots: Int32Array;
}

const hashOf = (position: number, slots: ArrayLike<number>, from: number): number => {
  let hash = Math.imul(position, 0x9e3779b1);
  for (let slot = 0; slot < SLOTS; slot += 1)
    hash = Math.imul(hash ^ slots[from + slot]!, 0x85ebca6b) ^ (hash >>> 13);
  return hash ^ (hash >>> 16);
};

/** States in the making: a hash table over flat arrays that grow, used again for every moment. */
export class StateTable {
  count = 0;
  cost = new Float64Array(64);
  parent = new Int32Array(64);
  option = new Int32Array(64);
  position = new Uint8Array(64);
  slots = new Int32Array(64 * SLOTS);
  private table = new Int32Array(128).fill(-1);

  clear(): void {
    this.count = 0;
    this.table.fill(-1);
  }

  /** Takes up the states of a layer, to find them by what they are. */
  load(layer: Layer): void {
    this.clear();
    for (let state = 0; state < layer.count; state += 1)
      this.offer(
        layer.position[state]!,
        layer.slots,
        state * SLOTS,
        layer.cost[state]!,
        layer.parent[state]!,
        layer.option[state]!,
      );
  }

  /** Where a state is in the table of hashes, or the free place for it. */
  private placeOf(position: number, slots: ArrayLike<number>, from: number): number {
    const mask = this.table.length - 1;
    let at = hashOf(position, slots, from) & mask;
    for (;;) {
      const index = this.table[at]!;
      if (index < 0 || this.matches(index, position, slots, from)) return at;
      at = (at + 1) & mask;
    }
  }

  private matches(index: number, position: number, slots: ArrayLike<number>, from: number): boolean {
    if (this.position[index] !== position) return false;
    const base = index * SLOTS;
    for (let slot = 0; slot < SLOTS; slot += 1)
      if (this.slots[base + slot] !== slots[from + slot]) return false;
    return true;
  }

  private compare(one: number, other: number): number {
    let difference = this.position[one]! - this.position[other]!;
    for (let slot = 0; difference === 0 && slot < SLOTS; slot += 1)
      difference = this.slots[one * SLOTS + slot]! - this.slots[other * SLOTS + slot]!;
    return difference;
  }

  /** Index of a state, or −1. */
  find(position: number, slots: ArrayLike<number>, from = 0): number {
    return this.table[this.placeOf(position, slots, from)]!;
  }

  /** Keeps the cheaper way to a state and returns its index. */
  offer(
    position: number,
    slots: ArrayLike<number>,
    from: number,
    cost: number,
    parent: number,
    option: number,
  ): number {
    if (this.count === this.cost.length) this.grow();
    const at = this.placeOf(position, slots, from);
    let index = this.table[at]!;
    if (index >= 0 && cost >= this.cost[index]!) return index;
    if (index < 0) {
      index = this.count;
      this.count += 1;
      this.table[at] = index;
      this.position[index] = position;
      for (let slot = 0; slot < SLOTS; slot += 1) this.slots[index * SLOTS + slot] = slots[from + slot]!;
    }
    this.cost[index] = cost;
    this.parent[index] = parent;
    this.option[index] = option;
    return index;
  }

  private grow(): void {
    const capacity = this.cost.length * 2;
    const copy = <T extends Float64Array | Int32Array | Uint8Array>(from: T, to: T): T => {
      to.set(from as never);
      return to;
    };
    this.cost = copy(this.cost, new Float64Array(capacity));
    this.parent = copy(this.parent, new Int32Array(capacity));
    this.option = copy(this.option, new Int32Array(capacity));
    this.position = copy(this.position, new Uint8Array(capacity));
    this.slots = copy(this.slots, new Int32Array(capacity * SLOTS));
    this.table = new Int32Array(capacity * 2).fill(-1);
    for (let index = 0; index < this.count; index += 1)
      this.table[this.placeOf(this.position[index]!, this.slots, index * SLOTS)] = index;
  }

  /**
   * The states named, cheapest first, at most `limit` of them, as a layer of its own. What costs the same comes in the order of
   * position and strings, whichever was found first.
   */
  layer(states: number[], limit = Infinity): Layer {
    const { cost } = this;
    const kept = states.sort((a, b) => cost[a]! - cost[b]! || this.compare(a, b));
    return layerOf(this, kept.length > limit ? kept.slice(0, limit) : kept);
  }
}

/** Where a layer has the state `state` of another, or −1: for a state or two, where a table of hashes would not pay. */
export const stateIn = (layer: Layer, other: Layer, state: number): number => {
  const position = other.position[state]!;
  const base = state * SLOTS;
  for (let at = 0; at < layer.count; at += 1) {
    if (layer.position[at] !== position) continue;
    let slot = 0;
    while (slot < SLOTS && layer.slots[at * SLOTS + slot] === other.slots[base + slot]) slot += 1;
    if (slot === SLOTS) return at;
  }
  return -1;
};

/** What stands in a slot as it would with a later sound; the flat index is none. */
const movedAt = (slots: Int32Array, at: number, sounds: number): number =>
  at % SLOTS === FLAT ? slots[at]! : slotMovedBy(slots[at]!, sounds);

/** Whether a layer holds the states of another, so many sounds later, at costs that differ by one constant. */
export const differByConstant = (one: Layer, other: Layer, sounds = 0): boolean => {
  if (one === other && sounds === 0) return true;
  if (one.count !== other.count) return false;
  const difference = one.cost[0]! - other.cost[0]!;
  for (let index = 0; index < one.count; index += 1)
    if (one.cost[index]! - other.cost[index]! !== difference || one.position[index] !== other.position[index])
      return false;
  return one.slots.every((slot, at) => slot === movedAt(other.slots, at, sounds));
};

/** A layer with all its sounds later, and at costs higher by a constant. It has its ways in common with the first. */
export const movedBy = (layer: Layer, sounds: number, cost: number): Layer => ({
  ...layer,
  cost: layer.cost.map((each) => each + cost),
  slots: layer.slots.map((_, at) => movedAt(layer.slots, at, sounds)),
});

/** A layer of some states of another, in the order given. */
export const layerOf = (from: Layer, states: readonly number[]): Layer => {
  const count = states.length;
  const layer = {
    count,
    cost: new Float64Array(count),
    parent: new Int32Array(count),
    option: new Int32Array(count),
    position: new Uint8Array(count),
    slots: new Int32Array(count * SLOTS),
  };
  states.forEach((state, index) => {
    layer.cost[index] = from.cost[state]!;
    layer.parent[index] = from.parent[state]!;
    layer.option[index] = from.option[state]!;
    layer.position[index] = from.position[state]!;
    for (let slot = 0; slot < SLOTS; slot += 1)
      layer.slots[index * SLOTS + slot] = from.slots[state * SLOTS + slot]!;
  });
  return layer;
};
