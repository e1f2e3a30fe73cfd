import type { LeftCosts } from '../hand/costs.ts';
import { countOf } from '../hand/string-masks.ts';
import { BELOW_TREBLE, FINGERS } from '../moments/option-table.ts';
import type { Moment } from '../moments/ways-at-moment.ts';

/** A note so few frets above the hand’s position is no further up the neck. */
const SAME_REGION = 1;
/** So many frets a hand covers: what lies further is another place. */
const HAND = 4;

/**
 * What it costs a hand to settle up the neck, in units of effort. Height belongs to the hand: it is paid where the hand
 * arrives, by how much further up its lowest note lies than where it was, and in the search for a first place; the notes
 * that follow there pay nothing. `from` is 0 for the hand that has not been used yet. At the opening of a piece the search
 * for a first place goes on: a low note before a leap up does not make the way there cheaper. The fingers make no difference.
 */
export const settlingCost = (
  costs: LeftCosts,
  { isOpening, options }: Pick<Moment, 'isOpening' | 'options'>,
  option: number,
  from: number,
): number => {
  const lowest = options.lowestFret[option]!;
  if (from !== 0) {
    const isJump = isOpening && lowest - from >= HAND;
    return (costs.settle + (isJump ? costs.upTheNeck : 0)) * Math.max(0, lowest - from - SAME_REGION);
  }
  return (
    costs.settle * (lowest - 1) + (costs.upTheNeck * options.frets[option]!) / options.stoppedNotes[option]!
  );
};

/** What a hand pays for the time since the moment before that it has lain at a position: no harmony keeps a lone line there. */
export const stayingCost = (
  costs: LeftCosts,
  { beatsBefore, isLoneLine }: Pick<Moment, 'beatsBefore' | 'isLoneLine'>,
  position: number,
): number =>
  position > 1 ? (isLoneLine ? costs.stayHighAlone : costs.stayHigh) * (position - 1) * beatsBefore : 0;

/** What setting a finger of an option costs for where on the neck, and in which register, its strings sound there. */
export const registerCost = (
  costs: LeftCosts,
  { inTremolo, options }: Pick<Moment, 'inTremolo' | 'options'>,
  option: number,
  finger: number,
): number =>
  costs.fretUp *
    options.fingerFret[option * FINGERS + finger]! *
    countOf(options.fingerMask[option * FINGERS + finger]!) +
  costs.highOnLowString *
    (inTremolo === 'below' ? BELOW_TREBLE : 1) *
    options.highOnLow[option * FINGERS + finger]! +
  costs.pastTheBody * options.pastTheBody[option * FINGERS + finger]!;
