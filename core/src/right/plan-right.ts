import { locksOf, type Fingering } from '../fingering/fingering.ts';
import { STROKE_FINGERS, type StrokeFinger } from '../fingering/vocabulary.ts';
import type { LeftPlan } from '../left/plan-left.ts';
import type { Clock } from '../score/clock.ts';
import type { Score } from '../score/score.ts';
import { RIGHT_COSTS, type RightSchool, type RightTerm } from './costs.ts';
import { pluckEvents, type PluckEvent } from './events.ts';
import { bestPlucks, searchPlucks, type RightTables } from './search.ts';
import { afterEvent, approachTo, FREE_RIGHT_HAND, moveCost, placeCost, type RightState } from './step.ts';

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
  /** To go on from after a change. */
  readonly memory: RightMemory;
}

export interface RightMemory {
  readonly school: RightSchool;
  readonly tables: RightTables;
}

/** Plans p i m a for a piece whose left hand is planned, at least cost, with pluck locks honoured. */
export const planRight = (
  score: Score,
  fingering: Fingering,
  left: LeftPlan,
  school: RightSchool,
  clock: Clock,
  memory?: RightMemory,
): RightPlan => {
  const load = { perUnit: RIGHT_COSTS.leftLoad, limit: RIGHT_COSTS.leftLoadLimit };
  const events = pluckEvents(score, left, locksOf(score, fingering), clock, load);
  const tables = searchPlucks(events, school, memory?.school === school ? memory.tables : undefined);
  const options = bestPlucks(tables);
  const costs: Partial<Record<RightTerm, number>>[] = left.sounds.map(() => ({}));
  const terms: Partial<Record<RightTerm, number>> = {};
  const choices: (RightChoice | undefined)[] = left.sounds.map(() => undefined);
  const ledger = (term: RightTerm, sound: number, amount: number): void => {
    terms[term] = (terms[term] ?? 0) + amount;
    costs[sound]![term] = (costs[sound]![term] ?? 0) + amount;
  };
  let state: RightState = FREE_RIGHT_HAND;
  let cost = 0;
  events.forEach((event, index) => {
    const option = options[index]!;
    cost += placeCost(RIGHT_COSTS, school, event, option, ledger);
    cost += moveCost(
      RIGHT_COSTS,
      approachTo(RIGHT_COSTS, school, events[index - 1], event),
      state,
      option,
      ledger,
    );
    state = afterEvent(state, event, option);
    event.notes.forEach(({ sound }, place) => {
      choices[sound] = { pluck: STROKE_FINGERS[option[place]!]!, cost: costs[sound]! };
    });
  });
  const brokenLocks = events.flatMap((event) => event.brokenLocks);
  return { events, choices, cost, terms, brokenLocks, memory: { school, tables } };
};
