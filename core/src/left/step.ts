import type { LeftCosts, LeftTerm } from './costs.ts';
import { spanOf, TABLE_FRETS, type Hand, type NeckTables } from './hand.ts';
import { packSlot, slotFinger, slotFret, slotSound, SLOTS, type Layer } from './layer.ts';
import { DARK_FRET, type Moment, type Option } from './moment.ts';

/** What the step must know of each sound, by sound index. Times in ticks. */
export interface SoundTables {
  readonly onset: Float64Array;
  readonly end: Float64Array;
  readonly ring: Float64Array;
  /** Sound slurred from, −1 for none. */
  readonly slurredFrom: Int32Array;
}

/** Receives every amount with its name when a path is accounted for. */
export type Ledger = (term: LeftTerm, sound: number, amount: number) => void;

/** How what lies on a string is bound at the moment of a step. */
const EMPTY = -1;
const IDLE = 0;
const BUSY = 1;
const RINGING = 2;
const HELD = 3;

const FINGERS = 5;
const MAX_HURRY_HOP = 2;
const MIN_HURRY_HOP = 0.15;
/** Frets a ringing finger may lie away from its home before the hand has left it. */
const REACH_FROM_HOME = 2;

const lowestBit = (mask: number): number => mask & -mask;
const isSeveral = (mask: number): boolean => (mask & (mask - 1)) !== 0;
/** Whether one string lies within the range of a mask. */
const isInside = (bit: number, mask: number): boolean => bit >= lowestBit(mask) && bit <= mask;

/**
 * One step of the left hand from the states of a layer to the next moment: what stays down, what must lift, what
 * each finger does, and what it costs. A step has two halves: `frame`, which depends only on what survives of a
 * state (so states that leave the same behind share it), and `costFrom`, which adds what the state's own
 * position and released fingers make of it. The same code finds the plan and accounts for it.
 */
export class Stepper {
  /** Slots of the state after the last `settle`. */
  readonly next = new Int32Array(SLOTS);
  /** Held notes that the last `frame` cuts. */
  cuts = 0;

  private readonly pair = new Float64Array(FINGERS * FINGERS * TABLE_FRETS * TABLE_FRETS);
  private readonly weakness: readonly number[];

  // The states being left, as they stand when the moment strikes: flat arrays by state and string or finger.
  private moment!: Moment;
  private position = new Uint8Array(0);
  private bound = new Int8Array(0);
  private sound = new Int32Array(0);
  private fret = new Uint8Array(0);
  private finger = new Uint8Array(0);
  private fingerFret = new Uint8Array(0);
  private fingerMask = new Uint8Array(0);
  private fingerBound = new Int8Array(0);
  private fingerIsLine = new Uint8Array(0);
  /** Strings on which something sounds on, and whether some finger lies flat. */
  private sounding = new Uint8Array(0);
  private lying = new Uint8Array(0);
  private hasBarre = new Uint8Array(0);
  private anyStopped = new Uint8Array(0);
  private inRest = new Uint8Array(0);
  private hopHurry = 1;

  // The frame: what survives and where the hand goes.
  private option!: Option;
  private to = 0;
  private kept = 0;
  private keptFingers = 0;
  private keptHome = false;
  private openSounds = 0;
  private isHome = false;
  private isLone = false;
  private isLow = false;
  private allOpenings = -1;

  private readonly costs: LeftCosts;
  private readonly neck: NeckTables;
  private readonly sounds: SoundTables;

  constructor(costs: LeftCosts, hand: Hand, neck: NeckTables, sounds: SoundTables) {
    this.costs = costs;
    this.neck = neck;
    this.sounds = sounds;
    this.weakness = [0, costs.finger1, costs.finger2, costs.finger3, costs.finger4];
    for (let lower = 1; lower <= 4; lower += 1)
      for (let higher = lower + 1; higher <= 4; higher += 1)
        for (let low = 1; low < TABLE_FRETS; low += 1)
          for (let high = low; high < TABLE_FRETS; high += 1) {
            const opening = neck.tip[high]! - neck.tip[low]!;
            const { comfortable } = spanOf(hand, lower, higher);
            const at = this.pairIndex(lower, higher, low, high);
            const excess = Math.max(0, opening - comfortable) / 10;
            const beyond = Math.max(0, high - low - (higher - lower));
            const cramped = Math.max(0, higher - lower - (high - low));
            this.pair[at] =
              costs.stretch * excess * excess +
              (costs.spread + (higher - lower === 1 ? costs.adjacentSpread : 0)) * beyond +
              costs.cramp * cramped;
          }
  }

