/** Strings of the instrument, as slots of a state. */
export const SLOTS = 6;
const SLOT_SOUND = 2048;
const SLOT_FRET = 8;

/** What lies on a string, packed: sound, fret (0 to 255), finger (0 open, 1 to 4). 0 is an empty string. */
export const packSlot = (sound: number, fret: number, finger: number): number =>
  (sound + 1) * SLOT_SOUND + fret * SLOT_FRET + finger;
export const slotSound = (slot: number): number => ((slot / SLOT_SOUND) | 0) - 1;
export const slotFret = (slot: number): number => (slot % SLOT_SOUND) >> 3;
export const slotFinger = (slot: number): number => slot & 7;

/**
 * All states of the hand at one moment with the cheapest way to reach each: hand position, what lies on every
 * string, cost, and the state and assignment it came from. A hash table over flat arrays that grow.
 */
export class Layer {
  count = 0;
  cost: Float64Array;
  parent: Int32Array;
  option: Int32Array;
  position: Uint8Array;
  slots: Int32Array;
  private table: Int32Array;
  private mask: number;

  constructor(capacity = 64) {
    this.cost = new Float64Array(capacity);
    this.parent = new Int32Array(capacity);
    this.option = new Int32Array(capacity);
    this.position = new Uint8Array(capacity);
    this.slots = new Int32Array(capacity * SLOTS);
    this.table = new Int32Array(capacity * 2).fill(-1);
    this.mask = capacity * 2 - 1;
  }

  private hash(position: number, slots: ArrayLike<number>, from: number): number {
    let hash = position * 0x9e3779b1;
    for (let slot = 0; slot < SLOTS; slot += 1)
      hash = Math.imul(hash ^ slots[from + slot]!, 0x85ebca6b) ^ (hash >>> 13);
    return hash ^ (hash >>> 16);
  }

  private matches(index: number, position: number, slots: ArrayLike<number>, from: number): boolean {
    if (this.position[index] !== position) return false;
    const base = index * SLOTS;
    for (let slot = 0; slot < SLOTS; slot += 1)
      if (this.slots[base + slot] !== slots[from + slot]) return false;
    return true;
  }

  /** Index of a state, or −1. */
  find(position: number, slots: ArrayLike<number>, from = 0): number {
    let at = this.hash(position, slots, from) & this.mask;
    for (;;) {
      const index = this.table[at]!;
      if (index < 0 || this.matches(index, position, slots, from)) return index;
      at = (at + 1) & this.mask;
    }
  }

  /** Keeps the cheaper way to a state. */
  offer(position: number, slots: ArrayLike<number>, cost: number, parent: number, option: number): void {
    let at = this.hash(position, slots, 0) & this.mask;
    for (;;) {
      const index = this.table[at]!;
      if (index < 0) break;
      if (this.matches(index, position, slots, 0)) {
        if (cost < this.cost[index]!) {
          this.cost[index] = cost;
          this.parent[index] = parent;
          this.option[index] = option;
        }
        return;
      }
      at = (at + 1) & this.mask;
    }
    const index = this.count;
    if (index === this.cost.length) {
      this.grow();
      this.offer(position, slots, cost, parent, option);
      return;
    }
    this.table[at] = index;
    this.count += 1;
    this.cost[index] = cost;
    this.parent[index] = parent;
    this.option[index] = option;
    this.position[index] = position;
    for (let slot = 0; slot < SLOTS; slot += 1) this.slots[index * SLOTS + slot] = slots[slot]!;
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
    this.mask = capacity * 2 - 1;
    for (let index = 0; index < this.count; index += 1) {
      let at = this.hash(this.position[index]!, this.slots, index * SLOTS) & this.mask;
      while (this.table[at]! >= 0) at = (at + 1) & this.mask;
      this.table[at] = index;
    }
  }

  /** Index of the cheapest state; the first among equals. */
  cheapest(): number {
    let best = 0;
    for (let index = 1; index < this.count; index += 1)
      if (this.cost[index]! < this.cost[best]!) best = index;
    return best;
  }
}
