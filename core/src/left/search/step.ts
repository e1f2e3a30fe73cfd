import { barreCost } from './barre-costs.ts';
import { hasteOf, SHAPE_SPARES, StepBounds } from './bounds.ts';
import type { LeftCosts } from '../hand/costs.ts';
import { flatAfter } from './flat-index.ts';
import { KeptBeside } from './kept-beside.ts';
import { FLAT, packSlot, SLOTS, slotSound, type Layer } from './layer.ts';
import type { SoundTables } from '../moments/sound-tables.ts';
import { HELD, StandingStates, RINGING } from './standing-states.ts';
import type { Ledger } from './ledger.ts';
import type { Moment } from '../moments/ways-at-moment.ts';
import { Openings } from './opening-costs.ts';
import { FINGERS, STRINGS, type OptionTable } from '../moments/option-table.ts';
import { Placing } from './placing-costs.ts';
import type { StepTables } from './step-tables.ts';
import { isSeveral, lowestIndex, stringsOf } from '../hand/string-masks.ts';
import { struckCost } from './struck-costs.ts';
import { settlingCost, stayingCost } from './height-costs.ts';
import { parallelCost, voiceCost } from './voice-costs.ts';

/** No finger lies on a string of a shape. */
const NOTHING = -1;
/** Fingers 1 to 4 as bits. */
const ALL_FINGERS = 0b11110;

/**
 * One step of the left hand from the states of a layer to the next moment: what stays down, what must lift, what
 * each finger does, and what it costs. A step has two halves: `frame`, which depends only on what survives of a
 * state (so states that leave the same behind share it), and `costFrom`, which adds what the state's own
 * position and released fingers make of it. The same code finds the plan and accounts for it.
 */
export class Stepper {
  /** Slots of the state after the last `settle`. */
  readonly next = new Int32Array(SLOTS);
  readonly leaving: StandingStates;
  readonly bounds: StepBounds;
  readonly sounds: SoundTables;

  private readonly beforeFinger = new Int8Array(STRINGS);
  private readonly beforeFret = new Uint8Array(STRINGS);
  private readonly shapeFinger = new Int8Array(STRINGS);
  private readonly shapeFret = new Uint8Array(STRINGS);
  private moment!: Moment;
  /** Whether what is struck belongs to a broken chord. */
  private strikesBroken = false;
  private options!: OptionTable;

  private readonly framed: KeptBeside;
  private readonly openings: Openings;
  private readonly placing: Placing;
  private readonly costs: LeftCosts;
  private readonly tables: StepTables;

  constructor(costs: LeftCosts, tables: StepTables, sounds: SoundTables) {
    this.costs = costs;
    this.tables = tables;
    this.sounds = sounds;
    this.leaving = new StandingStates(sounds);
    this.bounds = new StepBounds(costs, tables, this.leaving);
    this.framed = new KeptBeside(costs, this.leaving);
    this.openings = new Openings(costs, tables, this.framed);
    this.placing = new Placing(costs, tables, this.framed);
  }

  /**
   * Takes up the states of `layer` on the way to `moment`, or only the state `one`; without a layer the one free
   * hand before the piece.
   */
  prepare(layer: Layer | undefined, moment: Moment, one?: number): void {
    this.moment = moment;
    this.options = moment.options;
    const haste = hasteOf(this.costs, moment.secondsBefore);
    this.placing.haste = haste;
    this.strikesBroken = moment.struck.some((sound) => this.sounds.broken[sound] === 1);
    this.bounds.take(moment, haste, this.strikesBroken);
    this.leaving.take(layer, moment, one);
    this.framed.take(moment);
  }

  /** Held notes that the last `frame` cuts. */
  get cuts(): number {
    return this.framed.cuts;
  }

  /** End of a sound as written, in ticks. */
  endOf(sound: number): number {
    return this.sounds.end[sound]!;
  }

  /** Position of the hand in a prepared state; 0 before it was first used. */
  positionOf(state: number): number {
    return this.leaving.position[state]!;
  }

  /** Hand positions from which the option can be taken: those where a finger is at home. Bit p is position p. */
  homesOf(option: number): number {
    return this.options.homes[option]!;
  }

  /** What a hand that lies in a position has paid to settle there, and one in first position has not. */
  aheadAt(position: number): number {
    return this.costs.settle * Math.max(0, position - 1);
  }

  /** See `KeptBeside.staysOf`. */
  staysOf(state: number, option: number): number {
    return this.framed.staysOf(state, option);
  }

  /** See `KeptBeside.mayStay`. */
  mayStay(): boolean {
    return this.framed.mayStay();
  }

  /** Whether an option only strikes open strings. */
  isOpen(option: number): boolean {
    return this.options.fingersUsed[option] === 0;
  }

  /**
   * Sets up the step to `option` with the hand at `position`, for all states with the residue of `state`. Returns
   * the part of the cost that they share. Options that only strike open strings leave every finger where it is,
   * so their frame holds for `state` alone.
   */
  frame(state: number, option: number, position: number, ledger?: Ledger): number {
    const { costs, framed, leaving, moment } = this;
    if (framed.set(state, option, position, ledger)) this.openings.forget();
    let cost = framed.liftingCost;
    if (isSeveral(framed.keptOf(state, 1)) && leaving.fingerBound[state * FINGERS + 1]! >= RINGING) {
      const amount = costs.barreHold * moment.beatsBefore * stringsOf(framed.keptOf(state, 1));
      cost += amount;
      ledger?.('barre', moment.struck[0] ?? -1, amount);
    }
    return cost + struckCost(costs, moment, option, position, framed.isOverBrokenChord(state), ledger);
  }