  private pairIndex(lower: number, higher: number, low: number, high: number): number {
    return ((lower * FINGERS + higher) * TABLE_FRETS + low) * TABLE_FRETS + high;
  }

  /**
   * Takes up the states of `layer` on the way to `moment`, or only the state `one`; without a layer the one free
   * hand before the piece.
   */
  prepare(layer: Layer | undefined, moment: Moment, one?: number): void {
    const { sounds } = this;
    const count = layer ? layer.count : 1;
    const first = one ?? 0;
    const end = one === undefined ? count : one + 1;
    this.moment = moment;
    this.hopHurry = Math.min(
      MAX_HURRY_HOP,
      Math.max(MIN_HURRY_HOP, this.costs.hopReferenceTime / moment.secondsBefore),
    );
    if (this.position.length < count) this.resize(count * 2);
    this.fingerFret.fill(0, first * FINGERS, end * FINGERS);
    this.fingerMask.fill(0, first * FINGERS, end * FINGERS);
    this.fingerBound.fill(EMPTY, first * FINGERS, end * FINGERS);
    this.fingerIsLine.fill(0, first * FINGERS, end * FINGERS);
    for (let state = first; state < end; state += 1) {
      this.position[state] = layer ? layer.position[state]! : 0;
      let lastEnd = -Infinity;
      let anyStopped = 0;
      let sounding = 0;
      let lying = 0;
      let hasBarre = 0;
      for (let k = 0; k < SLOTS; k += 1) {
        const at = state * SLOTS + k;
        const slot = layer ? layer.slots[at]! : 0;
        if (slot === 0) {
          this.bound[at] = EMPTY;
          continue;
        }
        const sound = slotSound(slot);
        const finger = slotFinger(slot);
        const soundEnd = sounds.end[sound]!;
        const bound =
          soundEnd > moment.onset
            ? HELD
            : sounds.ring[sound]! > moment.onset
              ? RINGING
              : soundEnd > moment.previousOnset
                ? BUSY
                : IDLE;
        this.bound[at] = bound;
        this.sound[at] = sound;
        this.fret[at] = slotFret(slot);
        this.finger[at] = finger;
        if (soundEnd > lastEnd) lastEnd = soundEnd;
        if (bound >= RINGING) sounding |= 1 << k;
        if (finger !== 0 || bound >= RINGING) lying |= 1 << k;
        if (finger === 0) continue;
        const own = state * FINGERS + finger;
        this.fingerFret[own] = this.fret[at]!;
        if (this.fingerMask[own] !== 0) hasBarre = 1;
        this.fingerMask[own]! |= 1 << k;
        if (bound > this.fingerBound[own]!) this.fingerBound[own] = bound;
        if (bound >= BUSY) anyStopped = 1;
        if (moment.struckBefore === 1 && sounds.onset[sound] === moment.previousOnset)
          this.fingerIsLine[own] = 1;
      }
      this.sounding[state] = sounding;
      this.lying[state] = lying;
      this.hasBarre[state] = hasBarre;
      this.anyStopped[state] = anyStopped;
      this.inRest[state] = lastEnd < moment.onset ? 1 : 0;
    }
  }

  private resize(capacity: number): void {
    this.position = new Uint8Array(capacity);
    this.bound = new Int8Array(capacity * SLOTS);
    this.sound = new Int32Array(capacity * SLOTS);
    this.fret = new Uint8Array(capacity * SLOTS);
    this.finger = new Uint8Array(capacity * SLOTS);
    this.fingerFret = new Uint8Array(capacity * FINGERS);
    this.fingerMask = new Uint8Array(capacity * FINGERS);
    this.fingerBound = new Int8Array(capacity * FINGERS);
    this.fingerIsLine = new Uint8Array(capacity * FINGERS);
    this.sounding = new Uint8Array(capacity);
    this.lying = new Uint8Array(capacity);
    this.hasBarre = new Uint8Array(capacity);
    this.anyStopped = new Uint8Array(capacity);
    this.inRest = new Uint8Array(capacity);
  }

  /** End of a sound as written, in ticks. */
  endOf(sound: number): number {
    return this.sounds.end[sound]!;
  }

  /** Position of the hand in a prepared state; 0 before it was first used. */
  positionOf(state: number): number {
    return this.position[state]!;
  }

