import type { Branded } from '../music/branded.ts';
import { LINE_FINGERS, type RightCosts, type RightSchool, type RightTerm } from './costs.ts';
import type { PluckEvent } from './events.ts';

/**
 * What the right hand carries from event to event, packed into one number: the string each finger was last on
 * (3 bits each from p to a, 0 for none), then the fingers that played in the last event and in the one before
 * (4 bits each).
 */
export type RightState = Branded<number, 'RightState'>;

export const FREE_RIGHT_HAND = 0 as RightState;
/** One more than the largest packed state. */
export const RIGHT_STATES = 1 << 20;

const STRING_BITS = 3;
const STRING_MASK = 7;
const ALL_STRINGS = (1 << (4 * STRING_BITS)) - 1;
const LAST = 12;
const LAST_BUT_ONE = 16;
const FINGER_MASK = 15;

const stringOf = (state: number, rank: number): number => (state >> (rank * STRING_BITS)) & STRING_MASK;

export type RightLedger = (term: RightTerm, sound: number, amount: number) => void;

const THUMB = 0;
const INDEX = 1;
const RING = 3;
/** A crossing is never free of haste nor ruled by it alone: factors on its cost. */
const LEAST_HURRY = 0.3;
const MOST_HURRY = 1.5;

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
  const before = remembers ? (state >> LAST) & FINGER_MASK : 0;
  return (strings | (last << LAST) | (before << LAST_BUT_ONE)) as RightState;
};

/** 1 at full haste, 0 when there is time. */
const haste = (seconds: number, fast: number, calm: number): number =>
  Math.min(1, Math.max(0, (calm - seconds) / (calm - fast)));

const isLine = (event: PluckEvent): boolean => event.notes.length === 1 && event.notes[0]!.voice !== 'bass';

/** The part of an option's cost that does not depend on what was played before. */
export const placeCost = (
  costs: RightCosts,
  school: RightSchool,
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
      charge(
        'thumb',
        index,
        string === 3
          ? costs.thumbOnThird
          : string === 2
            ? costs.thumbOnSecond
            : string === 1
              ? costs.thumbOnFirst
              : 0,
      );
      if (voice === 'melody' || (voice === 'only' && line && string <= 3))
        charge('voice', index, costs.melodyWithThumb);
    } else {
      if (voice === 'bass') charge('voice', index, costs.bassWithoutThumb);
      if (rank === RING) charge('finger', index, costs.ring + (string >= 4 ? costs.ringOnBass : 0));
      else if (string >= 5) charge('finger', index, costs.fingersOnBass);
    }
    const lower = option[index - 1];
    if (lower !== undefined && lower !== THUMB) {
      const apart = notes[index - 1]!.string - string;
      charge('chord', index, costs.unevenChord * Math.abs(apart - (rank - lower)));
    }
  });
  if (line && !LINE_FINGERS[school].includes(option[0]!)) charge('school', 0, costs.schoolBroken);
  return cost;
};

/** What an event asks of every way into it: times and loads turned into amounts once. */
export interface Approach {
  readonly event: PluckEvent;
  readonly repeat: number;
  readonly repeatAfterOne: number;
  readonly crossing: number;
  readonly schoolBroken: number;
}

export const approachTo = (
  costs: RightCosts,
  school: RightSchool,
  before: PluckEvent | undefined,
  event: PluckEvent,
): Approach => {
  const { secondsBefore, load } = event;
  const hurry = haste(secondsBefore, costs.repeatFast, costs.repeatCalm);
  const since = secondsBefore + (before?.secondsBefore ?? Infinity);
  return {
    event,
    repeat: costs.repeatSlow + costs.repeat * hurry,
    repeatAfterOne: costs.repeatAfterOne * haste(since, 0, costs.repeatAfterOneTime),
    crossing:
      costs.crossing * load * Math.min(MOST_HURRY, Math.max(LEAST_HURRY, costs.crossingTime / secondsBefore)),
    schoolBroken: isLine(event) && school !== 'free' && hurry > 0 ? costs.schoolBroken : 0,
  };
};

/** The part of an option's cost that depends on the state: repeats, crossings and the way to other strings. */
export const moveCost = (
  costs: RightCosts,
  approach: Approach,
  state: RightState,
  option: readonly number[],
  ledger?: RightLedger,
): number => {
  const { notes, load } = approach.event;
  const last = (state >> LAST) & FINGER_MASK;
  const lastButOne = (state >> LAST_BUT_ONE) & FINGER_MASK;
  let cost = 0;
  for (let index = 0; index < option.length; index += 1) {
    const rank = option[index]!;
    const { string, isRepeated, sound } = notes[index]!;
    const from = stringOf(state, rank);
    if (from !== 0 && from !== string) {
      const amount = Math.abs(from - string) * (rank === THUMB ? costs.thumbLeaves : costs.leaveString);
      cost += amount;
      ledger?.('frame', sound, amount);
    }
    if ((last >> rank) & 1) {
      const isSweep = rank === THUMB && from - string === 1;
      const amount =
        approach.repeat * (rank !== THUMB ? load : isSweep ? costs.thumbSweep : costs.thumbRepeat);
      cost += amount;
      ledger?.('repeat', sound, amount);
      if (rank !== THUMB && approach.schoolBroken > 0) {
        cost += approach.schoolBroken;
        ledger?.('school', sound, approach.schoolBroken);
      }
    } else if (isRepeated && (lastButOne >> rank) & 1) {
      const amount = approach.repeatAfterOne * (rank === THUMB ? costs.thumbRepeat : 1);
      cost += amount;
      if (amount > 0) ledger?.('repeat', sound, amount);
    }
    if (rank === THUMB) {
      const indexString = stringOf(state, INDEX);
      if (indexString !== 0 && string < indexString) {
        cost += costs.thumbAboveIndex;
        ledger?.('thumb', sound, costs.thumbAboveIndex);
      }
    }
  }
  const cameFromOne = last !== 0 && (last & (last - 1)) === 0;
  if (cameFromOne && option.length === 1) {
    const previous = 31 - Math.clz32(last);
    const rank = option[0]!;
    if (previous > THUMB && rank > THUMB && rank !== previous) {
      const from = stringOf(state, previous);
      const to = notes[0]!.string;
      if (from === to) {
        if (rank > previous) {
          cost += costs.risingOnString;
          ledger?.('finger', notes[0]!.sound, costs.risingOnString);
        }
      } else if (to < from !== rank > previous) {
        cost += approach.crossing;
        ledger?.('crossing', notes[0]!.sound, approach.crossing);
      }
    }
  }
  return cost;
};
