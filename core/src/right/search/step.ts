import type { Branded } from '../../music/branded.ts';
import { RIGHT_SCHOOL_RULES, type RightCosts, type RightTerm } from './costs.ts';
import { isLine, type PluckedNote, type PluckEvent } from '../events/events.ts';
import { FIRST_BASS_STRING } from '../events/roles.ts';
import { INDEX, RING, THUMB } from '../events/ranks.ts';

/**
 * What the right hand carries from event to event, packed into one number: the string each finger was last on
 * (3 bits each from p to a, 0 for none), then the fingers that played in the last event and in the one before
 * (4 bits each). The event before the last is remembered only where it can matter: when the last one was the
 * thumb's alone, or when the next one repeats a note.
 */
export type RightState = Branded<number, 'RightState'>;

export const FREE_RIGHT_HAND = 0 as RightState;

const ONLY_THUMB = 1 << THUMB;
/** i, m and a. */
const ALL_FINGERS = (1 << (RING + 1)) - 1 - ONLY_THUMB;

const STRING_BITS = 3;
const STRING_MASK = 7;
const ALL_STRINGS = (1 << (4 * STRING_BITS)) - 1;
const LAST = 12;
const LAST_BUT_ONE = 16;
const FINGER_MASK = 15;

/** The string a finger was last on, 0 for none. */
export const stringOf = (state: number, rank: number): number =>
  (state >> (rank * STRING_BITS)) & STRING_MASK;

/** One more than the largest past. */
export const RIGHT_PASTS = 1 << 8;
/** What more than the ways of the fingers hangs on: who played in the last event, and before it. */
export const pastOf = (state: number): number => state >> LAST;

export type RightLedger = (term: RightTerm, sound: number, amount: number) => void;

/** A crossing is never free of haste nor ruled by it alone: factors on its cost. */
const LEAST_HURRY = 0.8;
const MOST_HURRY = 1.5;

/** Who played last but one matters only to a note that is struck again. */
export const remembersTwo = (next: PluckEvent | undefined): boolean =>
  next?.notes.some((note) => note.isRepeated) ?? false;

/** The state after an event is played with an option; `remembers` keeps the fingers of the event before it. */
export const afterEvent = (
  state: RightState,
  event: PluckEvent,
  option: readonly number[],
  remembers = true,
): RightState => {
  let strings = state & ALL_STRINGS;
  let last = 0;
  for (let index = 0; index < option.length; index += 1) {
    const rank = option[index]!;
    const shift = rank * STRING_BITS;
    strings = (strings & ~(STRING_MASK << shift)) | (event.notes[index]!.string << shift);
    last |= 1 << rank;
  }
  const before = remembers || last === ONLY_THUMB ? (state >> LAST) & FINGER_MASK : 0;
  return (strings | (last << LAST) | (before << LAST_BUT_ONE)) as RightState;
};

/** 1 at full haste, 0 when there is time. */
const haste = (seconds: number, fast: number, calm: number): number =>
  Math.min(1, Math.max(0, (calm - seconds) / (calm - fast)));

/** Whether an event is a note of the one voice there is, on the bass strings, for whose finger no school asks. */
const isFreeBassLine = ({ cell, notes, school }: PluckEvent): boolean =>
  school === 'free' &&
  notes.length === 1 &&
  notes[0]!.voice === 'only' &&
  notes[0]!.string >= FIRST_BASS_STRING &&
  cell !== 'arpeggio';

/** Whether the one voice there is moves on the bass strings slowly enough for one finger. */
const isThumbs = (costs: RightCosts, { cell, notes, paceBefore }: PluckEvent): boolean =>
  notes[0]!.voice === 'only' &&
  notes[0]!.string >= FIRST_BASS_STRING &&
  cell !== 'arpeggio' &&
  paceBefore >= costs.thumbLinePace;

/** What a string costs the thumb. */
const thumbOn = (costs: RightCosts, string: number): number =>
  string === 3
    ? costs.thumbOnThird
    : string === 2
      ? costs.thumbOnSecond
      : string === 1
        ? costs.thumbOnFirst
        : 0;

