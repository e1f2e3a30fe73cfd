import { barreSet, flatShare } from './barre-costs.ts';
import { guidedShare, openShare, wholeShift, type Haste } from './bounds.ts';
import type { LeftCosts, LeftTerm } from '../hand/costs.ts';
import { registerCost } from './height-costs.ts';
import { slidesFlat } from './flat-index.ts';
import type { KeptBeside } from './kept-beside.ts';
import { BUSY } from './standing-states.ts';
import type { Ledger } from './ledger.ts';
import { FINGERS, STRINGS } from '../moments/option-table.ts';
import { deviationAt, type StepTables } from './step-tables.ts';
import { isSeveral, lowestIndex, TREBLES } from '../hand/string-masks.ts';

/** How a finger comes to its place: what that costs, and what setting it down costs besides. */
interface Way {
  readonly cost: number;
  readonly placing: number;
  readonly term: LeftTerm;
}

/** A hand that comes from this position or from above is not in first position, however low a note lies. */
export const UP_THE_NECK = 3;

/** What the fingers of a framed option cost on the way from one state, and the shift of the hand. */
export class Placing {
  haste!: Haste;

  private readonly costs: LeftCosts;
  private readonly tables: StepTables;
  private readonly frame: KeptBeside;
  private readonly weakness: readonly number[];
  private state = 0;
  private from = 0;
  private shifting = false;
  /** Whether one finger alone is placed by a hand that stays. */
  private alone = false;
  /** Whether a guide finger leads the shift. */
  private guided = false;
  /** Whether a finger leads it that has just played the line. */
  private ledByLine = false;
  /** Whether a finger stays where it is in the shift: nothing leads a hand that is held. */
  private anchored = false;
  /** Fingers that move together over the strings, as bits. */
  private block = 0;

  constructor(costs: LeftCosts, tables: StepTables, frame: KeptBeside) {
    this.costs = costs;
    this.tables = tables;
    this.frame = frame;
    this.weakness = [0, costs.finger1, costs.finger2, costs.finger3, costs.finger4];
  }

  /** Begins the way from a state to the framed option; false when the hand may not lie so. */
  begin(state: number): boolean {
    const { frame } = this;
    this.state = state;
    this.from = frame.leaving.position[state]!;
    this.shifting = this.from !== 0 && frame.to !== this.from;
    if (!frame.isHome && (this.shifting || !frame.mayStay())) return false;
    const fingers = frame.options.fingerBits[frame.option]!;
    this.alone = frame.isLone && !this.shifting && this.from !== 0;
    this.guided = false;
    this.ledByLine = false;
    this.anchored = this.shifting && (frame.keptFingers !== 0 || this.anyStays(fingers));
    this.block = isSeveral(fingers) ? this.movedAsBlock(fingers) : 0;
    return true;
  }

  /** What putting a finger of the option down costs: the action, the way it comes, and where it lies. */
  finger(finger: number, ledger?: Ledger): number {
    const { costs, frame } = this;
    const own = frame.option * FINGERS + finger;
    const mask = frame.options.fingerMask[own]!;
    const fret = frame.options.fingerFret[own]!;
    const way = this.wayOf(finger, mask, fret);
    const weak = this.weakness[finger]!;
    const register = registerCost(costs, frame.moment, frame.option, finger);
    let extension = this.deviation(finger, fret);
    if (frame.isLow && this.from < UP_THE_NECK && !this.isInHigherPosition(finger, fret, mask)) {
      const perFret =
        (frame.openSounds !== 0 ? costs.firstPosition : 0) +
        (frame.options.fingersUsed[frame.option] === 1 ? costs.firstPositionAlone : 0);
      extension += perFret * Math.abs(finger - fret);
    }
    if (finger === 3 && this.isAboveBarre(mask, fret)) extension += costs.ringOverBarre;
    if (ledger) {
      const sound = frame.struckOn(mask);
      if (way.cost > 0) ledger(way.term, sound, way.cost);
      if (way.placing > 0) ledger('placing', sound, way.placing);
      if (weak > 0) ledger('weak finger', sound, weak);
      if (extension > 0) ledger('extension', sound, extension);
      if (register > 0) ledger('height', sound, register);
    }
    return way.cost + way.placing + weak + extension + register;
  }

