import { leavesRoom } from '../hand/grip.ts';
import { HELD, RINGING, type StandingStates } from './standing-states.ts';
import { FINGERS, STRINGS, type OptionTable } from '../moments/option-table.ts';
import { isInside, isSeveral, lowestIndex, stringsOf } from '../hand/string-masks.ts';

/** Most strings a finger other than the index lies over. */
const SMALL_BARRE_STRINGS = 4;

/** Strings of what is kept that cannot stay beside an option: order, reach, one finger one place, barres. */
export const conflictsBeside = (
  leaving: StandingStates,
  options: OptionTable,
  state: number,
  option: number,
  kept: number,
): number => {
  const base = state * STRINGS;
  let dropped = coveredByOpen(leaving, options, state, option, kept);
  const hasBarre = options.hasBarre[option] === 1;
  for (let rest = kept; rest !== 0; rest &= rest - 1) {
    const k = lowestIndex(rest);
    const finger = leaving.finger[base + k]!;
    const fret = leaving.fret[base + k]!;
    const bit = 1 << k;
    if (hasBarre && liesUnder(options, option, bit, fret)) dropped |= bit;
    if (finger === 0) continue;
    const own = option * FINGERS + finger;
    if (!isInReach(leaving, options, state, own, k)) dropped |= bit;
    else if (options.fingerMask[own] !== 0)
      if (options.fingerFret[own] !== fret || !joins(leaving, options, state, option, kept, finger))
        dropped |= bit;
  }
  return dropped;
};

/** Whether what lies on a string can stay beside an option: a held note at any span, others as far as they are worth. */
const isInReach = (
  leaving: StandingStates,
  options: OptionTable,
  state: number,
  own: number,
  k: number,
): boolean => {
  const at = state * STRINGS + k;
  const fret = leaving.fret[at]!;
  if (leaving.bound[at] === HELD)
    return fret >= options.lowestBeside[own]! && fret <= options.highestBeside[own]!;
  return (leaving.patterned[state]! >> k) & 1
    ? fret >= options.lowestInShape[own]! && fret <= options.highestInShape[own]!
    : fret >= options.lowestEasily[own]! && fret <= options.highestEasily[own]!;
};

/** Strings whose finger rings on softly and is not needed by the option: it stays only where the hand stays near. */
export const ringingElsewhere = (
  leaving: StandingStates,
  options: OptionTable,
  state: number,
  option: number,
  kept: number,
): number => {
  const base = state * STRINGS;
  let ringing = 0;
  for (let rest = kept; rest !== 0; rest &= rest - 1) {
    const k = lowestIndex(rest);
    const finger = leaving.finger[base + k]!;
    if (finger === 0 || leaving.bound[base + k] !== RINGING) continue;
    if (options.fingerMask[option * FINGERS + finger] === 0) ringing |= 1 << k;
  }
  return ringing;
};

/**
 * Strings on which a finger rests on in silence beside an option and what sounds on: it is not needed, its string is not
 * struck, it lies within easy reach, and nothing that sounds is under it.
 */
export const restingBeside = (
  leaving: StandingStates,
  options: OptionTable,
  state: number,
  option: number,
  kept: number,
): number => {
  const base = state * STRINGS;
  const hasBarre = options.hasBarre[option] === 1;
  let resting = leaving.resting[state]! & ~options.stringMask[option]!;
  for (let rest = resting; rest !== 0; rest &= rest - 1) {
    const k = lowestIndex(rest);
    const finger = leaving.finger[base + k]!;
    const fret = leaving.fret[base + k]!;
    const own = option * FINGERS + finger;
    const isUsed = options.fingerMask[own] !== 0;
    // To a string where it did not lie it hops; only a flat index is on both.
    const hops =
      (options.fingerMask[own]! & ~leaving.fingerMask[state * FINGERS + finger]!) !== 0 &&
      !(finger === 1 && leaving.flat[state] === fret);
    const isUsedElsewhere = isUsed && (options.fingerFret[own] !== fret || hops);
    if (
      isUsedElsewhere ||
      fret < options.lowestEasily[own]! ||
      fret > options.highestEasily[own]! ||
      (hasBarre && liesUnder(options, option, 1 << k, fret)) ||
      liesInverted(options, option, finger, 1 << k, fret) ||
      !restsFlat(leaving, options, state, option, kept | (1 << k), finger, fret)
    )
      resting &= ~(1 << k);
  }
  return resting;
};

/** Whether a finger on a string would lie on one fret with a finger of an option that belongs on the other side of it. */
const liesInverted = (
  options: OptionTable,
  option: number,
  finger: number,
  bit: number,
  fret: number,
): boolean => {
  for (let bits = options.fingerBits[option]!; bits !== 0; bits &= bits - 1) {
    const other = lowestIndex(bits);
    const own = option * FINGERS + other;
    if (other === finger || options.fingerFret[own] !== fret) continue;
    const isBelow = options.fingerMask[own]! > bit;
    if (other < finger !== isBelow) return true;
  }
  return false;
};

