import { detoursOf, MEETS_AGAIN } from '../fingering/felt-nearby.ts';
import { costOfStretch } from './cost-of-plucks.ts';
import type { PluckEvent } from './events/events.ts';
import { searchStretch } from './search/search.ts';
import { afterEvent, FREE_RIGHT_HAND, remembersTwo, type RightState } from './search/step.ts';

type Options = readonly (readonly number[])[];

/** Events with the fingers that play them, as ranks. */
export interface Played {
  readonly events: readonly PluckEvent[];
  readonly options: Options;
}

const isSame = (one: readonly number[], other: readonly number[]): boolean => one.join() === other.join();

/** Whether an event strikes the same notes on the same strings. */
const isSameEvent = (one: PluckEvent, other: PluckEvent): boolean =>
  one.notes.length === other.notes.length &&
  one.notes.every(
    ({ sound, string }, place) =>
      sound === other.notes[place]!.sound && string === other.notes[place]!.string,
  );

/** The hand as it comes to each event. */
const comingToEach = (events: readonly PluckEvent[], options: Options): readonly RightState[] => {
  let state: RightState = FREE_RIGHT_HAND;
  return events.map((event, index) => {
    const coming = state;
    state = afterEvent(state, event, options[index]!, remembersTwo(events[index + 1]));
    return coming;
  });
};

/**
 * A plan near the cheapest one in which a decision is felt where it is made: away from the events that cannot be played as
 * before, the fingers are those of before as long as the whole costs no more than a near tie above the cheapest.
 */
export const keepWhatWas = (events: readonly PluckEvent[], cheapest: Options, before: Played): Options => {
  if (before.events.length !== events.length) return cheapest;
  const isComparable = (index: number): boolean => isSameEvent(before.events[index]!, events[index]!);
  const isPossible = (index: number): boolean =>
    isComparable(index) && events[index]!.options.some((ranks) => isSame(ranks, before.options[index]!));
  const departing = events.flatMap((_, index) =>
    isSame(cheapest[index]!, before.options[index]!) ? [] : [index],
  );
  if (departing.length === 0) return cheapest;
  const coming = comingToEach(events, cheapest);
  const ways = detoursOf<Options>({
    bars: events.map(({ bar }) => bar),
    departing,
    isDecided: (index) => !isPossible(index),
    through: ({ first, end }, isFree) => {
      const last = Math.min(events.length, end + MEETS_AGAIN);
      const narrowed = events.slice(0, last + 1).map((event, index): PluckEvent => {
        if (index < first || index >= last || isFree(index)) return event;
        const kept = index < end ? before.options[index]! : cheapest[index]!;
        return isPossible(index) ? { ...event, options: [kept] } : event;
      });
      const state = coming[first]!;
      const way = searchStretch(narrowed, first, last, state);
      const price =
        costOfStretch(events, way, first, state) -
        costOfStretch(events, cheapest.slice(first, last), first, state);
      return { way, price };
    },
  });
  const kept = [...cheapest];
  for (const [{ first }, way] of ways) way.forEach((ranks, place) => (kept[first + place] = ranks));
  return kept;
};
