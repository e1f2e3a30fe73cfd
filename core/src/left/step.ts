import { guidedShare, hasteOf, StepBounds, wholeShift, type Haste } from './bounds.ts';
import type { LeftCosts, LeftTerm } from './costs.ts';
import { packSlot, slotSound, type Layer } from './layer.ts';
import { BUSY, EMPTY, HELD, LeavingStates, RINGING, type SoundTables } from './leaving.ts';
import type { Moment } from './moment.ts';
import { conflictsBeside, coveredByOpen, ringingElsewhere } from './beside.ts';
import { BODY_FRET, DARK_FRET, FINGERS, STRINGS, type OptionTable } from './option-table.ts';
import { deviationAt, openingAt, type StepTables } from './step-tables.ts';
import { isSeveral, lowestBit, lowestIndex, rangeOf, stringsApart, stringsOf } from './string-masks.ts';

/** Receives every amount with its name when a path is accounted for. */
export type Ledger = (term: LeftTerm, sound: number, amount: number) => void;

/** Nothing has been framed yet. */
const UNKNOWN = -1;
/** Frets a ringing finger may lie away from its home before the hand has left it. */
const REACH_FROM_HOME = 2;
/** Strings from the index to another finger on its fret from which it would rather lie flat over both. */
const FLAT_APART = 3;
/** Fingers 1 to 4 as bits. */
const ALL_FINGERS = 0b11110;
/** Highest fret up to which beside open strings each finger keeps its fret. */
const FIRST_POSITION_FRET = 4;

/**
 * One step of the left hand from the states of a layer to the next moment: what stays down, what must lift, what
 * each finger does, and what it costs. A step has two halves: `frame`, which depends only on what survives of a
 * state (so states that leave the same behind share it), and `costFrom`, which adds what the state's own
 * position and released fingers make of it. The same code finds the plan and accounts for it.
 */
export class Stepper {
  /** Slots of the state after the last `settle`. */
  readonly next = new Int32Array(STRINGS);
  /** Held notes that the last `frame` cuts. */
  cuts = 0;

  readonly leaving: LeavingStates;
  readonly bounds: StepBounds;
  private moment!: Moment;
  private options!: OptionTable;
  private haste!: Haste;

  // The frame: what survives and where the hand goes.
  private state = UNKNOWN;
  private option = 0;
  private to = 0;
  /** Strings that sound and are struck elsewhere than where they lie. */
  private struckAway = 0;
  /** Strings on which something lies and nothing is struck, and those of them that can stay so. */
  private lying = 0;
  private keepable = 0;
  /** Strings whose ringing finger stays only where the hand does not leave it behind. */
  private straying = 0;
  private kept = UNKNOWN;
  private keptStopped = false;
  private liftingCost = 0;
  private keptFingers = 0;
  private openSounds = 0;
  private isHome = false;
  private isLone = false;
  private isLow = false;
  private openingsKnown = false;
  private openingsOfAll = 0;

  private readonly costs: LeftCosts;
  private readonly tables: StepTables;
  private readonly sounds: SoundTables;
  private readonly weakness: readonly number[];

  constructor(costs: LeftCosts, tables: StepTables, sounds: SoundTables) {
    this.costs = costs;
    this.tables = tables;
    this.sounds = sounds;
    this.leaving = new LeavingStates(sounds);
    this.bounds = new StepBounds(costs, tables, this.leaving);
    this.weakness = [0, costs.finger1, costs.finger2, costs.finger3, costs.finger4];
  }