  /** Writes what survives of a state into `into` from `at`: equal residues share every frame. */
  residue(layer: Layer | undefined, state: number, into: Int32Array, at: number): void {
    for (let k = 0; k < SLOTS; k += 1)
      into[at + k] = this.bound[state * SLOTS + k]! >= RINGING ? layer!.slots[state * SLOTS + k]! : 0;
  }

  /**
   * Sets up the step to `option` with the hand at `position`, for all states with the residue of `state`. Returns
   * the part of the cost that they share. Options that only strike open strings leave every finger where it is,
   * so their frame holds for `state` alone.
   */
  frame(state: number, option: Option, position: number, ledger?: Ledger): number {
    const { costs } = this;
    const base = state * SLOTS;
    this.option = option;
    this.to = position;
    this.cuts = 0;
    this.allOpenings = -1;
    let cost = 0;
    const stopped = option.fingersUsed > 0;
    const struckAgain = this.sounding[state]! & option.stringMask;
    for (let k = 0; struckAgain >> k !== 0; k += 1) {
      if (!((struckAgain >> k) & 1) || option.fretAt[k] === this.fret[base + k]) continue;
      const isHeld = this.bound[base + k] === HELD;
      const amount = isHeld ? costs.cutHeld : costs.liftRinging;
      if (isHeld) this.cuts += 1;
      cost += amount;
      ledger?.(isHeld ? 'held note cut' : 'ringing lifted', this.sound[base + k]!, amount);
    }
    let kept = (stopped ? this.sounding[state]! : this.lying[state]!) & ~option.stringMask;
    const dropped =
      kept === 0
        ? 0
        : stopped
          ? this.conflicts(state, option, kept, position)
          : this.coveredOpen(state, option, kept);
    kept &= ~dropped;
    for (let k = 0; dropped >> k !== 0; k += 1) {
      if (!((dropped >> k) & 1)) continue;
      const bound = this.bound[base + k]!;
      const isHeld = bound === HELD;
      const amount = isHeld
        ? costs.cutHeld
        : bound === RINGING && this.finger[base + k] !== 0
          ? costs.liftRinging
          : 0;
      cost += amount;
      if (isHeld) this.cuts += 1;
      if (amount > 0) ledger?.(isHeld ? 'held note cut' : 'ringing lifted', this.sound[base + k]!, amount);
    }

    let keptFingers = 0;
    let keptHome = false;
    let openSounds = option.openMask;
    let keptStopped = false;
    for (let k = 0; kept >> k !== 0; k += 1) {
      if (!((kept >> k) & 1)) continue;
      const finger = this.finger[base + k]!;
      if (finger === 0) {
        openSounds |= 1 << k;
        continue;
      }
      keptFingers |= 1 << finger;
      if (this.bound[base + k]! >= RINGING) keptStopped = true;
      if (this.fret[base + k]! - finger + 1 === position) keptHome = true;
    }
    this.kept = kept;
    this.keptFingers = keptFingers;
    this.keptHome = keptHome;
    this.openSounds = openSounds;
    this.isHome = keptHome || ((option.homesMask >> position) & 1) === 1;
    this.isLone = option.fingersUsed === 1 && keptFingers === 0;
    this.isLow = option.highestFret <= 4;

    const mask = this.fingerMask[state * FINGERS + 1]! & kept;
    if (isSeveral(mask) && this.fingerBound[state * FINGERS + 1]! >= RINGING) {
      const amount = costs.barreHold * this.moment.beatsBefore;
      cost += amount;
      ledger?.('barre', this.moment.struck[0] ?? -1, amount);
    }
    return cost + this.struckCosts(keptStopped, ledger);
  }

  /** Height on the neck and open strings among stopped ones, for each struck note. */
  private struckCosts(keptStopped: boolean, ledger?: Ledger): number {
    const { costs, option, to } = this;
    const perOpen = to >= 4 && (option.fingersUsed > 0 || keptStopped) ? costs.openAgainstHigh : 0;
    if (ledger)
      option.placements.forEach(({ string, fret, finger }, index) => {
        const sound = this.moment.struck[index]!;
        if (finger === 0 && string <= 3 && perOpen > 0) ledger('open string', sound, perOpen);
        const dark = Math.max(0, fret - DARK_FRET) * Math.max(0, string - 2);
        const amount = costs.height * (to - 1) + costs.highOnLowString * dark;
        if (finger !== 0 && amount > 0) ledger('height', sound, amount);
      });
    return (
      costs.height * (to - 1) * option.stoppedNotes +
      costs.highOnLowString * option.highOnLow +
      perOpen * option.openTrebles
    );
  }

