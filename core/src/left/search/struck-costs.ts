import type { LeftCosts } from '../hand/costs.ts';
import type { Ledger } from './ledger.ts';
import { soundsAsTreble } from '../moments/option-table.ts';
import type { Moment } from '../moments/ways-at-moment.ts';

/** Hand position from which an open treble changes the colour of a chord, or of a line. */
export const HIGH_POSITION = 4;

/**
 * What open trebles cost that are struck beside stopped notes high on the neck, or over a broken
 * chord that rings there, in units of effort.
 */
export const struckCost = (
  costs: LeftCosts,
  { options, struck }: Pick<Moment, 'options' | 'struck'>,
  option: number,
  position: number,
  isOverBrokenChord: boolean,
  ledger?: Ledger,
): number => {
  if (position < HIGH_POSITION || (options.fingersUsed[option] === 0 && !isOverBrokenChord)) return 0;
  if (ledger && costs.openAgainstHigh > 0)
    options.assignments[option]!.placements.forEach(({ string, finger }, index, { length }) => {
      if (finger === 0 && soundsAsTreble(string, index, length))
        ledger('open string', struck[index]!, costs.openAgainstHigh);
    });
  return costs.openAgainstHigh * options.openTrebles[option]!;
};