  /** The rest of the cost of the framed step when it starts from `state`; Infinity when the hand may not lie so. */
  costFrom(state: number, ledger?: Ledger): number {
    const { costs, framed, leaving, moment, options, placing } = this;
    const { option } = framed;
    const first = moment.struck[0] ?? -1;
    const from = leaving.position[state]!;
    let cost = stayingCost(costs, moment, from);
    if (cost > 0) ledger?.('height', first, cost);
    if (leaving.hasVoices) cost += voiceCost(costs, leaving, this.sounds, moment, state, option, ledger);
    cost += parallelCost(costs, leaving, moment, state, option, ledger);
    if (options.fingersUsed[option] === 0) return cost;
    if (!placing.begin(state)) return Infinity;
    if (from !== framed.to) {
      const amount = settlingCost(costs, moment, option, from);
      cost += amount;
      if (amount > 0) ledger?.('height', first, amount);
    }
    let placedNew = 0;
    for (let bits = options.fingerBits[option]!; bits !== 0; bits &= bits - 1) {
      const finger = lowestIndex(bits);
      const stays = framed.stays(state, finger);
      if (!stays) {
        placedNew |= 1 << finger;
        cost += placing.finger(finger, ledger) + placing.crossing(finger, ledger);
      }
      if (!stays || !isSeveral(leaving.fingerMask[state * FINGERS + finger]!)) {
        const amount = barreCost(costs, this.tables, framed, state, finger);
        cost += amount;
        if (amount > 0)
          ledger?.('barre', framed.struckOn(options.fingerMask[option * FINGERS + finger]!), amount);
      }
      cost += placing.swap(finger, ledger);
    }
    if (placedNew !== 0) {
      // No step costs less than nothing: the search takes what is reached for the least that follows from it.
      const amount = Math.max(-cost, this.shapeCost(state, placedNew));
      cost += amount;
      if (amount !== 0) ledger?.('placing', first, amount);
      cost += this.openings.cost(state, placedNew, ledger);
    }
    const shift = placing.shift();
    if (shift > 0) ledger?.('shift', first, shift);
    return cost + shift;
  }

  /**
   * What fingers that go down pay as a shape: several at once, or one after another in a chord that is broken and rings.
   * Beside held notes they are none.
   */
  private shapeCost(state: number, placedNew: number): number {
    const { costs, framed, options } = this;
    const four = placedNew === ALL_FINGERS ? costs.fourFingers : 0;
    if (framed.keptFingers === 0) {
      if (!isSeveral(placedNew)) return four;
      const isFree = this.leaving.position[state] === 0;
      return (
        four +
        options.shape[framed.option]! +
        (isFree ? costs.shapeUp * (framed.to - 1) * options.stoppedNotes[framed.option]! : 0)
      );
    }
    return four + (this.isInBrokenChord(state) ? Math.max(SHAPE_SPARES, this.grown(state)) : 0);
  }

  /** Whether the framed step adds to a broken chord: to one that rings, or as a note of one beside a tune that is held. */
  private isInBrokenChord(state: number): boolean {
    return this.strikesBroken || this.framed.isBrokenChord(state);
  }

  /** What the ringing shape costs more with the framed option than before it. */
  private grown(state: number): number {
    const { beforeFinger, beforeFret, framed, leaving, options, shapeFinger, shapeFret, tables } = this;
    const base = state * STRINGS;
    for (let k = 0; k < STRINGS; k += 1) {
      const isKept = ((framed.kept >> k) & 1) === 1;
      beforeFinger[k] = isKept ? leaving.finger[base + k]! : NOTHING;
      beforeFret[k] = leaving.fret[base + k]!;
      shapeFinger[k] = beforeFinger[k]!;
      shapeFret[k] = beforeFret[k]!;
    }
    for (let index = 0; index < options.width; index += 1) {
      const from = framed.option * options.width + index;
      const k = options.placedString[from]!;
      shapeFinger[k] = options.placedFinger[from]!;
      shapeFret[k] = options.placedFret[from]!;
    }
    return tables.shapes.of(shapeFret, shapeFinger) - tables.shapes.of(beforeFret, beforeFinger);
  }

  /** Writes the state after the framed step from `state` into `next`. */
  settle(state: number): void {
    const { framed, leaving, moment, next, options } = this;
    const { option } = framed;
    const base = state * STRINGS;
    const rested = framed.restedOf(state);
    for (let k = 0; k < STRINGS; k += 1) {
      const slot = leaving.slot[base + k]!;
      const isKept = (framed.kept >> k) & 1;
      const restsOn = (rested >> k) & 1 && this.sounds.rest[slotSound(slot)]! > moment.nextOnset;
      next[k] = isKept || restsOn ? slot : 0;
    }
    for (let index = 0; index < options.width; index += 1) {
      const from = option * options.width + index;
      const k = options.placedString[from]!;
      const fret = options.placedFret[from]!;
      const struck = moment.struck[index]!;
      const at = base + k;
      if (this.sounds.touched[struck] === 1) {
        next[k] = packSlot(struck, 0, 0);
        continue;
      }
      // A note struck again on the string that still holds it lasts as long as the longer of the two.
      const longer =
        leaving.bound[at] === HELD &&
        leaving.fret[at] === fret &&
        leaving.finger[at] === options.placedFinger[from] &&
        this.sounds.end[slotSound(leaving.slot[at]!)]! > this.sounds.end[struck]!;
      next[k] = packSlot(longer ? slotSound(leaving.slot[at]!) : struck, fret, options.placedFinger[from]!);
    }
    next[FLAT] = flatAfter(framed, state, rested);
  }
}