  /** Whether a note of a tune lies under the finger in a position up the neck where the hand is, as the music around asks. */
  private isInHigherPosition(finger: number, fret: number, mask: number): boolean {
    const { moment, to } = this.frame;
    return (
      moment.isTuneBeyondFirst &&
      !this.shifting &&
      (mask & TREBLES) !== 0 &&
      to > 1 &&
      fret === to + finger - 1
    );
  }

  /** What it costs that another finger lay where this one goes. */
  swap(finger: number, ledger?: Ledger): number {
    const { costs, frame, state } = this;
    if (((this.block >> finger) & 1) === 1) return 0;
    const { leaving } = frame;
    const fret = frame.options.fingerFret[frame.option * FINGERS + finger]!;
    const mask = frame.options.fingerMask[frame.option * FINGERS + finger]!;
    let cost = 0;
    for (let rest = mask; rest !== 0; rest &= rest - 1) {
      const at = state * STRINGS + lowestIndex(rest);
      // A finger that rests in silence is lifted for nothing.
      if (leaving.bound[at]! < BUSY || leaving.fret[at] !== fret) continue;
      if (leaving.finger[at] === finger || leaving.finger[at] === 0) continue;
      cost += costs.swapFinger;
      ledger?.('finger change', frame.struckOn(mask), costs.swapFinger);
    }
    return cost;
  }

  /**
   * What it costs that a finger goes to the other side of one that has just been lifted: a higher finger behind a lower
   * one or the reverse, while the hand stays.
   */
  crossing(finger: number, ledger?: Ledger): number {
    if (this.shifting) return 0;
    const { costs, frame, state } = this;
    const { leaving, option, options } = frame;
    const fret = options.fingerFret[option * FINGERS + finger]!;
    const mask = options.fingerMask[option * FINGERS + finger]!;
    let cost = 0;
    for (let other = 1; other < FINGERS; other += 1) {
      const hand = state * FINGERS + other;
      const before = leaving.fingerFret[hand]!;
      if (other === finger || before === fret || leaving.fingerBound[hand]! < BUSY) continue;
      if (options.fingerMask[option * FINGERS + other] !== 0 || frame.keptOf(state, other) !== 0) continue;
      if (fret < before !== finger > other) continue;
      const amount = (leaving.fingerMask[hand]! & mask) !== 0 ? costs.crossOver : costs.crossInHand;
      cost += amount;
      ledger?.('finger change', frame.struckOn(mask), amount);
    }
    return cost;
  }

  /** What moving the hand costs, once the fingers have been asked; 0 when it stays. */
  shift(): number {
    if (!this.shifting) return 0;
    const { costs, frame, from, haste, state } = this;
    const { leaving, to } = frame;
    let cost = wholeShift(costs, this.tables, haste, from, to);
    let share = this.guided
      ? guidedShare(costs, from, to)
      : this.ledByLine
        ? haste.ledByLine
        : haste.unguided;
    if (leaving.inRest[state] === 1) share = Math.min(share, costs.shiftInRest * haste.calm);
    else if (leaving.anyStopped[state] === 0) share = Math.min(share, openShare(costs, haste, from, to));
    cost *= share;
    return frame.keptFingers !== 0 ? cost * costs.shiftHolding : cost;
  }

  private wayOf(finger: number, mask: number, fret: number): Way {
    const { costs, frame, shifting, state } = this;
    const { leaving } = frame;
    const hand = state * FINGERS + finger;
    const before = leaving.fingerMask[hand]!;
    const { place } = costs;
    // A barre leads, but not where the index plays a line by itself and takes it along the string.
    const playsLine = leaving.fingerIsLine[hand] === 1 && before === mask;
    if (finger === 1 && shifting && !this.anchored && !playsLine && slidesFlat(frame, state, fret)) {
      this.guided = true;
      return { cost: costs.guideSlide, placing: 0, term: 'guide' };
    }
    if (before === 0) return { cost: 0, placing: place, term: 'hop' };
    if (leaving.fingerFret[hand] === fret) return this.acrossFret(finger, mask, fret);
    if ((mask & before) === 0) return { cost: this.hop(hand), placing: place, term: 'hop' };
    const isMoving = shifting && !this.anchored;
    const isBusy = leaving.fingerBound[hand]! >= BUSY;
    if (isMoving && (!isBusy || leaving.fingerIsLine[hand] === 0)) {
      this.guided = true;
      return { cost: costs.guideSlide, placing: 0, term: 'guide' };
    }
    if (isBusy && leaving.fingerIsLine[hand] === 0) {
      const slide = costs.slideBeside * Math.abs(fret - leaving.fingerFret[hand]!);
      return { cost: Math.min(costs.slideInPosition, slide), placing: 0, term: 'guide' };
    }
    if (isMoving) {
      this.ledByLine = true;
      return { cost: costs.slideLast * this.haste.slide, placing: 0, term: 'hop' };
    }
    // A finger that was free for a while is lifted and set down again.
    const cost = isBusy
      ? costs.slideInPosition * this.haste.slideInPosition
      : Math.min(costs.slideInPosition, place + this.hop(hand));
    return { cost, placing: 0, term: 'hop' };
  }

