import { LAST_TREBLE } from '../../instrument/guitar.ts';
import type { Assignment, StruckSound } from '../hand/assignments.ts';
import { EASY_SHARE, SHAPE_SHARE, openingOf, WHOLE_SHARE } from '../hand/grip.ts';
import { shapeCost } from '../hand/shape-costs.ts';
import { TABLE_FRETS, type Hand, type NeckTables } from '../hand/hand.ts';

/** Fingers as table columns: 0 is the open string. */
export const FINGERS = 5;
export const STRINGS = 6;

/** Fret above which the dark register of a string begins (left-hand model, costs of struck notes). */
export const DARK_FRET = 4;
/** Share at which a note counts that is not the highest one struck. Our own value. */
export const BELOW_TREBLE = 0.25;
/** Strings beyond ② that darken a note at most. Our own value. */
const DARK_STRINGS = 2;
/** Fret at which the neck meets the body. Common practice on the classical guitar, no published source. */
export const BODY_FRET = 12;

/**
 * All ways to take the notes of a moment, with what the search asks of each over and over: flat arrays by option,
 * and by option and finger or string. Bit k of a mask of strings is string k + 1, bit f of a mask of fingers is
 * finger f.
 */
export interface OptionTable {
  readonly count: number;
  /** Sounds placed by each option. */
  readonly width: number;
  readonly assignments: readonly Assignment[];
  /** By struck note: whether an open bass string has it. */
  readonly openBasses: readonly boolean[];
  /** By option and sound: string index (0 is string 1), fret, finger. */
  readonly placedString: Uint8Array;
  readonly placedFret: Uint8Array;
  readonly placedFinger: Uint8Array;
  readonly stringMask: Uint8Array;
  readonly openMask: Uint8Array;
  /** By option and string: fret of the struck note, −1 when the string is not struck. */
  readonly fretAt: Int8Array;
  /** By option and finger: the fret it stops, 0 when it is not used, and the strings it lies on. */
  readonly fingerFret: Uint8Array;
  readonly fingerMask: Uint8Array;
  readonly fingersUsed: Uint8Array;
  readonly fingerBits: Uint8Array;
  readonly highestFret: Uint8Array;
  /** The lowest fret it stops, 0 when it stops none. */
  readonly lowestFret: Uint8Array;
  readonly hasBarre: Uint8Array;
  /** By option and finger: frets between which the finger may lie beside the option, by order and reach. */
  readonly lowestBeside: Uint8Array;
  readonly highestBeside: Uint8Array;
  /** The same without strain. */
  readonly lowestEasily: Uint8Array;
  readonly highestEasily: Uint8Array;
  /** The same as far as a hand opens for the shape of a broken chord. */
  readonly lowestInShape: Uint8Array;
  readonly highestInShape: Uint8Array;
  readonly stoppedNotes: Uint8Array;
  /** Open strings ① to ③ it strikes that are heard as trebles: see `soundsAsTreble`. */
  readonly openTrebles: Uint8Array;
  /** Notes it stops that an open bass string has. */
  readonly stoppedBasses: Uint8Array;
  /**
   * By option and finger: frets above the dark fret times strings beyond ②, of which two count at most, summed over the
   * notes it stops. What lies below the highest note is heard as bass or filling and counts for less.
   */
  readonly highOnLow: Float64Array;
  /** Frets of the stopped notes, summed. */
  readonly frets: Uint16Array;
  /** By option and finger: frets above the body's, summed over the notes it stops. */
  readonly pastTheBody: Uint16Array;
  /** Hand positions in which one of the option's fingers is at home: bit p is position p. */
  readonly homes: Int32Array;
  /** By option: positions in which the hand may stay although no finger of it is at home there. Bit p is position p. */
  readonly strays: Int32Array;
  /** The same where other fingers lie beside it. */
  readonly straysBeside: Int32Array;
  /** By option: what setting all of it at once costs beside its fingers and pairs. */
  readonly shape: Float64Array;
}