  /** The rest of the cost of the framed step when it starts from `state`; Infinity when the hand may not lie so. */
  costFrom(state: number, ledger?: Ledger): number {
    const { costs, option, to, kept, openSounds } = this;
    const base = state * SLOTS;
    const hand = state * FINGERS;
    const from = this.position[state]!;
    const shifting = from !== 0 && to !== from;
    if (option.fingersUsed > 0 && !this.isHome && (shifting || !this.mayStray(to))) return Infinity;
    let cost = this.voiceCosts(state, ledger);
    let guided = false;
    let placedNew = 0;
    for (let finger = 1; finger <= 4; finger += 1) {
      const mask = option.fingerMask[finger]!;
      if (mask === 0) continue;
      const fret = option.fingerFret[finger]!;
      const before = this.fingerMask[hand + finger]!;
      const beforeFret = this.fingerFret[hand + finger]!;
      const keptMask = before & kept;
      const whole = mask | keptMask;
      const stays = before !== 0 && beforeFret === fret && (mask & ~before) === 0;
      const sound = ledger ? this.struckOn(mask) : -1;
      if (!stays) {
        placedNew |= 1 << finger;
        let placing = costs.place;
        if (before !== 0) {
          if (beforeFret === fret) {
            // The same fret on another string: lay a barre (charged below when the note before is kept) or jump.
            const hop = this.hop(hand + finger);
            const amount =
              keptMask !== 0 ? 0 : finger === 1 ? Math.min(hop, this.barreSet(1, whole | before)) : hop;
            cost += amount;
            if (amount > 0) ledger?.('hop', sound, amount);
          } else if ((mask & before) !== 0) {
            const isGuide =
              shifting && this.fingerBound[hand + finger]! >= BUSY && this.fingerIsLine[hand + finger] === 0;
            guided ||= isGuide;
            const slide = isGuide ? costs.guideSlide : shifting ? costs.slideLast : costs.slideInPosition;
            cost += slide;
            ledger?.(isGuide ? 'guide' : 'hop', sound, slide);
            placing = 0;
          } else {
            const amount = this.hop(hand + finger);
            cost += amount;
            ledger?.('hop', sound, amount);
          }
        }
        const weak = this.weakness[finger]!;
        let extension = this.deviation(finger, fret, to, this.isLone && !shifting && from !== 0);
        if (openSounds !== 0 && this.isLow) extension += costs.firstPosition * Math.abs(finger - fret);
        cost += placing + weak + extension;
        if (ledger) {
          if (placing > 0) ledger('placing', sound, placing);
          if (weak > 0) ledger('weak finger', sound, weak);
          if (extension > 0) ledger('extension', sound, extension);
        }
      }
      if (isSeveral(whole) && !(stays && isSeveral(before))) {
        let amount = this.barreSet(finger, whole);
        if (finger === 1 && (openSounds & (lowestBit(whole) >> 1)) !== 0) amount += costs.openBesideBarre;
        cost += amount;
        ledger?.('barre', sound, amount);
      }
      for (let k = 0; mask >> k !== 0; k += 1)
        if (
          (mask >> k) & 1 &&
          this.bound[base + k] !== EMPTY &&
          this.fret[base + k] === fret &&
          this.finger[base + k] !== finger &&
          this.finger[base + k] !== 0
        ) {
          cost += costs.swapFinger;
          ledger?.('finger change', sound, costs.swapFinger);
        }
    }
    if (placedNew !== 0) cost += this.openings(state, placedNew, ledger);
    if (shifting) {
      const amount = this.shiftCost(state, guided);
      cost += amount;
      ledger?.('shift', this.moment.struck[0] ?? -1, amount);
    }
    return cost;
  }

  /** Writes the state after the framed step from `state` into `next`. */
  settle(state: number): void {
    const base = state * SLOTS;
    for (let k = 0; k < SLOTS; k += 1)
      this.next[k] =
        (this.kept >> k) & 1
          ? packSlot(this.sound[base + k]!, this.fret[base + k]!, this.finger[base + k]!)
          : 0;
    const { placements } = this.option;
    for (let index = 0; index < placements.length; index += 1) {
      const { string, fret, finger } = placements[index]!;
      const struck = this.moment.struck[index]!;
      const at = base + string - 1;
      // A note struck again on the string that still holds it lasts as long as the longer of the two.
      const longer =
        this.bound[at] === HELD &&
        this.fret[at] === fret &&
        this.sounds.end[this.sound[at]!]! > this.sounds.end[struck]!;
      this.next[string - 1] = packSlot(longer ? this.sound[at]! : struck, fret, finger);
    }
  }

