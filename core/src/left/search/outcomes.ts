import { SLOTS, type StateTable } from './layer.ts';

/** Nobody has looked yet what a kind of state comes to. */
const UNKNOWN = -1;

/**
 * What the kinds of states of a group come to by one option and position, with the cheapest way there. Kinds often come to the
 * same: what rested is needed elsewhere, or lifts.
 */
export class Outcomes {
  private count = 0;
  private cost = new Float64Array(0);
  private from = new Int32Array(0);
  private slots = new Int32Array(0);
  /** By kind: what it comes to. Kinds that have been looked at come one after another in `looked`. */
  private outcomeOf = new Int32Array(0);
  private looked = new Int32Array(0);
  private lookedCount = 0;

  /** Makes room for so many kinds. */
  reserve(kinds: number): void {
    if (this.outcomeOf.length >= kinds) return;
    this.outcomeOf = new Int32Array(kinds * 2).fill(UNKNOWN);
    this.looked = new Int32Array(kinds * 2);
    this.cost = new Float64Array(kinds * 2);
    this.from = new Int32Array(kinds * 2);
    this.slots = new Int32Array(kinds * 2 * SLOTS);
    this.lookedCount = 0;
  }

  clear(): void {
    for (let at = 0; at < this.lookedCount; at += 1) this.outcomeOf[this.looked[at]!] = UNKNOWN;
    this.lookedCount = 0;
    this.count = 0;
  }

  has(kind: number): boolean {
    return this.outcomeOf[kind] !== UNKNOWN;
  }

  /** Cost of the cheapest way found to what a kind comes to. */
  costOf(kind: number): number {
    const outcome = this.outcomeOf[kind]!;
    return outcome === UNKNOWN ? Infinity : this.cost[outcome]!;
  }

  /** Notes what a kind comes to. */
  add(kind: number, next: Int32Array): void {
    this.looked[this.lookedCount] = kind;
    this.lookedCount += 1;
    let outcome = 0;
    while (outcome < this.count && !this.isAt(outcome, next)) outcome += 1;
    this.outcomeOf[kind] = outcome;
    if (outcome < this.count) return;
    this.count += 1;
    this.cost[outcome] = Infinity;
    for (let slot = 0; slot < SLOTS; slot += 1) this.slots[outcome * SLOTS + slot] = next[slot]!;
  }

  /** A cheaper way to what a kind comes to, and the state it starts from. */
  take(kind: number, cost: number, from: number): void {
    const outcome = this.outcomeOf[kind]!;
    this.cost[outcome] = cost;
    this.from[outcome] = from;
  }

  offerTo(table: StateTable, position: number, option: number): void {
    for (let outcome = 0; outcome < this.count; outcome += 1)
      if (this.cost[outcome]! < Infinity)
        table.offer(position, this.slots, outcome * SLOTS, this.cost[outcome]!, this.from[outcome]!, option);
  }

  private isAt(outcome: number, next: Int32Array): boolean {
    for (let slot = 0; slot < SLOTS; slot += 1)
      if (this.slots[outcome * SLOTS + slot] !== next[slot]) return false;
    return true;
  }
}
