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

/** The state after an event is played with an option. */
export const afterEvent = (state: RightState, event: PluckEvent, option: readonly number[]): RightState => {
  let strings = state & ALL_STRINGS;
  let last = 0;
  for (let index = 0; index < option.length; index += 1) {
    const rank = option[index]!;
    const shift = rank * STRING_BITS;
    strings = (strings & ~(STRING_MASK << shift)) | (event.notes[index]!.string << shift);
    last |= 1 << rank;
  }
  const before = (state >> LAST) & FINGER_MASK;
  return (strings | (last << LAST) | (before << LAST_BUT_ONE)) as RightState;
};

/** 1 at full haste, 0 when there is time. */
const haste = (seconds: number, fast: number, calm: number): number =>
  Math.min(1, Math.max(0, (calm - seconds) / (calm - fast)));

/** Cost of playing an event with an option (finger ranks, bass side first) from a state. */
export const stepCost = (
  costs: RightCosts,
  school: RightSchool,
  state: RightState,
  before: PluckEvent | undefined,
  event: PluckEvent,
  option: readonly number[],
  ledger?: RightLedger,
): number => {
  const { secondsBefore, notes, load } = event;
  const last = (state >> LAST) & FINGER_MASK;
  const lastButOne = (state >> LAST_BUT_ONE) & FINGER_MASK;
  let cost = 0;
  const charge = (term: RightTerm, index: number, amount: number): void => {
    cost += amount;
    if (amount !== 0) ledger?.(term, notes[index]!.sound, amount);
  };
  const isLine = notes.length === 1 && notes[0]!.voice !== 'bass';
  const cameFromOne = last !== 0 && (last & (last - 1)) === 0;
  const previousRank = cameFromOne ? 31 - Math.clz32(last) : -1;

  for (let index = 0; index < option.length; index += 1) {
    const rank = option[index]!;
    const { string, voice, isRepeated } = notes[index]!;
    const lastString = stringOf(state, rank);
    if (lastString !== 0 && lastString !== string)
      charge(
        'frame',
        index,
        Math.abs(lastString - string) * (rank === THUMB ? costs.thumbLeaves : costs.leaveString),
      );
    if ((last >> rank) & 1) {
      const hurry = haste(secondsBefore, costs.repeatFast, costs.repeatCalm);
      const full = costs.repeatSlow + costs.repeat * hurry;
      const isSweep = rank === THUMB && lastString - string === 1;
      charge(
        'repeat',
        index,
        full * (rank !== THUMB ? load : isSweep ? costs.thumbSweep : costs.thumbRepeat),
      );
      if (isLine && school !== 'free' && rank !== THUMB && hurry > 0)
        charge('school', index, costs.schoolBroken);
    } else if (isRepeated && (lastButOne >> rank) & 1 && before) {
      const since = secondsBefore + before.secondsBefore;
      const factor = rank === THUMB ? costs.thumbRepeat : 1;
      charge('repeat', index, costs.repeatAfterOne * factor * haste(since, 0, costs.repeatAfterOneTime));
    }
    if (rank === THUMB) {
      const outside =
        string === 3
          ? costs.thumbOnThird
          : string === 2
            ? costs.thumbOnSecond
            : string === 1
              ? costs.thumbOnFirst
              : 0;
      charge('thumb', index, outside);
      const indexString = stringOf(state, INDEX);
      if (indexString !== 0 && string < indexString) charge('thumb', index, costs.thumbAboveIndex);
      if (voice === 'melody' || (voice === 'only' && isLine && string <= 3))
        charge('voice', index, costs.melodyWithThumb);
    } else {
      if (voice === 'bass') charge('voice', index, costs.bassWithoutThumb);
      if (rank === RING) charge('finger', index, costs.ring + (string >= 4 ? costs.ringOnBass : 0));
      else if (string >= 5) charge('finger', index, costs.fingersOnBass);
    }
  }
  if (isLine && !LINE_FINGERS[school].includes(option[0]!)) charge('school', 0, costs.schoolBroken);

  if (previousRank > THUMB && option.length === 1 && option[0]! > THUMB && option[0] !== previousRank) {
    const rank = option[0]!;
    const from = stringOf(state, previousRank);
    const to = notes[0]!.string;
    if (from === to) {
      if (rank > previousRank) charge('finger', 0, costs.risingOnString);
    } else if (to < from !== rank > previousRank) {
      const hurry = Math.min(MOST_HURRY, Math.max(LEAST_HURRY, costs.crossingTime / secondsBefore));
      charge('crossing', 0, costs.crossing * hurry * load);
    }
  }
  for (let index = 1; index < option.length; index += 1) {
    const [lower, higher] = [option[index - 1]!, option[index]!];
    if (lower === THUMB) continue;
    const apart = notes[index - 1]!.string - notes[index]!.string;
    charge('chord', index, costs.unevenChord * Math.abs(apart - (higher - lower)));
  }
  return cost;
};
