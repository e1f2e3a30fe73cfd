import { RIGHT_COSTS } from './costs.ts';
import type { PluckEvent } from '../events/events.ts';
import {
  approachTo,
  orderCost,
  pastOf,
  placeCost,
  RIGHT_PASTS,
  travelCost,
  type Approach,
  type RightState,
} from './step.ts';

/** Most ways to take the notes of one event: two notes with four fingers. */
const MOST_OPTIONS = 6;

/** The costs of all ways into one event; what states with one past share is worked out once. Used again and again. */
export class EventCosts {
  private event!: PluckEvent;
  private approach!: Approach;
  private readonly places = new Float64Array(MOST_OPTIONS);
  private readonly orders = new Float64Array(RIGHT_PASTS * MOST_OPTIONS);
  /** By past: the event for which its row holds. */
  private readonly known = new Int32Array(RIGHT_PASTS);
  private round = 0;

  take(before: PluckEvent | undefined, event: PluckEvent): void {
    this.event = event;
    this.approach = approachTo(RIGHT_COSTS, before, event);
    this.round += 1;
    event.options.forEach((option, chosen) => {
      this.places[chosen] = placeCost(RIGHT_COSTS, event, option);
    });
  }

  /** What one of the event's options costs from a state. */
  from(state: RightState, chosen: number): number {
    const past = pastOf(state);
    if (this.known[past] !== this.round) this.learn(past, state);
    return (
      this.orders[past * MOST_OPTIONS + chosen]! +
      travelCost(RIGHT_COSTS, this.event, state, this.event.options[chosen]!)
    );
  }

  private learn(past: number, state: RightState): void {
    this.known[past] = this.round;
    this.event.options.forEach((option, chosen) => {
      this.orders[past * MOST_OPTIONS + chosen] =
        this.places[chosen]! + orderCost(RIGHT_COSTS, this.approach, state, option);
    });
  }
}
