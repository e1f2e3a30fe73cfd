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

/** What some way to play the events costs, in units of effort, with every amount handed to `ledger`. */
export const costOfPlucks = (
  events: readonly PluckEvent[],
  options: readonly (readonly number[])[],
  ledger?: (term: RightTerm, sound: number, amount: number) => void,
): number => {
  let state: RightState = FREE_RIGHT_HAND;
  return events.reduce((total, event, index) => {
    const option = options[index]!;
    const approach = approachTo(RIGHT_COSTS, events[index - 1], event);
    const cost =
      placeCost(RIGHT_COSTS, event, option, ledger) + moveCost(RIGHT_COSTS, approach, state, option, ledger);
    state = afterEvent(state, event, option);
    return total + cost;
  }, 0);
};
