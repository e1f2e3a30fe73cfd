import { LINE_FINGERS, type RightCosts, type RightSchool, type RightTerm } from './costs.ts';
import type { PluckEvent } from './events.ts';

/**
 * What the right hand carries from event to event: the string each finger was last on (0 for none), and the
 * fingers that played in the last two events, as bits.
 */
export interface RightState {
  readonly strings: readonly [number, number, number, number];
  readonly last: number;
  readonly lastButOne: number;
}

export const FREE_RIGHT_HAND: RightState = { strings: [0, 0, 0, 0], last: 0, lastButOne: 0 };

export type RightLedger = (term: RightTerm, sound: number, amount: number) => void;

const THUMB = 0;
const INDEX = 1;
const RING = 3;

/** Packs a state into one number: 3 bits a string, 4 bits each for the last two events. */
export const stateKey = ({ strings, last, lastButOne }: RightState): number =>
  strings[0] | (strings[1] << 3) | (strings[2] << 6) | (strings[3] << 9) | (last << 12) | (lastButOne << 16);

/** The state after an event is played with an option. */
export const afterEvent = (state: RightState, event: PluckEvent, option: readonly number[]): RightState => {
  const strings = [...state.strings] as [number, number, number, number];
  let last = 0;
  option.forEach((rank, index) => {
    strings[rank] = event.notes[index]!.string;
    last |= 1 << rank;
  });
  return { strings, last, lastButOne: state.last };
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
  let cost = 0;
  const charge = (term: RightTerm, index: number, amount: number): void => {
    if (amount === 0) return;
    cost += amount;
    ledger?.(term, notes[index]!.sound, amount);
  };
  const isLine = notes.length === 1 && notes[0]!.voice !== 'bass';
  const cameFromOne = (state.last & (state.last - 1)) === 0 && state.last !== 0;
  const previousRank = cameFromOne ? 31 - Math.clz32(state.last) : -1;

  option.forEach((rank, index) => {
    const { string, voice, isRepeated } = notes[index]!;
    const lastString = state.strings[rank]!;
    if (lastString !== 0 && lastString !== string)
      charge('frame', index, Math.abs(lastString - string) * (rank === THUMB ? costs.thumbLeaves : costs.leaveString));
    if ((state.last >> rank) & 1) {
      const hurry = haste(secondsBefore, costs.repeatFast, costs.repeatCalm);
      const full = costs.repeatSlow + costs.repeat * hurry;
      const isSweep = rank === THUMB && lastString - string === 1;
      charge('repeat', index, full * (rank !== THUMB ? load : isSweep ? costs.thumbSweep : costs.thumbRepeat));
      if (isLine && school !== 'free' && rank !== THUMB && hurry > 0) charge('school', index, costs.schoolBroken);
    } else if (isRepeated && (state.lastButOne >> rank) & 1 && before) {
      const since = secondsBefore + before.secondsBefore;
      const factor = rank === THUMB ? costs.thumbRepeat : 1;
      charge('repeat', index, costs.repeatAfterOne * factor * haste(since, 0, costs.repeatAfterOneTime));
    }
    if (rank === THUMB) {
      const outside = string === 3 ? costs.thumbOnThird : string === 2 ? costs.thumbOnSecond : string === 1 ? costs.thumbOnFirst : 0;
      charge('thumb', index, outside);
      if (state.strings[INDEX] !== 0 && string < state.strings[INDEX]) charge('thumb', index, costs.thumbAboveIndex);
      if (voice === 'melody' || (voice === 'only' && isLine && string <= 3)) charge('voice', index, costs.melodyWithThumb);
    } else {
      if (voice === 'bass') charge('voice', index, costs.bassWithoutThumb);
      if (rank === RING) charge('finger', index, costs.ring + (string >= 4 ? costs.ringOnBass : 0));
      else if (string >= 5) charge('finger', index, costs.fingersOnBass);
    }
  });
  if (isLine && !LINE_FINGERS[school].includes(option[0]!)) charge('school', 0, costs.schoolBroken);

  if (cameFromOne && option.length === 1 && previousRank > THUMB && option[0]! > THUMB && option[0] !== previousRank) {
    const rank = option[0]!;
    const from = state.strings[previousRank]!;
    const to = notes[0]!.string;
    if (from === to) {
      if (rank > previousRank) charge('finger', 0, costs.risingOnString);
    } else if (to < from !== rank > previousRank) {
      const hurry = Math.min(1.5, Math.max(0.3, costs.crossingTime / secondsBefore));
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
