import { FIRST_TREBLE, LAST_TREBLE } from '../../instrument/guitar.ts';
import type { LeftCosts } from '../hand/costs.ts';
import type { SoundTables } from '../moments/sound-tables.ts';
import type { StandingStates } from './standing-states.ts';
import type { Ledger } from './ledger.ts';
import { FROM_NONE } from '../moments/parallels.ts';
import type { Moment, PlacedPair } from '../moments/ways-at-moment.ts';
import { STRINGS } from '../moments/option-table.ts';
import { HIGH_POSITION } from './struck-costs.ts';

/** What the voices of a moment pay for the strings they go on by, and for slurs and slides, in units of effort. */
export const voiceCost = (
  costs: LeftCosts,
  leaving: StandingStates,
  sounds: SoundTables,
  { lineFalls, lineSteps, options, secondsBefore, struck }: Moment,
  state: number,
  option: number,
  ledger?: Ledger,
): number => {
  const { width } = options;
  const isAlone = options.fingersUsed[option] === 0;
  let cost = 0;
  for (let index = 0; index < width; index += 1) {
    const sound = struck[index]!;
    const string = options.placedString[option * width + index]!;
    const finger = options.placedFinger[option * width + index]!;
    const line = leaving.lineString[state * width + index]!;
    if (line >= 0) {
      const skipped = Math.max(0, Math.abs(line - string) - 1);
      const skip = costs.stringSkip + (lineSteps[index]! ? costs.stepAcross : 0);
      const amount =
        (line === string ? costs.stayOnString : costs.leaveString + skip * skipped) +
        (lineFalls[index]! && string < line && string < LAST_TREBLE ? crossedCost(costs, secondsBefore) : 0) +
        (finger === 0 ? costs.openInLine : costs.stoppedInLine) +
        (isAlone && finger === 0 && carriesTune(sounds, sound, string)
          ? openAfterHigh(costs, leaving.position[state]!)
          : 0);
      cost += amount;
      if (amount > 0) ledger?.('string change', sound, amount);
    }
    const slur = leaving.slurString[state * width + index]!;
    if (slur < 0) continue;
    const isSame = finger !== 0 && leaving.finger[state * STRINGS + slur] === finger;
    const amount =
      sounds.slides[sound] === 1
        ? slideCost(costs, slur === string, isSame)
        : slurCost(costs, slur === string, isSame);
    cost += amount;
    if (amount > 0) ledger?.('slur', sound, amount);
  }
  return cost;
};

/** Whether a note on an open string is heard as a tune: on a treble, and on ① alone where it is of a broken chord. */
const carriesTune = (sounds: SoundTables, sound: number, string: number): boolean =>
  string < FIRST_TREBLE || (string < LAST_TREBLE && sounds.broken[sound] === 0);

/** What a line pays that falls to a thinner treble string: the more time there is, the less. The thumb knows no crossing. */
const crossedCost = (costs: LeftCosts, seconds: number): number =>
  costs.crossed * Math.min(1, costs.crossedReferenceTime / seconds);

/** What an open treble of a line costs for its colour when the hand lies high; beside stopped notes see `struckCost`. */
const openAfterHigh = (costs: LeftCosts, position: number): number =>
  position >= HIGH_POSITION ? costs.openInHighLine : 0;

/** What two notes in parallel pay for the strings they lie on, in units of effort. */
export const parallelCost = (
  costs: LeftCosts,
  leaving: StandingStates,
  { options, parallel, struck }: Moment,
  state: number,
  option: number,
  ledger?: Ledger,
): number => {
  if (!parallel) return 0;
  const low = options.placedString[option * options.width + parallel.low]!;
  const high = options.placedString[option * options.width + parallel.high]!;
  const spread = parallel.lowFrom === FROM_NONE ? costs.pairSpreadFirst : costs.pairSpread;
  const amount =
    (low - high === parallel.apart ? 0 : spread) +
    (leavesPair(leaving, parallel, state, low, high) ? costs.pairLeft : 0);
  if (amount > 0) ledger?.('string change', struck[parallel.high]!, amount);
  return amount;
};

/** Whether two notes in parallel lie on other strings than the pair before, where there is one. */
const leavesPair = (
  leaving: StandingStates,
  { highFrom, lowFrom }: PlacedPair,
  state: number,
  low: number,
  high: number,
): boolean => {
  if (lowFrom === FROM_NONE) return false;
  const lowBefore = leaving.stringOf(state, lowFrom);
  const highBefore = leaving.stringOf(state, highFrom);
  return lowBefore >= 0 && highBefore >= 0 && (lowBefore !== low || highBefore !== high);
};

/** A slide is one finger on one string. */
const slideCost = (costs: LeftCosts, isOnString: boolean, isSameFinger: boolean): number =>
  isOnString && isSameFinger ? 0 : costs.slideBroken;

/** A slur needs one string, and two fingers or an open note. */
const slurCost = (costs: LeftCosts, isOnString: boolean, isSameFinger: boolean): number =>
  isOnString ? (isSameFinger ? costs.slurSameFinger : 0) : costs.slurAcross;