/** Hand positions reach from 1 to here: tables end four frets above. */
const LAST_POSITION = TABLE_FRETS - 4;

/**
 * Whether an open string is heard as a treble: on ① to ③, unless it is the ③ that lies as the bass under others. `place`
 * counts the notes struck together from the lowest, of which there are `notes`.
 */
export const soundsAsTreble = (string: number, place: number, notes: number): boolean =>
  string < LAST_TREBLE || (string === LAST_TREBLE && (place > 0 || notes === 1));

/** Whether one of the places of a note is an open bass string. */
export const hasOpenBass = (places: StruckSound['places']): boolean =>
  places.some(({ fret, string }) => fret === 0 && string > LAST_TREBLE);

/** Tables for some assignments of the same sounds; `openBasses` says of each whether an open bass string has it. */
export const optionTable = (
  assignments: readonly Assignment[],
  openBasses: readonly boolean[],
  hand: Hand,
  neck: NeckTables,
): OptionTable => {
  const count = assignments.length;
  const width = assignments[0]?.placements.length ?? 0;
  const table = {
    count,
    width,
    assignments,
    openBasses,
    placedString: new Uint8Array(count * width),
    placedFret: new Uint8Array(count * width),
    placedFinger: new Uint8Array(count * width),
    stringMask: new Uint8Array(count),
    openMask: new Uint8Array(count),
    fretAt: new Int8Array(count * STRINGS).fill(-1),
    fingerFret: new Uint8Array(count * FINGERS),
    fingerMask: new Uint8Array(count * FINGERS),
    fingersUsed: new Uint8Array(count),
    fingerBits: new Uint8Array(count),
    highestFret: new Uint8Array(count),
    lowestFret: new Uint8Array(count),
    hasBarre: new Uint8Array(count),
    lowestBeside: new Uint8Array(count * FINGERS).fill(1),
    highestBeside: new Uint8Array(count * FINGERS).fill(TABLE_FRETS - 1),
    lowestEasily: new Uint8Array(count * FINGERS).fill(1),
    highestEasily: new Uint8Array(count * FINGERS).fill(TABLE_FRETS - 1),
    lowestInShape: new Uint8Array(count * FINGERS).fill(1),
    highestInShape: new Uint8Array(count * FINGERS).fill(TABLE_FRETS - 1),
    stoppedNotes: new Uint8Array(count),
    openTrebles: new Uint8Array(count),
    stoppedBasses: new Uint8Array(count),
    highOnLow: new Float64Array(count * FINGERS),
    frets: new Uint16Array(count),
    pastTheBody: new Uint16Array(count * FINGERS),
    homes: new Int32Array(count),
    strays: new Int32Array(count),
    straysBeside: new Int32Array(count),
    shape: Float64Array.from(assignments, ({ placements }) => shapeCost(placements, neck)),
  } satisfies OptionTable;
  const [widest, inShape, easy] = [WHOLE_SHARE, SHAPE_SHARE, EASY_SHARE].map((share) =>
    openingsOf(hand, share),
  ) as [Float64Array, Float64Array, Float64Array];
  assignments.forEach(({ placements }, option) => {
    const treble = Math.min(...placements.map(({ string }) => string));
    placements.forEach(({ string, fret, finger }, place) => {
      const k = string - 1;
      table.placedString[option * width + place] = k;
      table.placedFret[option * width + place] = fret;
      table.placedFinger[option * width + place] = finger;
      table.stringMask[option]! |= 1 << k;
      table.fretAt[option * STRINGS + k] = fret;
      if (finger === 0) {
        table.openMask[option]! |= 1 << k;
        if (soundsAsTreble(string, place, placements.length)) table.openTrebles[option]! += 1;
        return;
      }
      table.fingerFret[option * FINGERS + finger] = fret;
      table.fingerMask[option * FINGERS + finger]! |= 1 << k;
      table.stoppedNotes[option]! += 1;
      if (openBasses[place]) table.stoppedBasses[option]! += 1;
      table.frets[option]! += fret;
      table.pastTheBody[option * FINGERS + finger]! += Math.max(0, fret - BODY_FRET);
      const lowest = table.lowestFret[option]!;
      table.lowestFret[option] = lowest === 0 ? fret : Math.min(lowest, fret);
      table.highestFret[option] = Math.max(table.highestFret[option]!, fret);
      table.highOnLow[option * FINGERS + finger]! +=
        (string === treble ? 1 : BELOW_TREBLE) *
        Math.max(0, fret - DARK_FRET) *
        Math.min(DARK_STRINGS, Math.max(0, string - 2));
      table.homes[option]! |= 1 << Math.min(LAST_POSITION, Math.max(1, fret - finger + 1));
    });
    for (let finger = 1; finger < FINGERS; finger += 1) {
      const mask = table.fingerMask[option * FINGERS + finger]!;
      if (mask === 0) continue;
      table.fingersUsed[option]! += 1;
      table.fingerBits[option]! |= 1 << finger;
      if ((mask & (mask - 1)) !== 0) table.hasBarre[option] = 1;
    }
    table.straysBeside[option] = straysOf(table, option, false);
    table.strays[option] =
      table.fingersUsed[option] === 1 ? straysOf(table, option, true) : table.straysBeside[option]!;
    narrowReach(table, option, table.lowestBeside, table.highestBeside, widest, neck);
    narrowReach(table, option, table.lowestEasily, table.highestEasily, easy, neck);
    narrowReach(table, option, table.lowestInShape, table.highestInShape, inShape, neck);
  });
  return table;
};

