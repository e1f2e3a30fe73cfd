import { locksOf, type Fingering } from '../fingering/fingering.ts';
import { STROKE_FINGERS, type StrokeFinger } from '../fingering/vocabulary.ts';
import type { LeftPlan } from '../left/plan-left.ts';
import type { Clock } from '../score/clock.ts';
import type { Score } from '../score/score.ts';
import { RIGHT_COSTS, type RightTerm } from './search/costs.ts';
import { pluckEvents, withWanted, type PluckEvent } from './events/events.ts';
import { pluckPrices, type PricedPluck } from './search/prices.ts';
import { bestPlucks, searchPlucks, type RightTables } from './search/search.ts';
import { RightRules, type RightSetup } from './events/setup.ts';
import {
  afterEvent,
  approachTo,
  FREE_RIGHT_HAND,
  moveCost,
  placeCost,
  type RightState,
} from './search/step.ts';
import { strumsOf, type Strum } from './events/strums.ts';
import { demandsOf, establishedOrder } from './events/demands.ts';

export interface RightChoice {
  readonly pluck: StrokeFinger;
  readonly cost: Readonly<Partial<Record<RightTerm, number>>>;
}

export interface RightPlan {
  readonly events: readonly PluckEvent[];
  /** By event: the fingers that play it, as ranks rising with the notes. */
  readonly options: readonly (readonly number[])[];
  readonly strums: readonly Strum[];
  /** By sound; undefined where nothing is plucked (slurred, strummed, a twin). */
  readonly choices: readonly (RightChoice | undefined)[];
  readonly cost: number;
  readonly terms: Readonly<Partial<Record<RightTerm, number>>>;
  readonly brokenLocks: readonly number[];
  /** To go on from after a change. */
  readonly memory: RightMemory;
}

export interface RightMemory {
  readonly setup: RightSetup;
  /** The search without, and with, the established order of equal cells. */
  readonly free: RightTables;
  readonly tables: RightTables;
}

/**
 * Plans p i m a for a piece whose left hand is planned, at least cost, with pluck locks honoured. Where equal cells
 * came out differently, a second search asks for the order that most of them have.
 */
export const planRight = (
  score: Score,
  fingering: Fingering,
  left: LeftPlan,
  setup: RightSetup,
  clock: Clock,
  earlier?: RightMemory,
): RightPlan => {
  const memory = earlier?.setup === setup ? earlier : undefined;
  const rules = new RightRules(setup, fingering.rules.values());
  const strums = strumsOf(score, left, clock);
  const strummed = new Set(strums.keys());
  const plain = pluckEvents(score, left, locksOf(score, fingering), clock, rules, strummed);
  const asked = withWanted(plain, demandsOf(score, plain, setup, rules));
  const free = searchPlucks(asked, memory?.free);
  const order = establishedOrder(score, asked, bestPlucks(free), rules);
  const events = withWanted(asked, order);
  const tables = order.size === 0 ? free : searchPlucks(events, memory?.tables);
  const options = bestPlucks(tables);
  const costs: Partial<Record<RightTerm, number>>[] = left.sounds.map(() => ({}));
  const terms: Partial<Record<RightTerm, number>> = {};
  const choices: (RightChoice | undefined)[] = left.sounds.map(() => undefined);
  const ledger = (term: RightTerm, sound: number, amount: number): void => {
    terms[term] = (terms[term] ?? 0) + amount;
    costs[sound]![term] = (costs[sound]![term] ?? 0) + amount;
  };
  const cost = costOfPlucks(events, options, ledger);
  events.forEach((event, index) => {
    for (const sound of event.swept) choices[sound] = { pluck: 'p', cost: {} };
    event.notes.forEach(({ sound }, place) => {
      choices[sound] = { pluck: STROKE_FINGERS[options[index]![place]!]!, cost: costs[sound]! };
    });
  });
  const brokenLocks = events.flatMap((event) => event.brokenLocks);
  return {
    events,
    options,
    strums: [...strums.values()],
    choices,
    cost,
    terms,
    brokenLocks,
    memory: { setup, free, tables },
  };
};

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

const knownPrices = new WeakMap<RightPlan, readonly (readonly PricedPluck[])[]>();

/** The price of every finger for every plucked sound, by sound: see `pluckPrices`. Worked out once for each plan. */
export const rightPrices = (plan: RightPlan): readonly (readonly PricedPluck[])[] => {
  const known = knownPrices.get(plan);
  if (known) return known;
  const prices = pluckPrices(plan.memory.tables, plan.choices.length);
  knownPrices.set(plan, prices);
  return prices;
};