  /**
   * Takes up the states of `layer` on the way to `moment`, or only the state `one`; without a layer the one free
   * hand before the piece.
   */
  prepare(layer: Layer | undefined, moment: Moment, one?: number): void {
    this.moment = moment;
    this.options = moment.options;
    this.haste = hasteOf(this.costs, moment.secondsBefore);
    this.bounds.take(moment, this.haste);
    this.leaving.take(layer, moment, one);
    this.state = UNKNOWN;
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
    const { costs, leaving, options } = this;
    if (state !== this.state || option !== this.option) this.loosen(state, option);
    this.to = position;
    let kept = this.keepable;
    if (this.straying !== 0) kept &= ~this.strayed(state, position);
    if (kept !== this.kept || ledger) this.keep(state, kept, ledger);
    this.isHome =
      ((options.homes[option]! >> position) & 1) === 1 ||
      (this.keptFingers !== 0 && this.isKeptHome(state, position));
    let cost = this.liftingCost;
    const index = leaving.fingerMask[state * FINGERS + 1]! & kept;
    if (isSeveral(index) && leaving.fingerBound[state * FINGERS + 1]! >= RINGING) {
      const amount = costs.barreHold * this.moment.beatsBefore;
      cost += amount;
      ledger?.('barre', this.moment.struck[0] ?? -1, amount);
    }
    return cost + this.struckCosts(options.fingersUsed[option]! > 0, ledger);
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
    this.isLow = options.highestFret[option]! <= FIRST_POSITION_FRET;
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
        const amount = lifted === 0 ? costs.liftRinging : costs.liftRingingMore;
        lifted += 1;
        cost += amount;
        ledger?.('ringing lifted', slotSound(leaving.slot[base + k]!), amount);
      }
    }
    this.liftingCost = cost;
    let keptFingers = 0;
    this.keptStopped = false;
    let openSounds = options.openMask[option]!;
    for (let rest = kept; rest !== 0; rest &= rest - 1) {
      const k = lowestIndex(rest);
      const finger = leaving.finger[base + k]!;
      if (finger === 0) openSounds |= 1 << k;
      else {
        keptFingers |= 1 << finger;
        if (leaving.bound[base + k]! >= RINGING) this.keptStopped = true;
      }
    }
    this.kept = kept;
    this.keptFingers = keptFingers;
    this.openSounds = openSounds;
    this.isLone = options.fingersUsed[option] === 1 && keptFingers === 0;
    this.openingsKnown = false;
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

  /** Whether a string that sounds is struck again where it lies; a held note by the same finger. */
  private isStruckInPlace(at: number, option: number, k: number): boolean {
    const { leaving, options } = this;
    if (options.fretAt[option * STRINGS + k] !== leaving.fret[at]) return false;
    const finger = leaving.finger[at]!;
    if (leaving.bound[at] !== HELD || finger === 0) return true;
    return ((options.fingerMask[option * FINGERS + finger]! >> k) & 1) === 1;
  }

  /** Height on the neck and open strings among stopped ones, for each struck note. */
  private struckCosts(anyStopped: boolean, ledger?: Ledger): number {
    const { costs, option, options, to } = this;
    const perOpen = to >= 4 && anyStopped ? costs.openAgainstHigh : 0;
    if (ledger)
      options.assignments[option]!.placements.forEach(({ string, fret, finger }, index) => {
        const sound = this.moment.struck[index]!;
        if (finger === 0 && string <= 3 && perOpen > 0) ledger('open string', sound, perOpen);
        const dark = Math.max(0, fret - DARK_FRET) * Math.max(0, string - 2);
        const amount =
          costs.height * (to - 1) +
          costs.upTheNeck * fret +
          costs.highOnLowString * dark +
          costs.pastTheBody * Math.max(0, fret - BODY_FRET);
        if (finger !== 0 && amount > 0) ledger('height', sound, amount);
      });
    return (
      costs.height * (to - 1) * options.stoppedNotes[option]! +
      costs.upTheNeck * options.frets[option]! +
      costs.highOnLowString * options.highOnLow[option]! +
      costs.pastTheBody * options.pastTheBody[option]! +
      perOpen * options.openTrebles[option]!
    );
  }

  /** The rest of the cost of the framed step when it starts from `state`; Infinity when the hand may not lie so. */
  costFrom(state: number, ledger?: Ledger): number {
    const { leaving, option, options, to } = this;
    const from = leaving.position[state]!;
    const shifting = from !== 0 && to !== from;
    let cost = leaving.hasVoices ? this.voiceCosts(state, ledger) : 0;
    if (options.fingersUsed[option] === 0) return cost;
    if (!this.isHome && (shifting || !this.mayStay())) return Infinity;
    const alone = this.isLone && !shifting && from !== 0;
    this.guided = false;
    this.anchored = shifting && (this.keptFingers !== 0 || this.anyStays(state));
    this.block = isSeveral(options.fingerBits[option]!) ? this.movedAsBlock(state) : 0;
    let placedNew = 0;
    for (let bits = options.fingerBits[option]!; bits !== 0; bits &= bits - 1) {
      const finger = lowestIndex(bits);
      const own = option * FINGERS + finger;
      const mask = options.fingerMask[own]!;
      const before = leaving.fingerMask[state * FINGERS + finger]!;
      const stays = this.stays(state, finger);
      if (!stays) {
        placedNew |= 1 << finger;
        cost += this.placingCost(state, finger, shifting, alone, ledger);
      }
      const whole = mask | (before & this.kept);
      if (isSeveral(whole) && !(stays && isSeveral(before))) {
        const flat = before & this.kept;
        const fret = options.fingerFret[own]!;
        // A barre that lies already only reaches further.
        let amount =
          this.barreSet(finger, whole, fret) - (isSeveral(flat) ? this.barreSet(finger, flat, fret) : 0);
        if (finger === 1 && (this.openSounds & (lowestBit(whole) >> 1)) !== 0)
          amount += this.costs.openBesideBarre;
        cost += amount;
        ledger?.('barre', this.struckOn(mask), amount);
      }
      cost += this.swapCost(state, finger, ledger);
    }
    // Set beside fingers that lie already, or one after another, they are no shape of their own.
    if (isSeveral(placedNew) && this.keptFingers === 0) {
      const amount = options.shape[option]!;
      cost += amount;
      if (amount !== 0) ledger?.('placing', this.moment.struck[0] ?? -1, amount);
    }
    if (placedNew === ALL_FINGERS) {
      cost += this.costs.fourFingers;
      ledger?.('placing', this.moment.struck[0] ?? -1, this.costs.fourFingers);
    }
    if (placedNew !== 0) cost += this.openings(state, placedNew, ledger);
    if (shifting) {
      const amount = this.shiftCost(state);
      cost += amount;
      ledger?.('shift', this.moment.struck[0] ?? -1, amount);
    }
    return cost;
  }

  /** Fingers that move together over the strings in the step being priced, as bits. */
  private block = 0;

  /** Fingers that keep their frets and move by the same number of strings, when there are at least two. */
  private movedAsBlock(state: number): number {
    const { kept, leaving, option, options } = this;
    let towardBass = 0;
    let towardTreble = 0;
    for (let bits = options.fingerBits[option]!; bits !== 0; bits &= bits - 1) {
      const finger = lowestIndex(bits);
      const before = leaving.fingerMask[state * FINGERS + finger]!;
      const mask = options.fingerMask[option * FINGERS + finger]!;
      const isSameFret =
        leaving.fingerFret[state * FINGERS + finger] === options.fingerFret[option * FINGERS + finger];
      if (before === 0 || !isSameFret || (before & kept) !== 0) continue;
      if (mask === before << 1) towardBass |= 1 << finger;
      else if (mask === before >> 1) towardTreble |= 1 << finger;
    }
    const block = isSeveral(towardBass) ? towardBass : towardTreble;
    return isSeveral(block) ? block : 0;
  }

  /** Whether a guide finger leads the shift being priced. */
  private guided = false;
  /** Whether a finger stays where it is in the shift being priced: nothing leads a hand that is held. */
  private anchored = false;

  /** Whether a finger of the option lies where it lay. */
  private stays(state: number, finger: number): boolean {
    const { leaving, option, options } = this;
    const before = leaving.fingerMask[state * FINGERS + finger]!;
    return (
      before !== 0 &&
      leaving.fingerFret[state * FINGERS + finger] === options.fingerFret[option * FINGERS + finger] &&
      (options.fingerMask[option * FINGERS + finger]! & ~before) === 0
    );
  }

  private anyStays(state: number): boolean {
    for (let bits = this.options.fingerBits[this.option]!; bits !== 0; bits &= bits - 1)
      if (this.stays(state, lowestIndex(bits))) return true;
    return false;
  }

  /** What putting a finger of the option down costs: the action, the way it comes, and where it lies. */
  private placingCost(
    state: number,
    finger: number,
    shifting: boolean,
    alone: boolean,
    ledger?: Ledger,
  ): number {
    const { costs, leaving, option, options, to } = this;
    const own = option * FINGERS + finger;
    const hand = state * FINGERS + finger;
    const mask = options.fingerMask[own]!;
    const fret = options.fingerFret[own]!;
    const before = leaving.fingerMask[hand]!;
    const sound = ledger ? this.struckOn(mask) : -1;
    let placing = costs.place;
    let way = 0;
    let term: LeftTerm = 'hop';
    if (before !== 0) {
      if (leaving.fingerFret[hand] === fret) {
        // The same fret on another string: lay a barre (charged on its own when the note before is kept) or jump.
        const hop = this.hop(hand) * (((this.block >> finger) & 1) === 1 ? costs.blockHop : 1);
        const joined = mask | before;
        if (isSeveral(before & this.kept)) placing = 0;
        way =
          (before & this.kept) !== 0 ? 0 : finger === 1 ? Math.min(hop, this.barreSet(1, joined, fret)) : hop;
      } else if ((mask & before) !== 0) {
        const isMoving = shifting && !this.anchored;
        const isOfChord = leaving.fingerBound[hand]! >= BUSY && leaving.fingerIsLine[hand] === 0;
        if (isOfChord) term = 'guide';
        if (isMoving && isOfChord) {
          this.guided = true;
          way = costs.guideSlide;
        } else if (isMoving) way = costs.slideLast;
        else if (isOfChord)
          way = Math.min(
            costs.slideInPosition,
            costs.slideBeside * Math.abs(fret - leaving.fingerFret[hand]!),
          );
        else if (leaving.fingerBound[hand]! >= BUSY) way = costs.slideInPosition;
        // A finger that was free for a while is lifted and set down again.
        else way = Math.min(costs.slideInPosition, costs.place + this.hop(hand));
        placing = 0;
      } else way = this.hop(hand);
    }
    const weak = this.weakness[finger]!;
    const away = fret - (to + finger - 1);
    let extension =
      alone && away !== 0 && !(away < 0 && to === 1)
        ? away < 0
          ? costs.loneBack
          : costs.loneForward
        : this.tables.deviation[deviationAt(finger, fret, to)]!;
    if (this.isLow) {
      const perFret =
        (this.openSounds !== 0 ? costs.firstPosition : 0) +
        (options.fingersUsed[option] === 1 ? costs.firstPositionAlone : 0);
      extension += perFret * Math.abs(finger - fret);
    }
    if (finger === 3 && this.isAboveBarre(state, mask, fret)) extension += costs.ringOverBarre;
    if (ledger) {
      if (way > 0) ledger(term, sound, way);
      if (placing > 0) ledger('placing', sound, placing);
      if (weak > 0) ledger('weak finger', sound, weak);
      if (extension > 0) ledger('extension', sound, extension);
    }
    return way + placing + weak + extension;
  }

  /** Whether a note on ① lies two frets above a barre of the index in the same grip, without 2 between them. */
  private isAboveBarre(state: number, mask: number, fret: number): boolean {
    const { kept, keptFingers, leaving, option, options } = this;
    // With 2 set as well the hand has turned back already.
    const hasMiddle = ((options.fingerBits[option]! | keptFingers) >> 2) & 1;
    if ((mask & 1) === 0 || hasMiddle === 1) return false;
    const own = options.fingerMask[option * FINGERS + 1]!;
    const before = leaving.fingerMask[state * FINGERS + 1]! & kept;
    const index =
      own !== 0 ? options.fingerFret[option * FINGERS + 1]! : leaving.fingerFret[state * FINGERS + 1]!;
    return isSeveral(own | before) && fret === index + 2;
  }

  /** What it costs that another finger lay where this one goes. */
  private swapCost(state: number, finger: number, ledger?: Ledger): number {
    const { costs, leaving, option, options } = this;
    if (((this.block >> finger) & 1) === 1) return 0;
    const base = state * STRINGS;
    const fret = options.fingerFret[option * FINGERS + finger]!;
    const mask = options.fingerMask[option * FINGERS + finger]!;
    let cost = 0;
    for (let rest = mask; rest !== 0; rest &= rest - 1) {
      const at = base + lowestIndex(rest);
      if (leaving.bound[at] === EMPTY || leaving.fret[at] !== fret) continue;
      if (leaving.finger[at] === finger || leaving.finger[at] === 0) continue;
      cost += costs.swapFinger;
      ledger?.('finger change', this.struckOn(mask), costs.swapFinger);
    }
    return cost;
  }

  /** Writes the state after the framed step from `state` into `next`. */
  settle(state: number): void {
    const { leaving, moment, next, option, options } = this;
    const base = state * STRINGS;
    for (let k = 0; k < STRINGS; k += 1) next[k] = (this.kept >> k) & 1 ? leaving.slot[base + k]! : 0;
    for (let index = 0; index < options.width; index += 1) {
      const from = option * options.width + index;
      const k = options.placedString[from]!;
      const fret = options.placedFret[from]!;
      const struck = moment.struck[index]!;
      const at = base + k;
      // A note struck again on the string that still holds it lasts as long as the longer of the two.
      const longer =
        leaving.bound[at] === HELD &&
        leaving.fret[at] === fret &&
        leaving.finger[at] === options.placedFinger[from] &&
        this.sounds.end[slotSound(leaving.slot[at]!)]! > this.sounds.end[struck]!;
      next[k] = packSlot(longer ? slotSound(leaving.slot[at]!) : struck, fret, options.placedFinger[from]!);
    }
  }

  private struckOn(mask: number): number {
    const { placements } = this.options.assignments[this.option]!;
    const index = placements.findIndex(({ string }) => (mask >> (string - 1)) & 1);
    return index < 0 ? -1 : this.moment.struck[index]!;
  }

  private barreSet(finger: number, mask: number, fret: number): number {
    const { costs } = this;
    const strings = stringsOf(mask);
    if (finger === 1) return this.tables.barre[fret]! + costs.barreString * strings;
    return (
      costs.smallBarre +
      (costs.smallBarreString + (finger === 4 ? costs.smallBarreLittleString : 0)) *
        Math.max(0, strings - 2) +
      (finger === 3 ? costs.smallBarreRing : finger === 4 ? costs.smallBarreLittle : 0)
    );
  }

  private hop(ofHand: number): number {
    const busy = this.costs.hop * this.haste.hop;
    return this.leaving.fingerBound[ofHand]! >= BUSY ? busy : Math.min(busy, this.costs.hopIdle);
  }

  /** Stretch, spread, cramp and order of every pair of fingers of which one is newly placed. */
  private openings(state: number, placedNew: number, ledger?: Ledger): number {
    const { kept, leaving, option, options } = this;
    const isAll = placedNew === options.fingerBits[option];
    if (isAll && this.openingsKnown && !ledger) return this.openingsOfAll;
    const hand = state * FINGERS;
    const own = option * FINGERS;
    const present = options.fingerBits[option]! | this.keptFingers;
    let cost = 0;
    for (let lows = present; lows !== 0; lows &= lows - 1) {
      const lower = lowestIndex(lows);
      const isOwnLow = options.fingerMask[own + lower] !== 0;
      const low = isOwnLow ? options.fingerFret[own + lower]! : leaving.fingerFret[hand + lower]!;
      for (let highs = lows & (lows - 1); highs !== 0; highs &= highs - 1) {
        const higher = lowestIndex(highs);
        if ((placedNew & ((1 << lower) | (1 << higher))) === 0) continue;
        const isOwnHigh = options.fingerMask[own + higher] !== 0;
        const high = isOwnHigh ? options.fingerFret[own + higher]! : leaving.fingerFret[hand + higher]!;
        let amount = this.tables.opening[openingAt(lower, higher, low, high)]!;
        if (low === high && this.lyingOn(state, lower) < this.lyingOn(state, higher))
          amount += this.costs.inverted;
        if (lower === 1 && low === high && !(isOwnLow && isOwnHigh) && this.couldLieFlat(state, higher))
          amount += this.costs.besideIndex;
        cost += amount;
        if (amount > 0) ledger?.('stretch', this.moment.struck[0] ?? -1, amount);
      }
    }
    if (isAll) {
      this.openingsKnown = true;
      this.openingsOfAll = cost;
    }
    return cost;
  }

  /** Whether the index could lie flat instead of another finger far beside it on its fret: no open string sounds between. */
  private couldLieFlat(state: number, other: number): boolean {
    const { kept, leaving, option, options } = this;
    const index = this.lyingOn(state, 1);
    const finger = this.lyingOn(state, other);
    return stringsApart(index, finger) >= FLAT_APART && (rangeOf(index | finger) & this.openSounds) === 0;
  }

  /** Strings a finger lies on once the option is struck. */
  private lyingOn(state: number, finger: number): number {
    const { kept, leaving, option, options } = this;
    return (
      options.fingerMask[option * FINGERS + finger]! | (leaving.fingerMask[state * FINGERS + finger]! & kept)
    );
  }

  /** What a voice pays for skipping strings and for slurs that cross them. */
  private voiceCosts(state: number, ledger?: Ledger): number {
    const { costs, leaving, moment, option, options } = this;
    const { width } = options;
    let cost = 0;
    for (let index = 0; index < width; index += 1) {
      const string = options.placedString[option * width + index]!;
      const line = leaving.lineString[state * width + index]!;
      if (line >= 0) {
        const skipped = Math.max(0, Math.abs(line - string) - 1);
        const isOpen = options.placedFinger[option * width + index] === 0;
        const amount =
          (line === string ? costs.stayOnString : costs.leaveString + costs.stringSkip * skipped) +
          (isOpen ? costs.openInLine : 0);
        cost += amount;
        if (amount > 0) ledger?.('string change', moment.struck[index]!, amount);
      }
      const slur = leaving.slurString[state * width + index]!;
      if (slur < 0) continue;
      const finger = options.placedFinger[option * width + index]!;
      const isSame = finger !== 0 && leaving.finger[state * STRINGS + slur] === finger;
      // A slur needs two fingers, a slide one.
      const amount =
        this.sounds.slides[moment.struck[index]!] === 1
          ? slur === string && isSame
            ? 0
            : costs.slideBroken
          : slur !== string
            ? costs.slurAcross
            : isSame
              ? costs.slurSameFinger
              : 0;
      cost += amount;
      if (amount > 0) ledger?.('slur', moment.struck[index]!, amount);
    }
    return cost;
  }

  private shiftCost(state: number): number {
    const { costs, haste, leaving, to } = this;
    const from = leaving.position[state]!;
    let cost = wholeShift(costs, this.tables, haste, from, to);
    if (this.guided) cost *= guidedShare(costs, from, to);
    else if (leaving.inRest[state] === 1) cost *= costs.shiftInRest * haste.calm;
    else if (leaving.anyStopped[state] === 0) cost *= costs.shiftOnOpen * haste.calm;
    return this.keptFingers !== 0 ? cost * costs.shiftHolding : cost;
  }
}
