import { conflictsBeside, coveredByOpen, restingBeside, ringingElsewhere } from './conflicts.ts';
import type { LeftCosts } from '../hand/costs.ts';
import { FIRST_POSITION_END } from '../hand/hand.ts';
import { slotSound } from './layer.ts';
import { HELD, RINGING, type StandingStates } from './standing-states.ts';
import type { Ledger } from './ledger.ts';
import type { Moment } from '../moments/ways-at-moment.ts';
import { FINGERS, STRINGS, type OptionTable } from '../moments/option-table.ts';
import { lowestIndex } from '../hand/string-masks.ts';

/** Nothing has been framed yet. */
const UNKNOWN = -1;
/** Frets a ringing finger may lie away from its home before the hand has left it. */
const REACH_FROM_HOME = 2;
/** The same for a finger that rests in silence. */
const REST_FROM_HOME = 1;

/**
 * What of a state survives beside an option with the hand at a position: what stays down, what must lift, and whether
 * a finger is at home. It depends only on the residue of a state, so states that leave the same behind share it.
 */
export class KeptBeside {
  moment!: Moment;
  options!: OptionTable;
  option = 0;
  /** Hand position. */
  to = 0;
  /** Strings on which something stays, the fingers that stay there as bits, and open strings that sound then. */
  kept = UNKNOWN;
  keptFingers = 0;
  openSounds = 0;
  /** Held notes that are cut, and what lifting costs in units of effort. */
  cuts = 0;
  liftingCost = 0;
  isHome = false;
  /** Whether one finger alone lies on the strings. */
  isLone = false;
  /** Whether the option lies wholly within first position. */
  isLow = false;

  readonly leaving: StandingStates;
  private readonly costs: LeftCosts;
  private state = UNKNOWN;
  /** Strings that sound and are struck elsewhere than where they lie. */
  private struckAway = 0;
  /** Strings on which something lies and nothing is struck, and those of them that can stay so. */
  private lying = 0;
  private keepable = 0;
  /** Strings whose ringing finger stays only where the hand does not leave it behind. */
  private straying = 0;

  constructor(costs: LeftCosts, leaving: StandingStates) {
    this.costs = costs;
    this.leaving = leaving;
  }

  take(moment: Moment): void {
    this.moment = moment;
    this.options = moment.options;
    this.state = UNKNOWN;
  }

  /** Frames `option` with the hand at `position`, for all states with the residue of `state`; whether what stays changed. */
  set(state: number, option: number, position: number, ledger?: Ledger): boolean {
    if (state !== this.state || option !== this.option) this.loosen(state, option);
    this.to = position;
    let kept = this.keepable;
    if (this.straying !== 0) kept &= ~this.strayed(state, position);
    const isOther = kept !== this.kept || ledger !== undefined;
    if (isOther) this.keep(state, kept, ledger);
    this.isHome =
      ((this.options.homes[option]! >> position) & 1) === 1 ||
      (this.keptFingers !== 0 && this.isKeptHome(state, position));
    return isOther;
  }

  /**
   * Hand positions in which states with the residue of `state` may stay to take an option although no finger of it is at
   * home there, as a superset: at the nut, a lone finger a fret away, or beside a finger that sounds on at home.
   */
  staysOf(state: number, option: number): number {
    const { leaving, options } = this;
    if (state !== this.state || option !== this.option) this.loosen(state, option);
    let homes = 0;
    let surelyBeside = false;
    for (let rest = this.keepable; rest !== 0; rest &= rest - 1) {
      const k = lowestIndex(rest);
      const finger = leaving.finger[state * STRINGS + k]!;
      if (finger === 0) continue;
      homes |= 1 << Math.max(0, leaving.fret[state * STRINGS + k]! - finger + 1);
      surelyBeside ||= ((this.straying >> k) & 1) === 0;
    }
    return homes | (surelyBeside ? options.straysBeside : options.strays)[option]!;
  }

  /** Whether a hand that lies at the framed position may stay there: a finger is at home, or the option may stray. */
  mayStay(): boolean {
    if (this.isHome) return true;
    const { options, option } = this;
    return (((this.isLone ? options.strays : options.straysBeside)[option]! >> this.to) & 1) === 1;
  }

