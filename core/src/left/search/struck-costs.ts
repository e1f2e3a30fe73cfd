import { FIRST_TREBLE } from '../../instrument/guitar.ts';
import type { LeftCosts } from '../hand/costs.ts';
import type { Ledger } from './ledger.ts';
import { soundsAsTreble } from '../moments/option-table.ts';
import type { Moment } from '../moments/ways-at-moment.ts';

/** Hand position from which an open treble changes the colour of a chord, or of a line. */
export const HIGH_POSITION = 4;

/** Its bit in a mask of strings. */
const FIRST_TREBLE_BIT = 1 << (FIRST_TREBLE - 1);

type StruckMoment = Pick<Moment, 'inTremolo' | 'options' | 'parallel' | 'struck'>;

/** What a note of a tremolo pays for its string: the fingers play on ①, and the thumb has no room beside them. */
const tremoloCost = (costs: LeftCosts, { inTremolo, options }: StruckMoment, option: number): number => {
  if (inTremolo === undefined) return 0;
  const string = options.placedString[option * options.width]! + 1;
  if (inTremolo === 'below') return string === FIRST_TREBLE + 1 ? costs.besideTremolo : 0;
  return string === FIRST_TREBLE ? 0 : costs.tremoloInside;
};

/** Whether a struck note is stopped though an open bass string has it. */
const isStoppedBass = ({ options }: StruckMoment, option: number, place: number): boolean =>
  options.openBasses[place]! && options.placedFinger[option * options.width + place] !== 0;

/** Whether ① is among the open strings that an option strikes. */
const strikesFirstOpen = ({ options }: StruckMoment, option: number): boolean =>
  (options.openMask[option]! & FIRST_TREBLE_BIT) !== 0;

/**
 * What strings cost that are stopped or left open against their sound, in units of effort: basses that are stopped though
 * an open string has them, but for the lower of two notes in parallel, which keeps their pair of strings; and open
 * trebles that are struck beside stopped notes high on the neck, or on ① over a broken chord that rings there: ② and ③
 * under its tune ring on as part of the chord.
 */
export const struckCost = (
  costs: LeftCosts,
  moment: StruckMoment,
  option: number,
  position: number,
  isOverBrokenChord: boolean,
  ledger?: Ledger,
): number => {
  const { options, parallel } = moment;
  const isBeside =
    options.fingersUsed[option] !== 0 || (isOverBrokenChord && strikesFirstOpen(moment, option));
  const isHigh = position >= HIGH_POSITION && isBeside;
  const inParallel = parallel !== undefined && isStoppedBass(moment, option, parallel.low) ? 1 : 0;
  if (ledger) enterStruck(costs, moment, option, isHigh, ledger);
  return (
    costs.stoppedBass * (options.stoppedBasses[option]! - inParallel) +
    tremoloCost(costs, moment, option) +
    (isHigh ? costs.openAgainstHigh * options.openTrebles[option]! : 0)
  );
};

/** Enters the same in a ledger, note by note. */
const enterStruck = (
  costs: LeftCosts,
  moment: StruckMoment,
  option: number,
  isHigh: boolean,
  ledger: Ledger,
): void => {
  const { options, parallel, struck } = moment;
  const tremolo = tremoloCost(costs, moment, option);
  if (tremolo > 0) ledger('string change', struck[0]!, tremolo);
  options.assignments[option]!.placements.forEach(({ string, finger }, place, { length }) => {
    const isOpenTreble = isHigh && finger === 0 && soundsAsTreble(string, place, length);
    const isBass = parallel?.low !== place && isStoppedBass(moment, option, place);
    const amount = isOpenTreble ? costs.openAgainstHigh : isBass ? costs.stoppedBass : 0;
    if (amount > 0) ledger('open string', struck[place]!, amount);
  });
};
