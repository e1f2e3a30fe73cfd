import { RIGHT_COSTS, type RightTerm } from './search/costs.ts';
import type { PluckEvent } from './events/events.ts';
import {
  afterEvent,
  approachTo,
  FREE_RIGHT_HAND,
  moveCost,
  placeCost,
  type RightState,
} from './search/step.ts';

type Ledger = (term: RightTerm, sound: number, amount: number) => void;

/** What a way to play the events from `first` on costs, in units of effort, for a hand that comes to them in a state. */
export const costOfStretch = (
  events: readonly PluckEvent[],
  options: readonly (readonly number[])[],
  first: number,
  coming: RightState,
  ledger?: Ledger,
): number => {
  let state = coming;
  return options.reduce((total, option, place) => {
    const event = events[first + place]!;
    const approach = approachTo(RIGHT_COSTS, events[first + place - 1], event);
    const cost =
      placeCost(RIGHT_COSTS, event, option, ledger) + moveCost(RIGHT_COSTS, approach, state, option, ledger);
    state = afterEvent(state, event, option);
    return total + cost;
  }, 0);
};

/** What some way to play the events costs, in units of effort, with every amount handed to `ledger`. */
export const costOfPlucks = (
  events: readonly PluckEvent[],
  options: readonly (readonly number[])[],
  ledger?: Ledger,
): number => costOfStretch(events, options, 0, FREE_RIGHT_HAND, ledger);
