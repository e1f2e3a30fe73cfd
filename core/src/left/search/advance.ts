import { summable } from '../../fingering/summable.ts';
import { HeldCuts, HeldNotes, ResidueGroups, withinWindow } from './residue-groups.ts';
import { TABLE_FRETS } from '../hand/hand.ts';
import { SLOTS, StateTable, type Layer } from './layer.ts';
import type { Moment } from '../moments/ways-at-moment.ts';
import type { SearchBudget } from './budget.ts';
import type { Stepper } from './step.ts';
import { lowestIndex } from '../hand/string-masks.ts';
import { Outcomes } from './outcomes.ts';

/** Whether an option, tried on states of one residue, keeps every held note; one that cannot be reached does not. */
export type Attempt = 'keeps' | 'cuts';

/**
 * Takes every option of the moment a stepper is prepared for, or the only one left to it, from every group of states. Held
 * notes are kept wherever some option keeps them; only where none does, options that cut one are taken.
 */
export const tryOptions = (
  groups: ResidueGroups,
  cuts: HeldCuts,
  { options: { count }, only }: Moment,
  attempt: (group: number, option: number, mayCut: boolean) => Attempt,
  begin: (group: number) => void,
): void => {
  const first = only ?? 0;
  const end = only === undefined ? count : only + 1;
  for (let group = 0; group < groups.count; group += 1) {
    begin(group);
    let found = false;
    for (let option = first; option < end; option += 1)
      if (!cuts.areSure(group, option)) found = attempt(group, option, false) === 'keeps' || found;
    if (!found) for (let option = first; option < end; option += 1) attempt(group, option, true);
  }
};

/** Hand positions, without those asked for as homes, in which some state of a group may stay to take an option: a superset. */
export const stayingPositions = (
  stepper: Stepper,
  groups: ResidueGroups,
  group: number,
  option: number,
  homes: number,
): number => {
  // Bit 0 is the hand that has not been used yet: it cannot stay anywhere.
  const away = groups.positions[group]! & ~homes & ~1;
  return away === 0 ? 0 : away & stepper.staysOf(groups.members[groups.start[group]!]!, option);
};

/** Goes from the states of one moment to those of the next. Holds the tables that every step uses again. */
export class Advance {
  private readonly table = new StateTable();
  private readonly groups = new ResidueGroups();
  private readonly cuts = new HeldCuts();
  private readonly heldByOption = new HeldNotes();
  private readonly heldByState = new HeldNotes();
  private optionHeld = new Int32Array(0);
  /** By notes held on before and by the option: the cheapest way found so far. */
  private cheapest = new Float64Array(0);
  /** The same by hand position. */
  private cheapestAt = new Float64Array(0);
  /** What the states of a group come to by the option at hand. */
  private readonly outcomes = new Outcomes();
  private readonly stepper: Stepper;
  private readonly budget: SearchBudget;

  constructor(stepper: Stepper, budget: SearchBudget) {
    this.stepper = stepper;
    this.budget = budget;
  }

  /**
   * All ways from `before` to `moment`, whose notes may be held on beyond the next one. States with the same residue
   * reach the same state by the same option and position, so they are tried cheapest first, and no further than
   * the best found; what the window would drop anyway is not even tried.
   */
  step(before: Layer | undefined, moment: Moment): { readonly layer: Layer; readonly exact: boolean } {
    const { budget, groups, stepper, table } = this;
    const isHeldOn = (sound: number): boolean => stepper.endOf(sound) > moment.nextOnset;
    const { count } = moment.options;
    stepper.prepare(before, moment);
    table.clear();
    groups.take(stepper.leaving, moment);
    this.cuts.take(stepper.leaving, moment.options, groups);
    this.heldByOption.clear();
    this.heldByState.clear();
    if (this.optionHeld.length < count) this.optionHeld = new Int32Array(count * 2);
    for (let option = 0; option < count; option += 1)
      this.optionHeld[option] = this.heldByOption.ofOption(moment, option, isHeldOn);
    const width = this.heldByOption.count;
    const classes = groups.count * width;
    if (this.cheapest.length < classes) {
      this.cheapest = new Float64Array(classes * 2);
      this.cheapestAt = new Float64Array(classes * 2 * TABLE_FRETS);
    }
    this.outcomes.reserve(groups.kinds);
    this.cheapest.fill(Infinity, 0, classes);
    this.cheapestAt.fill(Infinity, 0, classes * TABLE_FRETS);

    let row = 0;
    tryOptions(
      groups,
      this.cuts,
      moment,
      (group, option, mayCut) => this.attempt(before, moment, group, option, mayCut, row),
      (group) => {
        const lead = groups.members[groups.start[group]!]!;
        row = before ? this.heldByState.ofSlots(before.slots, lead * SLOTS, isHeldOn) * width : 0;
      },
    );
    const kept =
      budget.window < Infinity
        ? withinWindow(table, budget, this.heldByState, isHeldOn, (position) => stepper.aheadAt(position))
        : Array.from({ length: table.count }, (_, state) => state);
    return { layer: table.layer(kept, budget.maxStates), exact: kept.length <= budget.maxStates };
  }