  /** Strings a finger lies on once the option is struck. */
  lyingOn(state: number, finger: number): number {
    return this.options.fingerMask[this.option * FINGERS + finger]! | this.keptOf(state, finger);
  }

  /** Strings on which a finger stays. */
  keptOf(state: number, finger: number): number {
    return this.leaving.fingerMask[state * FINGERS + finger]! & this.kept;
  }

  /** Fret a finger lies on once the option is struck. */
  fretOf(state: number, finger: number): number {
    const own = this.option * FINGERS + finger;
    return this.options.fingerMask[own] !== 0
      ? this.options.fingerFret[own]!
      : this.leaving.fingerFret[state * FINGERS + finger]!;
  }

  /** Whether a finger stays down for a broken chord. */
  isOverBrokenChord(state: number): boolean {
    const { openStrings, patterned } = this.leaving;
    return (this.kept & patterned[state]! & ~openStrings[state]!) !== 0;
  }

  /** Whether the fingers that stay down all do so for a broken chord. */
  isBrokenChord(state: number): boolean {
    return (this.kept & ~this.leaving.patterned[state]! & ~this.leaving.openStrings[state]!) === 0;
  }

  /** Whether a finger of the option lies where it lay. */
  stays(state: number, finger: number): boolean {
    const { leaving, option, options } = this;
    const before = leaving.fingerMask[state * FINGERS + finger]!;
    return (
      before !== 0 &&
      leaving.fingerFret[state * FINGERS + finger] === options.fingerFret[option * FINGERS + finger] &&
      (options.fingerMask[option * FINGERS + finger]! & ~before) === 0
    );
  }

  /** The sound struck on the lowest string of a mask that is struck, −1 for none. */
  struckOn(mask: number): number {
    const { placements } = this.options.assignments[this.option]!;
    const index = placements.findIndex(({ string }) => (mask >> (string - 1)) & 1);
    return index < 0 ? -1 : this.moment.struck[index]!;
  }

  /** What can stay down beside an option wherever the hand lies. */
  private loosen(state: number, option: number): void {
    const { leaving, options } = this;
    const base = state * STRINGS;
    this.state = state;
    this.option = option;
    const stopped = options.fingersUsed[option]! > 0;
    const stringMask = options.stringMask[option]!;
    this.struckAway = 0;
    for (let rest = leaving.sounding[state]! & stringMask; rest !== 0; rest &= rest - 1) {
      const k = lowestIndex(rest);
      if (!this.isStruckInPlace(base + k, option, k)) this.struckAway |= 1 << k;
    }
    this.lying = (stopped ? leaving.sounding[state]! : leaving.lying[state]!) & ~stringMask;
    this.keepable = this.lying;
    this.straying = 0;
    if (this.lying !== 0) {
      this.keepable &= ~(stopped
        ? conflictsBeside(leaving, options, state, option, this.lying)
        : coveredByOpen(leaving, options, state, option, this.lying));
      if (stopped) this.straying = ringingElsewhere(leaving, options, state, option, this.keepable);
    }
    this.kept = UNKNOWN;
    // Beside open strings each finger keeps its fret there.
    this.isLow = options.highestFret[option]! <= FIRST_POSITION_END;
  }

  /** Whether what is struck comes back to where it was in its broken chord: it does not sound elsewhere still. */
  private comesBack(state: number): boolean {
    const { leaving, moment } = this;
    return moment.struck.every((sound) => {
      const before = leaving.sounds.struckBefore[sound]!;
      if (before < 0) return false;
      // Only what sounds is the same in all states that share this frame.
      for (let rest = leaving.sounding[state]!; rest !== 0; rest &= rest - 1)
        if (slotSound(leaving.slot[state * STRINGS + lowestIndex(rest)]!) === before) return false;
      return true;
    });
  }

