import { locksOf, type Fingering } from '../fingering/fingering.ts';
import { STROKE_FINGERS, type StrokeFinger } from '../fingering/vocabulary.ts';
import type { LeftPlan } from '../left/plan-left.ts';
import type { Clock } from '../score/clock.ts';
import type { Score } from '../score/score.ts';
import { RIGHT_COSTS, type RightSchool, type RightTerm } from './costs.ts';
import { pluckEvents, type PluckEvent } from './events.ts';
import { afterEvent, FREE_RIGHT_HAND, stateKey, stepCost, type RightState } from './step.ts';

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

interface Node {
  readonly state: RightState;
  cost: number;
  parent: Node | undefined;
  option: readonly number[];
}

/** The cheapest options for all events, by exact dynamic programming over the states of the right hand. */
export const bestPlucks = (events: readonly PluckEvent[], school: RightSchool): readonly (readonly number[])[] => {
  let layer: Node[] = [{ state: FREE_RIGHT_HAND, cost: 0, parent: undefined, option: [] }];
  events.forEach((event, index) => {
    const next = new Map<number, Node>();
    const before = events[index - 1];
    for (const node of layer)
      for (const option of event.options) {
        const cost = node.cost + stepCost(RIGHT_COSTS, school, node.state, before, event, option);
        const state = afterEvent(node.state, event, option);
        const key = stateKey(state);
        const known = next.get(key);
        if (!known) next.set(key, { state, cost, parent: node, option });
        else if (cost < known.cost) {
          known.cost = cost;
          known.parent = node;
          known.option = option;
        }
      }
    layer = [...next.values()];
  });
  let best: Node | undefined = layer.reduce((a, b) => (b.cost < a.cost ? b : a));
  const chosen: (readonly number[])[] = [];
  for (; best?.parent; best = best.parent) chosen.push(best.option);
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
  let state = FREE_RIGHT_HAND;
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