/** The part of an option's cost that does not depend on what was played before. */
export const placeCost = (
  costs: RightCosts,
  event: PluckEvent,
  option: readonly number[],
  ledger?: RightLedger,
): number => {
  const { notes } = event;
  let cost = 0;
  const charge = (term: RightTerm, index: number, amount: number): void => {
    cost += amount;
    if (amount !== 0) ledger?.(term, notes[index]!.sound, amount);
  };
  const line = isLine(event);
  option.forEach((rank, index) => {
    const { string, voice } = notes[index]!;
    if (rank === THUMB) {
      const share = event.cell === 'tremolo' && voice === 'bass' ? costs.thumbUnderTremolo : 1;
      charge('thumb', index, thumbOn(costs, string) * share);
      if (voice === 'melody' || ((voice === 'inner' || (voice === 'only' && line)) && string <= 3))
        charge('voice', index, costs.melodyWithThumb);
    } else {
      if (voice === 'bass') charge('voice', index, costs.bassWithoutThumb);
      else if (line && isThumbs(costs, event)) charge('voice', index, costs.bassLineWithoutThumb);
      if (notes[index]!.isOverInner && rank !== RING) charge('voice', index, costs.tuneWithoutRing);
      if (voice === 'inner' && rank === RING) charge('voice', index, costs.innerWithRing);
      if (rank === RING) charge('finger', index, costs.ring + (string >= 4 ? costs.ringOnBass : 0));
      else if (string >= 5) charge('finger', index, costs.fingersOnBass);
    }
    const lower = option[index - 1];
    if (lower !== undefined && lower !== THUMB) {
      const apart = notes[index - 1]!.string - string;
      charge('chord', index, costs.unevenChord * Math.abs(apart - (rank - lower)));
    }
  });
  const { byString, fingers, first } = RIGHT_SCHOOL_RULES[event.school];
  if (byString)
    option.forEach((rank, index) => {
      if (byString[notes[index]!.string] !== rank) charge('school', index, costs.otherString);
    });
  if (line && !fingers.includes(option[0]!)) charge('school', 0, costs.schoolBroken);
  else if (event.isLineStart && first !== undefined && option[0] !== first)
    charge('school', 0, costs.schoolStart);
  if (event.wanted?.ranks.some((rank) => !option.includes(rank))) charge('pattern', 0, event.wanted.cost);
  return cost;
};

/** What an event asks of every way into it: times and loads turned into amounts once. */
export interface Approach {
  readonly event: PluckEvent;
  readonly repeat: number;
  /** The same of a finger, which the left hand makes harder. */
  readonly repeatOfFinger: number;
  readonly repeatAfterOne: number;
  /** A finger that plays again after the thumb alone. */
  readonly repeatOverThumb: number;
  /** The thumb twice running in a line, where the teacher does not want it. */
  readonly doubleThumb: number;
  readonly crossing: number;
  readonly schoolBroken: number;
  /** Thumb and fingers taking turns in a line on the basses. */
  readonly lineMixed: number;
  /** By the rank of the finger before: the finger that the school's order asks for next; −1 for any. */
  readonly successor: readonly number[];
  readonly orderBroken: number;
}

const ANY: readonly number[] = [-1, -1, -1, -1];