  /** Takes up what stays down: its fingers, its open strings, and what it costs to lift the rest. */
  private keep(state: number, kept: number, ledger?: Ledger): void {
    const { costs, leaving, option, options } = this;
    const base = state * STRINGS;
    const stringMask = options.stringMask[option]!;
    let cost = 0;
    let lifted = 0;
    this.cuts = 0;
    for (let rest = this.struckAway | (this.lying & ~kept); rest !== 0; rest &= rest - 1) {
      const k = lowestIndex(rest);
      const bound = leaving.bound[base + k]!;
      const isStruckAgain = ((stringMask >> k) & 1) === 1;
      if (bound === HELD) {
        this.cuts += 1;
        cost += costs.cutHeld;
        ledger?.('held note cut', slotSound(leaving.slot[base + k]!), costs.cutHeld);
      } else if (isStruckAgain || (bound === RINGING && leaving.finger[base + k] !== 0)) {
        const isPatterned = ((leaving.patterned[state]! >> k) & 1) === 1;
        const isStopped = isStruckAgain && isPatterned;
        const isNeighbour = ((leaving.justStruck[state]! >> k) & 1) === 1;
        const first = isPatterned ? costs.liftBroken : costs.liftRinging;
        const amount = isStopped
          ? (isNeighbour
              ? costs.stopRinging
              : leaving.finger[base + k] === 0
                ? costs.stopOpenLater
                : costs.stopRingingLater) * (this.comesBack(state) ? costs.stopAgain : 1)
          : lifted === 0
            ? first
            : costs.liftRingingMore;
        if (!isStopped) lifted += 1;
        cost += amount;
        ledger?.('ringing lifted', slotSound(leaving.slot[base + k]!), amount);
      }
    }
    this.liftingCost = cost;
    let keptFingers = 0;
    let openSounds = options.openMask[option]!;
    for (let rest = kept; rest !== 0; rest &= rest - 1) {
      const k = lowestIndex(rest);
      const finger = leaving.finger[base + k]!;
      if (finger === 0) openSounds |= 1 << k;
      else keptFingers |= 1 << finger;
    }
    this.kept = kept;
    this.keptFingers = keptFingers;
    this.openSounds = openSounds;
    this.isLone = options.fingersUsed[option] === 1 && keptFingers === 0;
  }

  /** Whether a finger that stays down is at home in a position. */
  private isKeptHome(state: number, position: number): boolean {
    for (let rest = this.keptFingers; rest !== 0; rest &= rest - 1) {
      const finger = lowestIndex(rest);
      if (this.leaving.fingerFret[state * FINGERS + finger]! - finger + 1 === position) return true;
    }
    return false;
  }

  /** Strings whose ringing finger the hand leaves behind when it lies at a position. */
  private strayed(state: number, position: number): number {
    const { leaving } = this;
    const base = state * STRINGS;
    let strayed = 0;
    for (let rest = this.straying; rest !== 0; rest &= rest - 1) {
      const k = lowestIndex(rest);
      const away = leaving.fret[base + k]! - (position + leaving.finger[base + k]! - 1);
      if (away > REACH_FROM_HOME || away < -REACH_FROM_HOME) strayed |= 1 << k;
    }
    return strayed;
  }

  /** Strings on which a finger of a state rests on in silence once the option is struck, where the hand does not leave it. */
  restedOf(state: number): number {
    const { leaving, option, options } = this;
    if (leaving.resting[state] === 0 || options.fingersUsed[option] === 0) return 0;
    const base = state * STRINGS;
    let rested = restingBeside(leaving, options, state, option, this.kept);
    for (let rest = rested; rest !== 0; rest &= rest - 1) {
      const k = lowestIndex(rest);
      const away = leaving.fret[base + k]! - (this.to + leaving.finger[base + k]! - 1);
      if (away > REST_FROM_HOME || away < -REST_FROM_HOME) rested &= ~(1 << k);
    }
    return rested;
  }

  /** Whether a string that sounds is struck again where it lies; a held note by the same finger. */
  private isStruckInPlace(at: number, option: number, k: number): boolean {
    const { leaving, options } = this;
    if (options.fretAt[option * STRINGS + k] !== leaving.fret[at]) return false;
    const finger = leaving.finger[at]!;
    if (leaving.bound[at] !== HELD || finger === 0) return true;
    return ((options.fingerMask[option * FINGERS + finger]! >> k) & 1) === 1;
  }
}
