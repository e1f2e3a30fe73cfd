import { KnownRests } from '../../fingering/known-rests.ts';
import type { Accounted } from './accounts.ts';
import { stayingPositions, tryOptions, type Attempt } from './advance.ts';
import { HeldCuts, ResidueGroups } from './residue-groups.ts';
import { StateTable, type Layer } from './layer.ts';
import type { Moment } from '../moments/ways-at-moment.ts';
import type { Stepper } from './step.ts';
import { lowestIndex } from '../hand/string-masks.ts';

/** What remains has not been looked up. */
const UNKNOWN = -1;

/**
 * The least cost from each state of a layer to the end. `most` is what the plan spends in all: ways dearer than that by more
 * than the limit are not followed.
 */
class Backward {
  private readonly table = new StateTable();
  private readonly groups = new ResidueGroups();
  private readonly cuts = new HeldCuts();
  private readonly stepper: Stepper;
  private readonly limit: number;
  private rest: Float64Array = new Float64Array(0);
  /** By kind of state: what remains once the option at hand is taken, and the kinds for which that is known. */
  private kindOnward: Float64Array = new Float64Array(0);
  private found = new Int32Array(0);
  private onward: Float64Array = new Float64Array(0);
  private best: Float64Array = new Float64Array(0);

  constructor(stepper: Stepper, limit: number) {
    this.stepper = stepper;
    this.limit = limit;
  }

  step(layer: Layer, next: Layer, moment: Moment, onward: Float64Array, most: number): Float64Array {
    const { groups, stepper } = this;
    stepper.prepare(layer, moment);
    groups.take(stepper.leaving, moment);
    this.cuts.take(stepper.leaving, moment.options, groups);
    this.table.load(next);
    this.onward = onward;
    if (this.kindOnward.length < groups.kinds) {
      this.kindOnward = new Float64Array(groups.kinds * 2).fill(UNKNOWN);
      this.found = new Int32Array(groups.kinds * 2);
    }
    this.rest = new Float64Array(layer.count).fill(Infinity);
    const { count } = moment.options;
    if (this.best.length < count) this.best = new Float64Array(count * 2);
    this.best.fill(Infinity);
    for (let state = 0; state < next.count; state += 1) {
      const option = next.option[state]!;
      if (onward[state]! < this.best[option]!) this.best[option] = onward[state]!;
    }
    tryOptions(
      groups,
      this.cuts,
      moment,
      (group, option, mayCut) => this.attempt(layer, moment, group, option, mayCut, most + this.limit),
      () => undefined,
    );
    return this.rest;
  }

  private attempt(
    layer: Layer,
    { positions }: Moment,
    group: number,
    option: number,
    mayCut: boolean,
    most: number,
  ): Attempt {
    const { groups, stepper } = this;
    const first = groups.start[group]!;
    const end = groups.start[group + 1]!;
    const lead = groups.members[first]!;
    // What no way can afford needs no closer look; it keeps nothing from being tried that could be afforded.
    if (layer.cost[lead]! + this.best[option]! > most) return 'keeps';
    if (stepper.isOpen(option)) {
      stepper.frame(lead, option, stepper.positionOf(lead));
      if (stepper.cuts > 0 && !mayCut) return 'cuts';
      for (let at = first; at < end; at += 1) this.openOnly(groups.members[at]!, option);
      return 'keeps';
    }
    const homes = stepper.homesOf(option) & positions;
    const staying = stayingPositions(stepper, groups, group, option, homes) & positions;
    if ((homes | staying) === 0) return 'cuts';
    for (let rest = homes | staying; rest !== 0; rest &= rest - 1) {
      const position = lowestIndex(rest);
      const isStaying = ((staying >> position) & 1) === 1;
      const least = stepper.bounds.struck(option, position) + this.best[option]!;
      let at = first;
      for (; at < end; at += 1) {
        const state = groups.members[at]!;
        const reached = layer.cost[state]! + least;
        if (reached > most) at = end - 1;
        else if (!isStaying || stepper.positionOf(state) === position)
          if (reached + stepper.bounds.movement(state, option, position) <= most) break;
      }
      if (at === end) continue;
      const shared = stepper.frame(lead, option, position);
      if (stepper.cuts > 0 && !mayCut) return 'cuts';
      if (isStaying && !stepper.mayStay()) continue;
      const { found, kindOnward } = this;
      let kinds = 0;
      for (; at < end; at += 1) {
        const state = groups.members[at]!;
        if (layer.cost[state]! + shared + this.best[option]! > most) break;
        if (isStaying && stepper.positionOf(state) !== position) continue;
        const kind = groups.kindOf[state]!;
        if (kindOnward[kind]! < 0) {
          found[kinds++] = kind;
          stepper.settle(state);
          const to = this.table.find(position, stepper.next);
          kindOnward[kind] = to < 0 ? Infinity : shared + this.onward[to]!;
        }
        const onward = kindOnward[kind]!;
        if (layer.cost[state]! + onward > most) continue;
        const cost = onward + stepper.costFrom(state);
        if (cost < this.rest[state]!) this.rest[state] = cost;
      }
      for (let index = 0; index < kinds; index += 1) kindOnward[found[index]!] = UNKNOWN;
    }
    return 'keeps';
  }

  private openOnly(state: number, option: number): void {
    const { stepper } = this;
    const position = stepper.positionOf(state);
    const shared = stepper.frame(state, option, position);
    stepper.settle(state);
    const to = this.table.find(position, stepper.next);
    if (to < 0) return;
    const cost = shared + stepper.costFrom(state) + this.onward[to]!;
    if (cost < this.rest[state]!) this.rest[state] = cost;
  }
}

/**
 * By moment from `first` to `last`: the least cost from each of its states to the state in which the path is at `last`, or to any
 * state at the end of the piece. Ways that cost more than `limit` above the path are not followed. `known` has steps of other
 * parts of the piece that were looked at with the same limit.
 */
export const remainingCosts = (
  stepper: Stepper,
  { accounts, path, tables: { moments, layers } }: Accounted,
  limit: number,
  first = 0,
  last = layers.length - 1,
  known = new KnownRests(),
): readonly Float64Array[] => {
  if (last < first) return [];
  const backward = new Backward(stepper, limit);
  const isEnd = last === layers.length - 1;
  let rest: Float64Array = new Float64Array(layers[last]!.count).fill(isEnd ? 0 : Infinity);
  rest[path[last]!.state] = 0;
  const rests = [rest];
  let remaining = 0;
  for (let index = last - 1; index >= first; index -= 1) {
    const layer = layers[index]!;
    const next = layers[index + 1]!;
    const states = [path[index]!.state, path[index + 1]!.state] as const;
    const onward = { rest, remaining };
    remaining += accounts[index + 1]!.cost;
    const most = layer.cost[states[0]]! + remaining;
    const same = known.before(next.option, states, onward);
    rest = same ?? backward.step(layer, next, moments[index + 1]!, rest, most);
    if (!same) known.add(next.option, states, onward, rest);
    rests.push(rest);
  }
  return rests.reverse();
};