export const approachTo = (
  costs: RightCosts,
  before: PluckEvent | undefined,
  event: PluckEvent,
): Approach => {
  const { load, paceBefore } = event;
  const hurry = event.isAfterSlur ? 0 : haste(paceBefore, costs.repeatFast, costs.repeatCalm);
  const slow = event.isAfterSlur ? 0 : costs.repeatSlow;
  const since = paceBefore + (before?.paceBefore ?? Infinity);
  const rules = RIGHT_SCHOOL_RULES[event.school];
  const isOrdered = rules.successor !== undefined && hurry > 0 && isLine(event) && !event.isLineStart;
  return {
    event,
    repeat: slow + costs.repeat * hurry,
    // Over a slow note it is taste, however busy the left hand is.
    repeatOfFinger: slow + costs.repeat * hurry * load,
    repeatAfterOne: costs.repeatAfterOne * haste(since, 0, costs.repeatAfterOneTime),
    repeatOverThumb: costs.repeatOverThumb * costs.repeat * haste(since, costs.repeatFast, costs.repeatCalm),
    crossing:
      costs.crossing * load * Math.min(MOST_HURRY, Math.max(LEAST_HURRY, costs.crossingTime / paceBefore)),
    doubleThumb: isLine(event) && !event.mayDoubleThumb && hurry > 0 ? costs.schoolBroken : 0,
    lineMixed: isFreeBassLine(event) && before && isFreeBassLine(before) ? costs.lineMixed : 0,
    schoolBroken: isLine(event) && rules.isStrict && hurry > 0 ? costs.schoolBroken : 0,
    successor: isOrdered ? rules.successor! : ANY,
    orderBroken: costs.orderBroken,
  };
};

/** What the ways of the fingers to their strings cost. */
export const travelCost = (
  costs: RightCosts,
  { notes }: PluckEvent,
  state: RightState,
  option: readonly number[],
  ledger?: RightLedger,
): number => {
  let cost = 0;
  for (let index = 0; index < option.length; index += 1) {
    const rank = option[index]!;
    const { string, sound, isReturn } = notes[index]!;
    const from = stringOf(state, rank);
    if (from === string) continue;
    const perString = rank === THUMB ? costs.thumbLeaves : costs.leaveString;
    const amount =
      (from === 0 ? 0 : Math.abs(from - string) * perString) + (isReturn ? costs.stringExchanged : 0);
    if (amount === 0) continue;
    cost += amount;
    ledger?.('frame', sound, amount);
  }
  return cost;
};

/**
 * What the order of the fingers costs: repeats, crossings, the order of a school. It hangs on the past of a state
 * alone, since all states with one past played the last event alike.
 */