/** Whether nothing struck inside keeps a finger from lying flat over a resting string and all its others. */
const restsFlat = (
  leaving: StandingStates,
  options: OptionTable,
  state: number,
  option: number,
  lying: number,
  finger: number,
  fret: number,
): boolean => {
  const whole =
    options.fingerMask[option * FINGERS + finger]! | (leaving.fingerMask[state * FINGERS + finger]! & lying);
  if (!isSeveral(whole)) return true;
  for (let rest = options.stringMask[option]!; rest !== 0; rest &= rest - 1) {
    const k = lowestIndex(rest);
    if (isInside(1 << k, whole) && !leavesRoom(finger, fret, options.fretAt[option * STRINGS + k]!))
      return false;
  }
  return true;
};

/** Whether a barre of the option forbids what lies on a string. */
const liesUnder = (options: OptionTable, option: number, bit: number, fret: number): boolean => {
  for (let bits = options.fingerBits[option]!; bits !== 0; bits &= bits - 1) {
    const finger = lowestIndex(bits);
    const mask = options.fingerMask[option * FINGERS + finger]!;
    if (!isSeveral(mask) || !isInside(bit, mask)) continue;
    const barre = options.fingerFret[option * FINGERS + finger]!;
    if (!leavesRoom(finger, barre, fret)) return true;
  }
  return false;
};

/** Strings of kept barres that the option's open or lower notes forbid. */
export const coveredByOpen = (
  leaving: StandingStates,
  options: OptionTable,
  state: number,
  option: number,
  kept: number,
): number => {
  if (leaving.hasBarre[state] === 0) return 0;
  let dropped = 0;
  for (let finger = 1; finger < FINGERS; finger += 1) {
    const mask = leaving.fingerMask[state * FINGERS + finger]! & kept;
    if (!isSeveral(mask)) continue;
    const fret = leaving.fingerFret[state * FINGERS + finger]!;
    for (let rest = options.stringMask[option]!; rest !== 0; rest &= rest - 1) {
      const k = lowestIndex(rest);
      if (isInside(1 << k, mask) && !leavesRoom(finger, fret, options.fretAt[option * STRINGS + k]!))
        dropped |= mask;
    }
  }
  return dropped;
};

/**
 * Whether a finger can lie flat over its kept strings and its strings in the option. Only the index does so for a note
 * that merely rings on: the others go to the new string.
 */
const joins = (
  leaving: StandingStates,
  options: OptionTable,
  state: number,
  option: number,
  kept: number,
  finger: number,
): boolean => {
  const base = state * STRINGS;
  const own = option * FINGERS + finger;
  const hand = state * FINGERS + finger;
  const before = leaving.fingerMask[hand]! & kept;
  if (finger !== 1 && !isSeveral(before) && leaving.fingerBound[hand] === RINGING) return false;
  const whole = options.fingerMask[own]! | before;
  const fret = options.fingerFret[own]!;
  for (let k = lowestIndex(whole); whole >> k !== 0; k += 1) {
    const struck = options.fretAt[option * STRINGS + k]!;
    const lying = struck >= 0 ? struck : (kept >> k) & 1 ? leaving.fret[base + k]! : fret;
    if (!leavesRoom(finger, fret, lying)) return false;
  }
  return finger === 1 || stringsOf(whole) <= SMALL_BARRE_STRINGS;
};

/**
 * Whether an option cuts a held note of a state wherever the hand goes and whatever else lies there: it strikes the string
 * elsewhere, its barre covers the note, its fingers are out of reach of it, or its notes lie under a held barre.
 */
export const cutsHeld = (
  leaving: StandingStates,
  options: OptionTable,
  state: number,
  option: number,
): boolean => {
  const base = state * STRINGS;
  const hasBarre = options.hasBarre[option] === 1;
  let held = 0;
  for (let k = 0; k < STRINGS; k += 1) {
    if (leaving.bound[base + k] !== HELD) continue;
    held |= 1 << k;
    const finger = leaving.finger[base + k]!;
    const fret = leaving.fret[base + k]!;
    if (((options.stringMask[option]! >> k) & 1) === 1) {
      const isBySameFinger = finger === 0 || (options.fingerMask[option * FINGERS + finger]! >> k) & 1;
      if (options.fretAt[option * STRINGS + k] !== fret || !isBySameFinger) return true;
      continue;
    }
    if (hasBarre && liesUnder(options, option, 1 << k, fret)) return true;
    if (finger === 0) continue;
    const own = option * FINGERS + finger;
    if (fret < options.lowestBeside[own]! || fret > options.highestBeside[own]!) return true;
    if (options.fingerMask[own] !== 0 && options.fingerFret[own] !== fret) return true;
  }
  return coveredByOpen(leaving, options, state, option, held) !== 0;
};