  /** A lone finger may stray by a fret while the hand stays; at the nut all may lie behind their frets. */
  private mayStray(position: number): boolean {
    for (let finger = 1; finger <= 4; finger += 1) {
      if (this.option.fingerMask[finger] === 0) continue;
      const away = this.option.fingerFret[finger]! - (position + finger - 1);
      if (away < 0 ? position > 1 && !(this.isLone && away === -1) : !(this.isLone && away === 1))
        return false;
    }
    return true;
  }

  private struckOn(mask: number): number {
    const { placements } = this.option;
    for (let index = 0; index < placements.length; index += 1)
      if ((mask >> (placements[index]!.string - 1)) & 1) return this.moment.struck[index]!;
    return -1;
  }

  /** Strings of what was kept that cannot stay beside the option: order, reach, one finger one place, barres. */
  private conflicts(state: number, option: Option, kept: number, position: number): number {
    const base = state * SLOTS;
    let dropped = this.coveredOpen(state, option, kept);
    for (let k = 0; kept >> k !== 0; k += 1) {
      if (!((kept >> k) & 1)) continue;
      const finger = this.finger[base + k]!;
      const fret = this.fret[base + k]!;
      const bit = 1 << k;
      if (option.hasBarre && this.liesUnder(option, bit, fret)) dropped |= bit;
      if (finger === 0) continue;
      if (fret < option.lowestBeside[finger]! || fret > option.highestBeside[finger]!) dropped |= bit;
      else if (option.fingerMask[finger] !== 0) {
        if (option.fingerFret[finger] !== fret || !this.joins(state, option, kept, finger)) dropped |= bit;
      } else if (
        this.bound[base + k] === RINGING &&
        Math.abs(fret - (position + finger - 1)) > REACH_FROM_HOME
      )
        dropped |= bit;
    }
    return dropped;
  }

  /** Whether a barre of the option forbids what lies on a string. */
  private liesUnder(option: Option, bit: number, fret: number): boolean {
    for (let finger = 1; finger <= 4; finger += 1) {
      const mask = option.fingerMask[finger]!;
      if (!isSeveral(mask) || !isInside(bit, mask)) continue;
      const barre = option.fingerFret[finger]!;
      if (fret < barre || (finger >= 3 && fret > barre)) return true;
    }
    return false;
  }

  /** Strings of kept barres that the option's open or lower notes forbid. */
  private coveredOpen(state: number, option: Option, kept: number): number {
    let dropped = 0;
    if (this.hasBarre[state] === 0) return 0;
    for (let finger = 1; finger <= 4; finger += 1) {
      const mask = this.fingerMask[state * FINGERS + finger]! & kept;
      if (!isSeveral(mask)) continue;
      const fret = this.fingerFret[state * FINGERS + finger]!;
      for (let k = 0; k < SLOTS; k += 1)
        if (option.fretAt[k]! >= 0 && isInside(1 << k, mask) && option.fretAt[k]! < fret) dropped |= mask;
    }
    return dropped;
  }

  /** Whether a finger can lie flat over its kept strings and its strings in the option. */
  private joins(state: number, option: Option, kept: number, finger: number): boolean {
    const base = state * SLOTS;
    const whole = option.fingerMask[finger]! | (this.fingerMask[state * FINGERS + finger]! & kept);
    const fret = option.fingerFret[finger]!;
    let strings = 0;
    for (let k = 0; whole >> k !== 0; k += 1) {
      if (!isInside(1 << k, whole)) continue;
      strings += 1;
      const struck = option.fretAt[k]!;
      const lying = struck >= 0 ? struck : (kept >> k) & 1 ? this.fret[base + k]! : fret;
      if (lying < fret || (finger >= 3 && lying > fret)) return false;
    }
    return finger === 1 || strings <= 4;
  }

  private barreSet(finger: number, mask: number): number {
    const { costs } = this;
    const strings = 32 - Math.clz32(mask) - (31 - Math.clz32(lowestBit(mask)));
    if (finger === 1) return costs.barre + costs.barreString * strings;
    return (
      costs.smallBarre +
      costs.smallBarreString * Math.max(0, strings - 2) +
      (finger >= 3 ? costs.smallBarreWeak : 0)
    );
  }