export const orderCost = (
  costs: RightCosts,
  approach: Approach,
  state: RightState,
  option: readonly number[],
  ledger?: RightLedger,
): number => {
  const { notes, load } = approach.event;
  const last = (state >> LAST) & FINGER_MASK;
  const lastButOne = (state >> LAST_BUT_ONE) & FINGER_MASK;
  let played = 0;
  for (const rank of option) played |= 1 << rank;
  let cost = 0;
  const charge = (term: RightTerm, index: number, amount: number): void => {
    cost += amount;
    if (amount > 0) ledger?.(term, notes[index]!.sound, amount);
  };
  const isBlock = isSeveral(played & ~ONLY_THUMB) && isSeveral(last & ~ONLY_THUMB);
  const takesAll = (played & ~ONLY_THUMB) === ALL_FINGERS;
  const tookAll = (last & ~ONLY_THUMB) === ALL_FINGERS;
  const isInTremolo = approach.event.cell === 'tremolo' && notes[0]!.isRepeated;
  const isSameDyad = isDyadAgain(notes, option, state, last);
  option.forEach((rank, index) => {
    const { string, isOverInner, isRepeated } = notes[index]!;
    if (isSameDyad && rank !== THUMB) {
      if (stringOf(state, rank) !== string || !((last >> rank) & 1))
        charge('repeat', index, costs.dyadChanged);
    } else if ((last >> rank) & 1) {
      const isSweep = rank === THUMB && stringOf(state, rank) - string === 1;
      const share =
        rank !== THUMB
          ? isBlock || (rank === RING && isOverInner)
            ? costs.blockRepeat
            : takesAll
              ? costs.repeatIntoFull
              : tookAll
                ? costs.repeatAfterFull
                : 1
          : isSweep
            ? costs.thumbSweep
            : costs.thumbRepeat;
      charge('repeat', index, (rank === THUMB ? approach.repeat : approach.repeatOfFinger) * share);
      charge('school', index, rank === THUMB ? approach.doubleThumb : approach.schoolBroken);
    } else if (isRepeated && isInTremolo && (lastButOne >> rank) & 1)
      charge('repeat', index, approach.repeatAfterOne * (rank === THUMB ? costs.thumbRepeat : 1));
    else if (
      last === ONLY_THUMB &&
      (lastButOne >> rank) & 1 &&
      !keepsFrame(approach.event, notes[index]!, state, rank)
    )
      charge('repeat', index, approach.repeatOverThumb * load);
    if (rank === THUMB && (last >> INDEX) & 1 && string < stringOf(state, INDEX))
      charge('thumb', index, costs.thumbAboveIndex);
  });
  // Over the thumb alone the fingers still stand as they played before it.
  const standing = (last === ONLY_THUMB ? lastButOne : last) & ~ONLY_THUMB;
  const cameFromOne = standing !== 0 && standing === last && (last & (last - 1)) === 0;
  if (cameFromOne && option.length === 1) {
    const previous = 31 - Math.clz32(last);
    const rank = option[0]!;
    const successor = approach.successor[previous]!;
    if (successor >= 0 && rank !== successor) charge('school', 0, approach.orderBroken);
    if (rank !== THUMB && rank !== previous && stringOf(state, previous) === notes[0]!.string) {
      charge('finger', 0, rank > previous ? costs.risingOnString : 0);
      // In tremolo the ring finger has its place; in a line it alternates less well.
      if (!isInTremolo && (rank === RING || previous === RING)) charge('finger', 0, costs.weakAlternation);
    }
  }
  if (option.length === 1 && (last === ONLY_THUMB) !== (option[0] === THUMB))
    charge('voice', 0, approach.lineMixed);
  const crossed = option.findIndex((rank, index) =>
    isCrossed(state, standing & ~played, rank, notes[index]!.string),
  );
  if (crossed >= 0) charge('crossing', crossed, approach.crossing);
  return cost;
};

/** Whether a finger plays on the wrong side of one of those that stand ready on their strings. */
const isCrossed = (state: RightState, standing: number, rank: number, string: number): boolean => {
  if (rank === THUMB) return false;
  for (let other = INDEX; other <= RING; other += 1) {
    if (((standing >> other) & 1) === 0 || other === rank) continue;
    const from = stringOf(state, other);
    if (from !== string && string < from !== rank > other) return true;
  }
  return false;
};

/** Whether a finger strikes again above the basses of a broken chord, where it stands: over the thumb that is its turn. */
const keepsFrame = ({ cell }: PluckEvent, note: PluckedNote, state: RightState, rank: number): boolean =>
  cell === 'arpeggio' &&
  note.voice !== 'bass' &&
  note.string <= FIRST_BASS_STRING &&
  stringOf(state, rank) === note.string;

const isSeveral = (fingers: number): boolean => (fingers & (fingers - 1)) !== 0;

/**
 * Whether two notes or more, beside what the thumb takes, are struck together as they were just before: the same ones, or
 * others on the same strings, as in thirds and sixths.
 */
const isDyadAgain = (
  notes: readonly PluckedNote[],
  option: readonly number[],
  state: RightState,
  last: number,
): boolean => {
  if (option.filter((rank) => rank !== THUMB).length < 2) return false;
  const wasStruck = (string: number): boolean => {
    for (let rank = INDEX; rank <= RING; rank += 1)
      if ((last >> rank) & 1 && stringOf(state, rank) === string) return true;
    return false;
  };
  return option.every(
    (rank, index) => rank === THUMB || notes[index]!.isRepeated || wasStruck(notes[index]!.string),
  );
};

/** The part of an option's cost that depends on the state. */
export const moveCost = (
  costs: RightCosts,
  approach: Approach,
  state: RightState,
  option: readonly number[],
  ledger?: RightLedger,
): number =>
  travelCost(costs, approach.event, state, option, ledger) +
  orderCost(costs, approach, state, option, ledger);
