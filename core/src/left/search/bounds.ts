import type { LeftCosts } from '../hand/costs.ts';
import { TABLE_FRETS } from '../hand/hand.ts';
import { BUSY, type StandingStates } from './standing-states.ts';
import type { Moment } from '../moments/ways-at-moment.ts';
import { FINGERS, type OptionTable } from '../moments/option-table.ts';
import { deviationAt, type StepTables } from './step-tables.ts';
import { isSeveral, lowestIndex } from '../hand/string-masks.ts';
import { registerCost, settlingCost, stayingCost } from './height-costs.ts';
import { struckCost } from './struck-costs.ts';

/** The most that a note which joins a ringing shape spares, in units of effort. Our own value. */
export const SHAPE_SPARES = -1.5;

/** Positions that a hand goes at one stroke however little time there is. Our own value. */
const FAR = 5;

const MAX_HURRY_HOP = 2;
const MIN_HURRY_HOP = 0.15;

/** What the time before a moment makes of the costs of getting there, as factors. */
export interface Haste {
  readonly hop: number;
  readonly shift: number;
  /** What a shift that nothing leads weighs. */
  readonly unguided: number;
  /** What one weighs that the finger leads which has just played the line. */
  readonly ledByLine: number;
  /** What it costs that a finger slides from the note which it has just played. */
  readonly slide: number;
  /** The same without moving the hand. */
  readonly slideInPosition: number;
  /** What a shift costs less when nothing has held the hand for some time. */
  readonly calm: number;
}

export const hasteOf = (costs: LeftCosts, secondsBefore: number): Haste => {
  const most = costs.shiftHasteMost;
  const hop = costs.hopReferenceTime / secondsBefore;
  const hasteAgainst = (reference: number): number => (reference / secondsBefore) ** costs.shiftHaste;
  return {
    hop: Math.min(MAX_HURRY_HOP, Math.max(MIN_HURRY_HOP, hop)),
    shift: Math.min(costs.shiftHurryLimit, costs.shiftReferenceTime / secondsBefore),
    unguided: Math.min(most, Math.max(1 / most, hasteAgainst(costs.shiftReferenceTime))),
    ledByLine: costs.shiftLedByLine * Math.min(most, Math.max(1, hasteAgainst(costs.hopReferenceTime))),
    slide: Math.min(costs.slideHasteMost, Math.max(1, hop ** costs.slideHaste)),
    slideInPosition: Math.min(MAX_HURRY_HOP, Math.max(1, hop)),
    calm: Math.max(costs.shiftCalmLeast, Math.min(1, costs.shiftCalm / secondsBefore)),
  };
};

/** What moving the whole hand costs before anything makes it easier, in units of effort. */
export const wholeShift = (
  costs: LeftCosts,
  tables: StepTables,
  haste: Haste,
  from: number,
  to: number,
): number => costs.shift + costs.shiftDistance * tables.distance[from * TABLE_FRETS + to]! * haste.shift;

/** The share of a shift that a guide finger leaves. */
export const guidedShare = (costs: LeftCosts, from: number, to: number): number =>
  costs.shiftGuided + costs.shiftGuidedFar * Math.max(0, Math.abs(to - from) - 2);

/** The share of a shift that is left while open strings ring; little helps them where the way is far and time short. */
export const openShare = (costs: LeftCosts, haste: Haste, from: number, to: number): number =>
  costs.shiftOnOpen *
  haste.calm *
  (1 + costs.shiftOnOpenFar * Math.max(0, Math.abs(to - from) - FAR) * haste.shift);

/**
 * Bounds from below on what a step of the left hand costs, cheap enough to be asked before the step is framed. They look
 * at a state and an option alone, not at what stays down beside it.
 */
export class StepBounds {
  private moment!: Moment;
  private strikesBroken = false;
  private options!: OptionTable;
  private haste!: Haste;
  private readonly costs: LeftCosts;
  private readonly tables: StepTables;
  private readonly leaving: StandingStates;
  private readonly weakness: readonly number[];
  /** By option and finger: what setting it costs wherever the hand lies and comes from. */
  private setting = new Float64Array(0);

  constructor(costs: LeftCosts, tables: StepTables, leaving: StandingStates) {
    this.costs = costs;
    this.tables = tables;
    this.leaving = leaving;
    this.weakness = [0, costs.finger1, costs.finger2, costs.finger3, costs.finger4];
  }

