import type { PluckEvent } from './events/events.ts';
import { costOfPlucks } from './cost-of-plucks.ts';
import { remembersTwo, searchStretch } from './search/search.ts';
import { afterEvent, FREE_RIGHT_HAND, type RightState } from './search/step.ts';

type Options = readonly (readonly number[])[];

/** Events with the fingers that play them, as ranks. */
export interface Played {
  readonly events: readonly PluckEvent[];
  readonly options: Options;
}

/**
 * The most that a plan may cost above the cheapest one to stay what it was, in units of effort: what lies so near is a tie
 * anyway.
 */
export const KEEPING = 0.3;
/** How the price of a departure fades from event to event away from the first change. */
const FADING = 0.97;
/** Events after the last change over which both ways must have met again. */
const MEETS_AGAIN = 4;

const isSame = (one: readonly number[] | undefined, other: readonly number[] | undefined): boolean =>
  one !== undefined && other !== undefined && one.join() === other.join();

/** Whether an event strikes the same notes on the same strings. */
const isSameEvent = (one: PluckEvent | undefined, other: PluckEvent): boolean =>
  one?.notes.length === other.notes.length &&
  one.notes.every(
    ({ sound, string }, place) =>
      sound === other.notes[place]!.sound && string === other.notes[place]!.string,
  );

/**
 * A plan near the cheapest one that departs less from what was played before: a small price for every departure, which fades
 * with the distance from the first of them, is paid while it is looked for and never shown. It never costs more than
 * `KEEPING` above the cheapest.
 */
export const keepWhatWas = (events: readonly PluckEvent[], cheapest: Options, before: Played): Options => {
  if (before.events.length !== events.length) return cheapest;
  const departs = (options: Options, index: number): boolean =>
    isSameEvent(before.events[index], events[index]!) && !isSame(options[index], before.options[index]);
  const changed = events.flatMap((_, index) => (departs(cheapest, index) ? [index] : []));
  if (changed.length === 0) return cheapest;
  const first = changed[0]!;
  const end = Math.min(events.length, changed.at(-1)! + 1 + MEETS_AGAIN);
  const priced = events.slice(0, end + 1).map((event, index): PluckEvent => {
    if (index < first || !isSameEvent(before.events[index], event)) return event;
    const cost = KEEPING * (1 - FADING) * FADING ** (index - first);
    return { ...event, kept: { ranks: before.options[index]!, cost } };
  });
  let state: RightState = FREE_RIGHT_HAND;
  for (let index = 0; index < first; index += 1)
    state = afterEvent(state, events[index]!, cheapest[index]!, remembersTwo(events[index + 1]));
  const stretch = searchStretch(priced, first, end, state);
  const kept = [...cheapest.slice(0, first), ...stretch, ...cheapest.slice(end)];
  const departures = (options: Options): number =>
    events.filter((_, index) => departs(options, index)).length;
  const isNear = costOfPlucks(events, kept) <= costOfPlucks(events, cheapest) + KEEPING;
  return isNear && departures(kept) < changed.length ? kept : cheapest;
};