  private attempt(
    before: Layer | undefined,
    { positions }: Moment,
    group: number,
    option: number,
    mayCut: boolean,
    row: number,
  ): Attempt {
    const { groups, stepper } = this;
    const lead = groups.members[groups.start[group]!]!;
    if (stepper.isOpen(option)) {
      stepper.frame(lead, option, stepper.positionOf(lead));
      if (stepper.cuts > 0 && !mayCut) return 'cuts';
      for (let at = groups.start[group]!; at < groups.start[group + 1]!; at += 1)
        this.openOnly(before, groups.members[at]!, option);
      return 'keeps';
    }
    const held = row + this.optionHeld[option]!;
    const homes = stepper.homesOf(option) & positions;
    const staying = stayingPositions(stepper, groups, group, option, homes) & positions;
    if ((homes | staying) === 0) return 'cuts';
    for (let rest = homes; rest !== 0; rest &= rest - 1)
      if (!this.reach(before, group, option, lowestIndex(rest), mayCut, held, false)) return 'cuts';
    for (let rest = staying; rest !== 0; rest &= rest - 1)
      if (!this.reach(before, group, option, lowestIndex(rest), mayCut, held, true)) return 'cuts';
    return 'keeps';
  }

  private openOnly(before: Layer | undefined, state: number, option: number): void {
    const { stepper } = this;
    const position = stepper.positionOf(state);
    const shared = stepper.frame(state, option, position);
    stepper.settle(state);
    const cost = (before ? before.cost[state]! : 0) + summable(shared + stepper.costFrom(state));
    this.table.offer(position, stepper.next, 0, cost, before ? state : -1, option);
  }

  /** Cost from which a state that holds the same notes in a position is left behind. */
  private limitOf(held: number, position: number): number {
    return Math.min(
      this.cheapest[held]! + this.budget.window + this.stepper.aheadAt(position),
      this.cheapestAt[held * TABLE_FRETS + position]! + this.budget.windowInPosition,
    );
  }

  /** The cheapest ways from the states of a group to one option and position; false when it would cut a note and may not. */
  private reach(
    before: Layer | undefined,
    group: number,
    option: number,
    position: number,
    mayCut: boolean,
    held: number,
    stayingOnly: boolean,
  ): boolean {
    const { cheapest, groups, stepper } = this;
    const first = groups.start[group]!;
    const lead = groups.members[first]!;
    const heldAt = held * TABLE_FRETS + position;
    let best = this.limitOf(held, position);
    const end = groups.start[group + 1]!;
    const struck = stepper.bounds.struck(option, position);
    // Nothing is framed before some state has been found that might be cheap enough.
    let at = first;
    let movement = 0;
    for (; at < end; at += 1) {
      const state = groups.members[at]!;
      const reached = (before ? before.cost[state]! : 0) + struck;
      if (reached >= best) return true;
      if (stayingOnly && stepper.positionOf(state) !== position) continue;
      movement = stepper.bounds.movement(state, option, position);
      if (reached + movement < best) break;
    }
    if (at === end) return true;
    const promising = at;
    const shared = stepper.frame(lead, option, position);
    if (stepper.cuts > 0 && !mayCut) return false;
    if (stayingOnly && !stepper.mayStay()) return true;
    const { outcomes } = this;
    outcomes.clear();
    for (; at < end; at += 1) {
      const state = groups.members[at]!;
      const begun = before ? before.cost[state]! : 0;
      const reached = begun + shared;
      if (reached >= best) break;
      if (stayingOnly && stepper.positionOf(state) !== position) continue;
      const kind = groups.kindOf[state]!;
      if (reached >= outcomes.costOf(kind)) continue;
      if (at !== promising) movement = stepper.bounds.movement(state, option, position);
      if (reached + movement >= Math.min(best, outcomes.costOf(kind))) continue;
      if (!outcomes.has(kind)) {
        stepper.settle(state);
        outcomes.add(kind, stepper.next);
        if (reached + movement >= outcomes.costOf(kind)) continue;
      }
      const cost = begun + summable(shared + stepper.costFrom(state));
      if (cost >= best || cost >= outcomes.costOf(kind)) continue;
      outcomes.take(kind, cost, before ? state : -1);
      if (cost < cheapest[held]!) cheapest[held] = cost;
      if (cost < this.cheapestAt[heldAt]!) this.cheapestAt[heldAt] = cost;
      best = this.limitOf(held, position);
    }
    outcomes.offerTo(this.table, position, option);
    return true;
  }
}
