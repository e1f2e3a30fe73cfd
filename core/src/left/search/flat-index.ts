import { isSeveral, lowestBit, TREBLES } from '../hand/string-masks.ts';
import { FINGERS } from '../moments/option-table.ts';
import type { KeptBeside } from './kept-beside.ts';

/**
 * Whether the index, flat before, goes along the neck with the hand: it slides to its new fret like any guide, unless open
 * strings sound that it would cover there.
 */
export const slidesFlat = (
  { leaving, openSounds, option, options, to }: KeptBeside,
  state: number,
  fret: number,
): boolean => {
  const flat = leaving.flat[state]!;
  if (flat === 0 || flat === fret || flat === to || fret !== to) return false;
  return (openSounds & (lowestBit(options.fingerMask[option * FINGERS + 1]!) - 1)) === 0;
};

/**
 * Fret at which the index has been laid flat once the framed option is struck, 0 for none: it rolls between its tip and its
 * side, and is not set anew before it has left its fret.
 */
export const flatAfter = (frame: KeptBeside, state: number, rested: number): number => {
  const { kept, leaving, option, options } = frame;
  const flat = leaving.flat[state]!;
  const before =
    leaving.fingerMask[state * FINGERS + 1]! & (leaving.sounding[state]! | leaving.resting[state]!);
  const struck = options.fingerMask[option * FINGERS + 1]!;
  const lying = struck | (before & (kept | rested));
  if (lying === 0) return flat !== 0 && staysUnder(frame, flat) ? flat : 0;
  const fret = frame.fretOf(state, 1);
  if (isSeveral(lying) || (struck !== 0 && slidesFlat(frame, state, fret))) return fret;
  const hasStayed = (lying & before) !== 0 || staysUnder(frame, flat);
  return flat === fret && hasStayed ? flat : 0;
};

/** Whether an index that no note needs may stay flat under other fingers: the hand stays, and no open treble asks it to rise. */
const staysUnder = ({ option, options, to }: KeptBeside, flat: number): boolean =>
  to === flat && (options.openMask[option]! & TREBLES) === 0;