  take(moment: Moment, haste: Haste, strikesBroken: boolean): void {
    this.strikesBroken = strikesBroken;
    this.moment = moment;
    this.options = moment.options;
    this.haste = haste;
    const { count, fingerMask } = moment.options;
    if (this.setting.length < count * FINGERS) this.setting = new Float64Array(count * FINGERS * 2);
    for (let option = 0; option < count; option += 1)
      for (let finger = 1; finger < FINGERS; finger += 1)
        if (fingerMask[option * FINGERS + finger] !== 0)
          this.setting[option * FINGERS + finger] =
            this.weakness[finger]! + registerCost(this.costs, moment, option, finger);
  }

  /** What the struck notes of an option cost in a position whatever lies around them. */
  struck(option: number, position: number): number {
    return struckCost(this.costs, this.moment, option, position, false);
  }

  /** What a state at least pays to move the hand to a position and to put the fingers of an option down there. */
  movement(state: number, option: number, position: number): number {
    const { costs, haste, leaving, options, tables } = this;
    const from = leaving.position[state]!;
    const shifting = from !== 0 && from !== position;
    let placing = stayingCost(costs, this.moment, from);
    if (from !== position) placing += settlingCost(costs, this.moment, option, from);
    let guided = false;
    let ledByLine = false;
    for (let bits = options.fingerBits[option]!; bits !== 0; bits &= bits - 1) {
      const finger = lowestIndex(bits);
      const hand = state * FINGERS + finger;
      const own = option * FINGERS + finger;
      const mask = options.fingerMask[own]!;
      const fret = options.fingerFret[own]!;
      const before = leaving.fingerMask[hand]!;
      const isSameFret = leaving.fingerFret[hand] === fret;
      if (before !== 0 && isSameFret && (mask & ~before) === 0) continue;
      const slidesFlat =
        finger === 1 &&
        shifting &&
        !(leaving.fingerIsLine[hand] === 1 && before === mask) &&
        leaving.flat[state] !== 0 &&
        leaving.flat[state] !== fret;
      placing += this.setting[own]! + this.lying(finger, fret, position, shifting);
      if (slidesFlat) {
        guided = true;
        placing += costs.guideSlide;
      } else if (
        before === 0 ||
        (isSameFret && !isSeveral(before) && !(finger === 1 && leaving.flat[state] === fret))
      )
        placing += costs.place;
      // A barre that lies already may only have to reach further.
      else if (isSameFret) continue;
      else if ((mask & before) === 0) placing += costs.place + this.hop(hand);
      else if (leaving.fingerBound[hand]! < BUSY && !shifting)
        placing += Math.min(costs.slideInPosition, costs.place + this.hop(hand));
      else if (leaving.fingerBound[hand]! >= BUSY && leaving.fingerIsLine[hand] === 1) {
        ledByLine = shifting;
        placing += shifting ? costs.slideLast * haste.slide : costs.slideInPosition * haste.slideInPosition;
      } else {
        guided = shifting;
        placing += shifting ? costs.guideSlide : Math.min(costs.slideInPosition, costs.slideBeside);
      }
    }
    // Setting several at once as one shape may spare something, and so may adding to one that rings.
    placing += Math.min(
      0,
      options.shape[option]!,
      this.strikesBroken || leaving.patterned[state] !== 0 ? SHAPE_SPARES : 0,
    );
    if (!shifting) return placing;
    const whole = wholeShift(costs, tables, haste, from, position);
    let share = guided ? guidedShare(costs, from, position) : ledByLine ? haste.ledByLine : haste.unguided;
    if (leaving.inRest[state] === 1) share = Math.min(share, costs.shiftInRest * haste.calm);
    else if (leaving.anyStopped[state] === 0)
      share = Math.min(share, openShare(costs, haste, from, position));
    return placing + whole * share;
  }

  /** A finger away from home, whether or not it lies alone. */
  private lying(finger: number, fret: number, position: number, shifting: boolean): number {
    const { costs } = this;
    const among = this.tables.deviation[deviationAt(finger, fret, position)]!;
    if (among === 0 || shifting) return among;
    return Math.min(among, fret < position + finger - 1 ? costs.loneBack : costs.loneForward);
  }

  private hop(ofHand: number): number {
    const busy = this.costs.hop * this.haste.hop;
    return this.leaving.fingerBound[ofHand]! >= BUSY ? busy : 0;
  }
}
