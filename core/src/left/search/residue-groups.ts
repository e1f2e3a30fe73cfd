import type { SearchBudget } from './budget.ts';
import { TABLE_FRETS } from '../hand/hand.ts';
import { packSlot, SLOTS, slotSound, StateTable } from './layer.ts';
import type { Moment } from '../moments/ways-at-moment.ts';
import { cutsHeld } from './conflicts.ts';
import type { StandingStates } from './standing-states.ts';
import { STRINGS, type OptionTable } from '../moments/option-table.ts';

/** Numbers sets of things on the strings: equal sets get equal numbers, in order of appearance. */
class SetNumbers {
  private readonly known = new StateTable();

  get count(): number {
    return this.known.count;
  }

  clear(): void {
    this.known.clear();
  }

  of(slots: Int32Array): number {
    return this.known.offer(0, slots, 0, 0, 0, 0);
  }
}

/** Nobody has asked yet. */
const UNASKED = -1;

/**
 * States in which the same sounds on, each group with its cheapest first. Those in which the same rests on in silence too are
 * of one kind. Arrays are used again.
 */
export class ResidueGroups {
  count = 0;
  /** States of all groups after one another; group g has those from `start[g]` up to `start[g + 1]`. */
  members = new Int32Array(0);
  start = new Int32Array(0);
  /** Hand positions of a group's states: bit p is position p, bit 0 the hand that has not been used yet. */
  positions = new Int32Array(0);
  /** By state: its kind, and how many kinds there are in all groups together. */
  kindOf = new Int32Array(0);
  kinds = 0;
  private groupOf = new Int32Array(0);
  private readonly silences = new SetNumbers();
  private readonly numbers = new SetNumbers();
  private readonly key = new Int32Array(SLOTS);

  /** Groups the states that a stepper has taken up on the way to a moment; they come cheapest first. */
  take(leaving: StandingStates, { nextOnset }: Moment): void {
    const { count } = leaving;
    if (this.members.length < count) {
      this.members = new Int32Array(count * 2);
      this.groupOf = new Int32Array(count * 2);
      this.kindOf = new Int32Array(count * 2);
      this.start = new Int32Array(count * 2 + 1);
      this.positions = new Int32Array(count * 2);
    }
    this.numbers.clear();
    this.silences.clear();
    this.start.fill(0);
    this.positions.fill(0);
    for (let state = 0; state < count; state += 1) {
      leaving.residue(state, this.key);
      const group = this.numbers.of(this.key);
      this.groupOf[state] = group;
      leaving.silent(state, nextOnset, this.key);
      this.kindOf[state] = this.silences.of(this.key);
      this.start[group + 1]! += 1;
      this.positions[group]! |= 1 << leaving.position[state]!;
    }
    this.count = this.numbers.count;
    this.kinds = this.silences.count;
    for (let group = 0; group < this.count; group += 1) this.start[group + 1]! += this.start[group]!;
    const filled = this.start.slice(0, this.count);
    for (let state = 0; state < count; state += 1) {
      const group = this.groupOf[state]!;
      this.members[filled[group]!] = state;
      filled[group]! += 1;
    }
  }
}

/** Which options surely cut a held note of a group, found once for all groups that hold the same notes. */
export class HeldCuts {
  private readonly numbers = new SetNumbers();
  private readonly key = new Int32Array(SLOTS);
  private leaving!: StandingStates;
  private options!: OptionTable;
  private groups!: ResidueGroups;
  /** By group: which notes it holds; 0 for none. */
  private heldBy = new Int32Array(0);
  /** By notes held and option: whether one is cut, once it has been asked for. */
  private known = new Int8Array(0);

  take(leaving: StandingStates, options: OptionTable, groups: ResidueGroups): void {
    this.leaving = leaving;
    this.options = options;
    this.groups = groups;
    if (this.heldBy.length < groups.count) this.heldBy = new Int32Array(groups.count * 2);
    this.numbers.clear();
    // What holds nothing comes first: it is number 0.
    this.key.fill(0);
    this.numbers.of(this.key);
    for (let group = 0; group < groups.count; group += 1) {
      leaving.held(groups.members[groups.start[group]!]!, this.key);
      this.heldBy[group] = this.numbers.of(this.key);
    }
    const size = this.numbers.count * options.count;
    if (this.known.length < size) this.known = new Int8Array(size * 2);
    this.known.fill(UNASKED, 0, size);
  }

  /** Whether an option cuts a note that a group holds, whatever else lies there. */
  areSure(group: number, option: number): boolean {
    const held = this.heldBy[group]!;
    if (held === 0) return false;
    const at = held * this.options.count + option;
    if (this.known[at] === UNASKED) {
      const lead = this.groups.members[this.groups.start[group]!]!;
      this.known[at] = cutsHeld(this.leaving, this.options, lead, option) ? 1 : 0;
    }
    return this.known[at] === 1;
  }
}

/** Sorts states and options by the notes they hold on beyond the next moment. */
export class HeldNotes {
  private readonly numbers = new SetNumbers();
  private readonly key = new Int32Array(SLOTS);

  clear(): void {
    this.numbers.clear();
  }

  get count(): number {
    return this.numbers.count;
  }

  /** Number of the held notes among slots. */
  ofSlots(slots: Int32Array, from: number, isHeldOn: (sound: number) => boolean): number {
    for (let k = 0; k < STRINGS; k += 1) {
      const slot = slots[from + k]!;
      this.key[k] = slot !== 0 && isHeldOn(slotSound(slot)) ? slot : 0;
    }
    return this.numbers.of(this.key);
  }

  /** Number of the notes that an option of a moment strikes and that are held on. */
  ofOption(moment: Moment, option: number, isHeldOn: (sound: number) => boolean): number {
    const { options, struck } = moment;
    this.key.fill(0);
    for (let index = 0; index < options.width; index += 1) {
      if (!isHeldOn(struck[index]!)) continue;
      const at = option * options.width + index;
      this.key[options.placedString[at]!] = packSlot(
        index,
        options.placedFret[at]!,
        options.placedFinger[at]!,
      );
    }
    return this.numbers.of(this.key);
  }
}

/**
 * The states of a table within the windows of the cheapest that hold the same notes on. `aheadAt` is what a hand in a
 * position has paid already that one further down may still have to pay.
 */
export const withinWindow = (
  table: StateTable,
  { window, windowInPosition }: SearchBudget,
  held: HeldNotes,
  isHeldOn: (sound: number) => boolean,
  aheadAt: (position: number) => number,
): number[] => {
  held.clear();
  const classOf = new Int32Array(table.count);
  for (let state = 0; state < table.count; state += 1)
    classOf[state] = held.ofSlots(table.slots, state * SLOTS, isHeldOn);
  const cheapest = new Float64Array(held.count).fill(Infinity);
  const cheapestAt = new Float64Array(held.count * TABLE_FRETS).fill(Infinity);
  for (let state = 0; state < table.count; state += 1) {
    const own = classOf[state]!;
    const at = own * TABLE_FRETS + table.position[state]!;
    const cost = table.cost[state]!;
    if (cost < cheapest[own]!) cheapest[own] = cost;
    if (cost < cheapestAt[at]!) cheapestAt[at] = cost;
  }
  const kept: number[] = [];
  for (let state = 0; state < table.count; state += 1) {
    const own = classOf[state]!;
    const cost = table.cost[state]!;
    if (
      cost <= cheapest[own]! + window + aheadAt(table.position[state]!) &&
      cost <= cheapestAt[own * TABLE_FRETS + table.position[state]!]! + windowInPosition
    )
      kept.push(state);
  }
  return kept;
};
