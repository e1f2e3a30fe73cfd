import { locksOf, type Fingering } from '../fingering/fingering.ts';
import { STROKE_FINGERS, type StrokeFinger } from '../fingering/vocabulary.ts';
import type { LeftPlan } from '../left/plan-left.ts';
import type { Clock } from '../score/clock.ts';
import type { Score } from '../score/score.ts';
import { RIGHT_COSTS, type RightSchool, type RightTerm } from './costs.ts';
import { pluckEvents, type PluckEvent } from './events.ts';
import { afterEvent, FREE_RIGHT_HAND, RIGHT_STATES, stepCost, type RightState } from './step.ts';

export interface RightChoice {
  readonly pluck: StrokeFinger;
  readonly cost: Readonly<Partial<Record<RightTerm, number>>>;
}

export interface RightPlan {
  readonly events: readonly PluckEvent[];
  /** By sound; undefined where nothing is plucked (slurred, strummed, a twin). */
  readonly choices: readonly (RightChoice | undefined)[];
  readonly cost: number;
  readonly terms: Readonly<Partial<Record<RightTerm, number>>>;
  readonly brokenLocks: readonly number[];
}

/** States reached at one event with the cheapest way to each. */
interface Reached {
  readonly states: RightState[];
  readonly cost: number[];
  readonly parent: number[];
  readonly option: number[];
}

/**
 * How much more than the cheapest a state may cost and still be followed. Whatever a state can still save over
 * another is paid once per finger: a repeat at full haste under the heaviest load, and the way to its string.
 */
const WINDOW = 14;

/** The cheapest options for all events, by exact dynamic programming over the states of the right hand. */
export const bestPlucks = (
  events: readonly PluckEvent[],
  school: RightSchool,
  window = WINDOW,
): readonly (readonly number[])[] => {
  const place = new Int32Array(RIGHT_STATES).fill(-1);
  let layer: Reached = { states: [FREE_RIGHT_HAND], cost: [0], parent: [-1], option: [-1] };
  const layers: Reached[] = [];
  events.forEach((event, index) => {
    const next: Reached = { states: [], cost: [], parent: [], option: [] };
    const before = events[index - 1];
    const limit = Math.min(...layer.cost) + window;
    layer.states.forEach((state, from) => {
      if (layer.cost[from]! > limit) return;
      event.options.forEach((option, chosen) => {
        const cost = layer.cost[from]! + stepCost(RIGHT_COSTS, school, state, before, event, option);
        const after = afterEvent(state, event, option);
        const at = place[after]!;
        if (at < 0) {
          place[after] = next.states.length;
          next.states.push(after);
          next.cost.push(cost);
          next.parent.push(from);
          next.option.push(chosen);
        } else if (cost < next.cost[at]!) {
          next.cost[at] = cost;
          next.parent[at] = from;
          next.option[at] = chosen;
        }
      });
    });
    for (const state of next.states) place[state] = -1;
    layer = next;
    layers.push(next);
  });
  const chosen: (readonly number[])[] = [];
  let at = layer.cost.indexOf(Math.min(...layer.cost));
  for (let index = events.length - 1; index >= 0; index -= 1) {
    chosen.push(events[index]!.options[layers[index]!.option[at]!]!);
    at = layers[index]!.parent[at]!;
  }
  return chosen.reverse();
};

/** Plans p i m a for a piece whose left hand is planned, at least cost, with pluck locks honoured. */
export const planRight = (
  score: Score,
  fingering: Fingering,
  left: LeftPlan,
  school: RightSchool,
  clock: Clock,
): RightPlan => {
  const load = { perUnit: RIGHT_COSTS.leftLoad, limit: RIGHT_COSTS.leftLoadLimit };
  const events = pluckEvents(score, left, locksOf(score, fingering), clock, load);
  const options = bestPlucks(events, school);
  const costs: Partial<Record<RightTerm, number>>[] = left.sounds.map(() => ({}));
  const terms: Partial<Record<RightTerm, number>> = {};
  const choices: (RightChoice | undefined)[] = left.sounds.map(() => undefined);
  let state: RightState = FREE_RIGHT_HAND;
  let cost = 0;
  events.forEach((event, index) => {
    const option = options[index]!;
    cost += stepCost(RIGHT_COSTS, school, state, events[index - 1], event, option, (term, sound, amount) => {
      terms[term] = (terms[term] ?? 0) + amount;
      costs[sound]![term] = (costs[sound]![term] ?? 0) + amount;
    });
    state = afterEvent(state, event, option);
    event.notes.forEach(({ sound }, place) => {
      choices[sound] = { pluck: STROKE_FINGERS[option[place]!]!, cost: costs[sound]! };
    });
  });
  return { events, choices, cost, terms, brokenLocks: events.flatMap((event) => event.brokenLocks) };
};
