import type { LeftCosts } from '../hand/costs.ts';
import type { KeptBeside } from './kept-beside.ts';
import type { Ledger } from './ledger.ts';
import { FINGERS } from '../moments/option-table.ts';
import { openingAt, type StepTables } from './step-tables.ts';
import { isSeveral, lowestIndex, rangeOf, stringsApart } from '../hand/string-masks.ts';

/** Strings from the index to another finger on its fret from which it would rather lie flat over both. */
const FLAT_APART = 3;
/** Of more notes set at once the shape costs say how they lie. */
const PAIR = 2;

/** What the pairs of fingers of a framed step cost by how they lie to each other. */
export class Openings {
  private readonly costs: LeftCosts;
  private readonly tables: StepTables;
  private readonly frame: KeptBeside;
  /** The sum for all fingers of the option, once it is known. */
  private ofAll: number | undefined;

  constructor(costs: LeftCosts, tables: StepTables, frame: KeptBeside) {
    this.costs = costs;
    this.tables = tables;
    this.frame = frame;
  }

  /** To be called when another frame is set. */
  forget(): void {
    this.ofAll = undefined;
  }

  /** Stretch, spread, cramp and order of every pair of fingers of which one is newly placed, in units of effort. */
  cost(state: number, placedNew: number, ledger?: Ledger): number {
    const { frame } = this;
    const isAll = placedNew === frame.options.fingerBits[frame.option];
    if (isAll && this.ofAll !== undefined && !ledger) return this.ofAll;
    const present = frame.options.fingerBits[frame.option]! | frame.keptFingers;
    let cost = 0;
    for (let lows = present; lows !== 0; lows &= lows - 1) {
      const lower = lowestIndex(lows);
      for (let highs = lows & (lows - 1); highs !== 0; highs &= highs - 1) {
        const higher = lowestIndex(highs);
        if ((placedNew & ((1 << lower) | (1 << higher))) === 0) continue;
        const amount = this.pair(state, lower, higher);
        cost += amount;
        if (amount > 0) ledger?.('stretch', frame.moment.struck[0] ?? -1, amount);
      }
    }
    if (isAll) this.ofAll = cost;
    return cost;
  }

  private pair(state: number, lower: number, higher: number): number {
    const { costs, frame } = this;
    const low = frame.fretOf(state, lower);
    const high = frame.fretOf(state, higher);
    const amount = this.tables.opening[openingAt(lower, higher, low, high)]!;
    if (low !== high) return amount;
    const lowers = frame.lyingOn(state, lower);
    const highers = frame.lyingOn(state, higher);
    const isInverted = lowers < highers;
    const isBesideFlat = lower > 1 && (isSeveral(lowers) || isSeveral(highers));
    return (
      amount +
      (isInverted ? costs.inverted : 0) +
      (isInverted && isBesideFlat ? costs.invertedFlat : 0) +
      (lower === 1 && this.isBesideOneThatLies(state, higher) ? this.tables.crowd[low]! : 0) +
      (lower === 1 && this.couldLieFlat(state, higher) ? costs.besideIndex + this.tables.crowd[low]! : 0)
    );
  }

  /** Whether a finger is set beside the index, or the index beside it, when the other lies there already. */
  private isBesideOneThatLies(state: number, other: number): boolean {
    const { frame } = this;
    const own = frame.option * FINGERS;
    if (frame.options.fingerMask[own + 1] !== 0 && frame.options.fingerMask[own + other] !== 0) return false;
    return stringsApart(frame.lyingOn(state, 1), frame.lyingOn(state, other)) === 1;
  }

  /**
   * Whether the index could lie flat instead of a finger far beside it on its fret: one of the two lies already, or they are
   * all that is set, and not at the nut.
   */
  private couldLieFlat(state: number, other: number): boolean {
    const { frame } = this;
    const own = frame.option * FINGERS;
    if (
      frame.options.fingerMask[own + 1] !== 0 &&
      frame.options.fingerMask[own + other] !== 0 &&
      (frame.options.width > PAIR || frame.fretOf(state, 1) === 1)
    )
      return false;
    const index = frame.lyingOn(state, 1);
    const finger = frame.lyingOn(state, other);
    return stringsApart(index, finger) >= FLAT_APART && (rangeOf(index | finger) & frame.openSounds) === 0;
  }
}