  private hop(ofHand: number): number {
    const busy = this.costs.hop * this.hopHurry;
    return this.fingerBound[ofHand]! >= BUSY ? busy : Math.min(busy, this.costs.hopIdle);
  }

  private deviation(finger: number, fret: number, position: number, alone: boolean): number {
    const { costs, neck } = this;
    const away = fret - (position + finger - 1);
    if (away === 0) return 0;
    if (away < 0 && position === 1) return costs.nutBack * -away;
    if (alone) return away < 0 ? costs.loneBack : costs.loneForward;
    const width = neck.width[fret]! / 34;
    if (away < 0) return finger === 1 ? costs.indexBack * width * -away : costs.backward * -away;
    return (costs.forwardBase + costs.forwardWidth * width) * away * away;
  }

  /** Stretch, spread, cramp and order of every pair of fingers of which one is newly placed. */
  private openings(state: number, placedNew: number, ledger?: Ledger): number {
    const { option, kept } = this;
    const hand = state * FINGERS;
    const isAll = placedNew === option.fingerBits;
    if (isAll && this.allOpenings >= 0 && !ledger) return this.allOpenings;
    let cost = 0;
    for (let lower = 1; lower <= 3; lower += 1) {
      const lowMask = option.fingerMask[lower]! | (this.fingerMask[hand + lower]! & kept);
      if (lowMask === 0) continue;
      const low = option.fingerMask[lower] !== 0 ? option.fingerFret[lower]! : this.fingerFret[hand + lower]!;
      for (let higher = lower + 1; higher <= 4; higher += 1) {
        if (((placedNew >> lower) & 1) === 0 && ((placedNew >> higher) & 1) === 0) continue;
        const highMask = option.fingerMask[higher]! | (this.fingerMask[hand + higher]! & kept);
        if (highMask === 0) continue;
        const high =
          option.fingerMask[higher] !== 0 ? option.fingerFret[higher]! : this.fingerFret[hand + higher]!;
        let amount = this.pair[this.pairIndex(lower, higher, low, high)]!;
        if (low === high && lowMask < highMask) amount += this.costs.inverted;
        cost += amount;
        if (amount > 0) ledger?.('stretch', this.moment.struck[0] ?? -1, amount);
      }
    }
    if (isAll) this.allOpenings = cost;
    return cost;
  }

  /** What a voice pays for skipping strings and for slurs that cross them. */
  private voiceCosts(state: number, ledger?: Ledger): number {
    const { costs, moment, sounds, option } = this;
    const base = state * SLOTS;
    let cost = 0;
    for (let index = 0; index < option.placements.length; index += 1) {
      const sound = moment.struck[index]!;
      const slurredFrom = sounds.slurredFrom[sound]!;
      const lineFrom = moment.lineFrom[index]!;
      if (slurredFrom < 0 && lineFrom < 0) continue;
      const { string, finger } = option.placements[index]!;
      for (let k = 0; k < SLOTS; k += 1) {
        if (this.bound[base + k] === EMPTY) continue;
        const before = this.sound[base + k]!;
        if (before === lineFrom) {
          const amount = costs.stringSkip * Math.max(0, Math.abs(k + 1 - string) - 1);
          cost += amount;
          if (amount > 0) ledger?.('string change', sound, amount);
        }
        if (before === slurredFrom) {
          const amount =
            k + 1 !== string
              ? costs.slurAcross
              : finger !== 0 && this.finger[base + k] === finger
                ? costs.slurSameFinger
                : 0;
          cost += amount;
          if (amount > 0) ledger?.('slur', sound, amount);
        }
      }
    }
    return cost;
  }

  private shiftCost(state: number, guided: boolean): number {
    const { costs, neck, moment, to } = this;
    const from = this.position[state]!;
    const distance = Math.abs(neck.tip[to]! - neck.tip[from]!) / 10;
    const hurry = Math.min(costs.shiftHurryLimit, costs.shiftReferenceTime / moment.secondsBefore);
    let cost = costs.shift + costs.shiftDistance * distance * hurry;
    if (guided) cost *= costs.shiftGuided + costs.shiftGuidedFar * Math.max(0, Math.abs(to - from) - 2);
    else if (this.inRest[state] === 1) cost *= costs.shiftInRest;
    else if (this.anyStopped[state] === 0) cost *= costs.shiftOnOpen;
    return this.keptFingers !== 0 ? cost * costs.shiftHolding : cost;
  }
}