  /** To another string on the same fret: by a barre, charged on its own when the note before is kept, or by a jump. */
  private acrossFret(finger: number, mask: number, fret: number): Way {
    const { costs, frame, state } = this;
    const hand = state * FINGERS + finger;
    const kept = frame.keptOf(state, finger);
    const isFlat = finger === 1 && frame.leaving.flat[state] === fret;
    if (kept !== 0) return { cost: 0, placing: isSeveral(kept) || isFlat ? 0 : costs.place, term: 'hop' };
    const hop = this.hop(hand) * (((this.block >> finger) & 1) === 1 ? costs.blockHop : 1);
    const joined = mask | frame.leaving.fingerMask[hand]!;
    const cost =
      finger === 1
        ? Math.min(
            hop,
            flatShare(costs, frame, state, fret, mask) * barreSet(costs, this.tables, 1, joined, fret),
          )
        : hop;
    return { cost, placing: isFlat ? 0 : costs.place, term: 'hop' };
  }

  /** A finger away from its home in the hand's position; at the nut a finger set alone shows how far it is drawn back. */
  private deviation(finger: number, fret: number): number {
    const { costs, frame } = this;
    const { option, options, to } = frame;
    const away = fret - (to + finger - 1);
    if (away < 0 && to === 1 && options.fingersUsed[option] === 1) return costs.nutBack * away * away;
    if (this.alone && away !== 0) return away < 0 ? costs.loneBack : costs.loneForward;
    return this.tables.deviation[deviationAt(finger, fret, to)]!;
  }

  /** Fingers that keep their frets and move by the same number of strings, when there are at least two. */
  private movedAsBlock(fingers: number): number {
    const { frame, state } = this;
    const { leaving, option, options } = frame;
    let towardBass = 0;
    let towardTreble = 0;
    for (let bits = fingers; bits !== 0; bits &= bits - 1) {
      const finger = lowestIndex(bits);
      const before = leaving.fingerMask[state * FINGERS + finger]!;
      const mask = options.fingerMask[option * FINGERS + finger]!;
      const isSameFret =
        leaving.fingerFret[state * FINGERS + finger] === options.fingerFret[option * FINGERS + finger];
      if (before === 0 || !isSameFret || (before & frame.kept) !== 0) continue;
      if (mask === before << 1) towardBass |= 1 << finger;
      else if (mask === before >> 1) towardTreble |= 1 << finger;
    }
    const block = isSeveral(towardBass) ? towardBass : towardTreble;
    return isSeveral(block) ? block : 0;
  }

  private anyStays(fingers: number): boolean {
    for (let bits = fingers; bits !== 0; bits &= bits - 1)
      if (this.frame.stays(this.state, lowestIndex(bits))) return true;
    return false;
  }

  /** Whether a note on ① lies two frets above a barre of the index in the same grip, without 2 between them. */
  private isAboveBarre(mask: number, fret: number): boolean {
    const { frame, state } = this;
    // With 2 set as well the hand has turned back already.
    const hasMiddle = ((frame.options.fingerBits[frame.option]! | frame.keptFingers) >> 2) & 1;
    if ((mask & 1) === 0 || hasMiddle === 1) return false;
    return isSeveral(frame.lyingOn(state, 1)) && fret === frame.fretOf(state, 1) + 2;
  }

  private hop(ofHand: number): number {
    const busy = this.costs.hop * this.haste.hop;
    return this.frame.leaving.fingerBound[ofHand]! >= BUSY ? busy : 0;
  }
}
