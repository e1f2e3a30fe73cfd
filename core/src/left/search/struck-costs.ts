import type { LeftCosts } from '../hand/costs.ts';
import type { Ledger } from './ledger.ts';
import type { Moment } from '../moments/ways-at-moment.ts';
import { BODY_FRET, DARK_FRET, type OptionTable } from '../moments/option-table.ts';

/** Hand position from which an open treble changes the colour of a chord. */
const HIGH_POSITION = 4;

/** What the height of an option's stopped notes costs in a hand position, in units of effort. */
export const heightCost = (
  costs: LeftCosts,
  options: OptionTable,
  option: number,
  position: number,
): number =>
  costs.height * (position - 1) * options.stoppedNotes[option]! +
  costs.upTheNeck * options.frets[option]! +
  costs.highOnLowString * options.highOnLow[option]! +
  costs.pastTheBody * options.pastTheBody[option]!;

/** The same with what open trebles cost beside stopped notes high on the neck. */
export const struckCost = (
  costs: LeftCosts,
  { options, struck }: Moment,
  option: number,
  position: number,
  ledger?: Ledger,
): number => {
  const isHigh = position >= HIGH_POSITION && options.fingersUsed[option]! > 0;
  const perOpen = isHigh ? costs.openAgainstHigh : 0;
  if (ledger)
    options.assignments[option]!.placements.forEach(({ string, fret, finger }, index) => {
      const sound = struck[index]!;
      if (finger === 0 && string <= 3 && perOpen > 0) ledger('open string', sound, perOpen);
      const dark = Math.max(0, fret - DARK_FRET) * Math.max(0, string - 2);
      const amount =
        costs.height * (position - 1) +
        costs.upTheNeck * fret +
        costs.highOnLowString * dark +
        costs.pastTheBody * Math.max(0, fret - BODY_FRET);
      if (finger !== 0 && amount > 0) ledger('height', sound, amount);
    });
  return heightCost(costs, options, option, position) + perOpen * options.openTrebles[option]!;
};
