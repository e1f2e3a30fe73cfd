import type { LeftCosts } from '../hand/costs.ts';
import { slidesFlat } from './flat-index.ts';
import type { KeptBeside } from './kept-beside.ts';
import { FINGERS } from '../moments/option-table.ts';
import type { StepTables } from './step-tables.ts';
import { isSeveral, lowestBit, stringsOf } from '../hand/string-masks.ts';

/** What it costs to lay a finger flat over the strings of a mask, in units of effort. */
export const barreSet = (
  costs: LeftCosts,
  tables: StepTables,
  finger: number,
  mask: number,
  fret: number,
): number => {
  const strings = stringsOf(mask);
  if (finger === 1) return tables.barre[fret]! + costs.barreString * strings;
  return (
    costs.smallBarre +
    (costs.smallBarreString + (finger === 4 ? costs.smallBarreLittleString : 0)) * Math.max(0, strings - 2) +
    (finger === 3 ? costs.smallBarreRing : finger === 4 ? costs.smallBarreLittle : 0)
  );
};

/** What a finger of the framed option that does not lie flat already pays to do so; one that does only reaches further. */
export const barreCost = (
  costs: LeftCosts,
  tables: StepTables,
  frame: KeptBeside,
  state: number,
  finger: number,
): number => {
  const whole = frame.lyingOn(state, finger);
  const fret = frame.fretOf(state, finger);
  if (!isSeveral(whole))
    // Along the neck it slides flat, whatever it is needed for first.
    return finger === 1 && slidesFlat(frame, state, fret)
      ? costs.barreSlide * barreSet(costs, tables, finger, whole, fret)
      : 0;
  const flat = frame.keptOf(state, finger);
  const lying = isSeveral(flat) ? barreSet(costs, tables, finger, flat, fret) : 0;
  const isBesideOpen = finger === 1 && (frame.openSounds & (lowestBit(whole) >> 1)) !== 0;
  const rolled = finger === 1 ? flatShare(costs, frame, state, fret, whole) : 1;
  const risesForOpen = finger === 1 && (frame.openSounds & (lowestBit(whole) - 1)) !== 0;
  const isLowOpen = finger === 1 && isLowAmongOpen(frame, state, fret);
  const share = risesForOpen || isLowOpen ? Math.max(rolled, costs.barreFromTip) : rolled;
  return (
    share * (barreSet(costs, tables, finger, whole, fret) - lying) +
    (isBesideOpen ? costs.openBesideBarre : 0) +
    (finger > 1 && isBentBack(frame, state, finger, whole) ? costs.smallBarreBent : 0) +
    (isLowOpen && !isSeveral(flat) ? costs.barreAmongOpen : 0)
  );
};

/**
 * Whether a small barre must let the next thinner string sound, on which a lower finger lies. Not in the first grip of a free
 * hand: see `isLowAmongOpen`.
 */
const isBentBack = (frame: KeptBeside, state: number, finger: number, whole: number): boolean => {
  if (frame.leaving.position[state] === 0) return false;
  const next = lowestBit(whole) >> 1;
  for (let other = 1; other < finger; other += 1) if ((frame.lyingOn(state, other) & next) !== 0) return true;
  return false;
};

/** Frets at which chords with open strings are set with the tips of the fingers. Common practice, no published source. */
const TIPS_UP_TO = 2;

/**
 * Whether an index would lie flat at the nut although open strings sound with it. Not for the first grip of a free hand: what
 * that costs is fitted to chord data, which bar there too.
 */
const isLowAmongOpen = ({ leaving, openSounds }: KeptBeside, state: number, fret: number): boolean =>
  fret <= TIPS_UP_TO && openSounds !== 0 && leaving.position[state] !== 0;

/** The share of a barre of the index that is paid: it rolls where it has lain flat, and slides from fret to fret. */
export const flatShare = (
  costs: LeftCosts,
  { leaving }: KeptBeside,
  state: number,
  fret: number,
  mask: number,
): number => {
  const flat = leaving.flat[state]!;
  if (flat !== 0) return flat === fret ? costs.barreRoll : costs.barreSlide;
  const index = state * FINGERS + 1;
  return leaving.fingerFret[index] === fret && (leaving.fingerMask[index]! & mask) !== 0
    ? costs.barreFromTip
    : 1;
};
