import type { LeftCosts } from '../hand/costs.ts';
import { FINGERS, type OptionTable } from '../moments/option-table.ts';

/**
 * What it costs a hand to settle up the neck, in units of effort. Height belongs to the hand: it is paid where the hand
 * arrives, by how much further up that is, and in the search for a first place; the notes that follow there pay nothing.
 * `from` is 0 for the hand that has not been used yet.
 */
export const settlingCost = (
  costs: LeftCosts,
  options: OptionTable,
  option: number,
  from: number,
  to: number,
): number => {
  if (from !== 0) return to > from ? costs.settle * (to - from) : 0;
  return (
    costs.settle * (to - 1) + (costs.upTheNeck * options.frets[option]!) / options.stoppedNotes[option]!
  );
};

/** What a hand pays for the time since the moment before that it has lain at a position. */
export const stayingCost = (costs: LeftCosts, position: number, beats: number): number =>
  position > 1 ? costs.stayHigh * (position - 1) * beats : 0;

/** What setting a finger of an option costs for the register in which its strings sound there. */
export const registerCost = (costs: LeftCosts, options: OptionTable, option: number, finger: number): number =>
  costs.highOnLowString * options.highOnLow[option * FINGERS + finger]! +
  costs.pastTheBody * options.pastTheBody[option * FINGERS + finger]!;