/** Positions in which all fingers of an option may lie away from home: behind their frets at the nut, or a lone one by a fret. */
const straysOf = (table: OptionTable, option: number, isLone: boolean): number => {
  let positions = 0;
  for (let position = 1; position <= LAST_POSITION; position += 1) {
    let may = true;
    for (let finger = 1; finger < FINGERS; finger += 1) {
      if (table.fingerMask[option * FINGERS + finger] === 0) continue;
      const away = table.fingerFret[option * FINGERS + finger]! - (position + finger - 1);
      if (away < 0 ? position > 1 && !(isLone && away === -1) : !(isLone && away === 1)) may = false;
    }
    if (may) positions |= 1 << position;
  }
  return positions;
};

/** By lower and higher finger: how far they open, in mm. */
const openingsOf = (hand: Hand, share: number): Float64Array => {
  const openings = new Float64Array(FINGERS * FINGERS);
  for (let lower = 1; lower < FINGERS; lower += 1)
    for (let higher = lower + 1; higher < FINGERS; higher += 1)
      openings[lower * FINGERS + higher] = openingOf(hand, lower, higher, share);
  return openings;
};

/** Narrows where every finger may lie beside an option: in the order of the fingers, as far as the pairs open. */
const narrowReach = (
  { fingerFret, fingerMask }: OptionTable,
  option: number,
  lowest: Uint8Array,
  highest: Uint8Array,
  openings: Float64Array,
  { tip }: NeckTables,
): void => {
  for (let finger = 1; finger < FINGERS; finger += 1) {
    const own = option * FINGERS + finger;
    for (let used = 1; used < FINGERS; used += 1) {
      if (used === finger || fingerMask[option * FINGERS + used] === 0) continue;
      const at = fingerFret[option * FINGERS + used]!;
      const isBelow = used < finger;
      const opening = openings[isBelow ? used * FINGERS + finger : finger * FINGERS + used]!;
      const step = isBelow ? 1 : -1;
      let end = at;
      while (end + step > 0 && end + step < TABLE_FRETS && Math.abs(tip[end + step]! - tip[at]!) <= opening)
        end += step;
      lowest[own] = Math.max(lowest[own]!, isBelow ? at : end);
      highest[own] = Math.min(highest[own]!, isBelow ? end : at);
    }
  }
};
