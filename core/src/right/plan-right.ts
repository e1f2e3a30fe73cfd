import { locksOf, type Fingering } from '../fingering/fingering.ts';
import { STROKE_FINGERS } from '../fingering/vocabulary.ts';
import type { LeftPlan } from '../left/left-plan.ts';
import type { Clock } from '../score/clock.ts';
import type { Score } from '../score/score.ts';
import { cellsOf, withCells } from './events/cells.ts';
import type { RightChoice, RightPlan } from './right-plan.ts';
import type { RightTerm } from './search/costs.ts';
import { pluckEvents, withWanted } from './events/events.ts';
import { pluckPrices, type PricedPluck } from './search/prices.ts';
import { bestPlucks, searchPlucks, type RightTables } from './search/search.ts';
import { RightRules, type RightSetup } from './events/setup.ts';
import { costOfPlucks } from './cost-of-plucks.ts';
import { keepWhatWas, type Played } from './keep-what-was.ts';
import { strumsOf } from './events/strums.ts';
import { demandsOf, establishedOrder, type CellsPlayed } from './events/demands.ts';

/** A plan with what planning the same piece again can go on from. */
export interface SolvedRight extends RightPlan {
  readonly memory: RightMemory;
}

/** What a later plan of the same piece can reuse: the planners' own, nobody else reads it. */
export interface RightMemory {
  readonly setup: RightSetup;
  /** The search without, and with, the established order of equal cells. */
  readonly free: RightTables;
  readonly tables: RightTables;
  /** By sound: the price of every finger that could pluck it, cheapest first; worked out when first asked for. */
  readonly prices: readonly (readonly PricedPluck[])[];
}

/**
 * Plans p i m a for a piece whose left hand is planned, at least cost, with pluck locks honoured. Where equal cells
 * came out differently, a second search asks for the order that most of them have. `undecided` is what is played while the
 * teacher has chosen nothing: what the choices do not touch stays near it.
 */
export const planRight = (
  score: Score,
  fingering: Fingering,
  left: LeftPlan,
  setup: RightSetup,
  clock: Clock,
  earlier?: RightMemory,
  undecided?: Played & CellsPlayed,
): SolvedRight => {
  const memory = earlier?.setup === setup ? earlier : undefined;
  const rules = new RightRules(setup, fingering.rules.values());
  const strums = strumsOf(score, left, clock);
  const strummed = new Set(strums.keys());
  const struck = pluckEvents(score, left, locksOf(score, fingering), clock, rules, strummed);
  const cells = cellsOf(score, struck);
  const plain = withCells(struck, cells);
  const asked = withWanted(plain, demandsOf(cells, plain, setup, rules));
  const free = searchPlucks(asked, memory?.free);
  const order = establishedOrder(cells, asked, bestPlucks(free), rules, undecided);
  const events = withWanted(asked, order);
  const tables = order.size === 0 ? free : searchPlucks(events, memory?.tables);
  const cheapest = bestPlucks(tables);
  const options = undecided ? keepWhatWas(events, cheapest, undecided) : cheapest;
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
  let prices: readonly (readonly PricedPluck[])[] | undefined;
  return {
    events,
    options,
    cells,
    strums: [...strums.values()],
    choices,
    cost,
    terms,
    brokenLocks,
    memory: {
      setup,
      free,
      tables,
      get prices() {
        return (prices ??= pluckPrices(tables, left.sounds.length));
      },
    },
  };
};
