import { cheapestFirst } from '../../fingering/cheapest-first.ts';
import { KnownRests } from '../../fingering/known-rests.ts';
import { STROKE_FINGERS, type StrokeFinger } from '../../fingering/vocabulary.ts';
import { EventCosts } from './event-costs.ts';
import { PlacesOfStates } from './layer.ts';
import { bestStates, RIGHT_PRICE_LIMIT, type RightTables } from './search.ts';
import { afterEvent, remembersTwo, type RightState } from './step.ts';

/** A finger for a note, and how much dearer the best whole right hand becomes when it plucks it. */
export interface PricedPluck {
  readonly pluck: StrokeFinger;
  /** In units of effort; 0 for what the plan takes. */
  readonly price: number;
}

/** The least cost from each state of every layer to the end, found from the end. */
const restsOf = ({ events, layers }: RightTables, best: readonly number[]): readonly Float64Array[] => {
  const rests: Float64Array[] = new Array<Float64Array>(layers.length);
  layers.forEach((layer, index) => (rests[index] = new Float64Array(layer.count)));
  const places = new PlacesOfStates();
  const costs = new EventCosts();
  const known = new KnownRests();
  for (let index = layers.length - 2; index >= 0; index -= 1) {
    const layer = layers[index]!;
    const next = layers[index + 1]!;
    const event = events[index + 1]!;
    const onward = rests[index + 1]!;
    const taken = [best[index]!, best[index + 1]!] as const;
    const after = { rest: onward, remaining: onward[taken[1]]! };
    const same = known.before(next.option, taken, after);
    if (same) {
      rests[index] = same;
      continue;
    }
    places.clear();
    for (let at = 0; at < next.count; at += 1) places.add(next.state[at]!, at);
    costs.take(events[index], event);
    const remembers = remembersTwo(events[index + 2]);
    const rest = rests[index]!;
    for (let from = 0; from < layer.count; from += 1) {
      const state = layer.state[from]! as RightState;
      let least = Infinity;
      for (let chosen = 0; chosen < event.options.length; chosen += 1) {
        const to = places.find(afterEvent(state, event, event.options[chosen]!, remembers));
        if (to < 0 || onward[to]! >= least) continue;
        least = Math.min(least, costs.from(state, chosen) + onward[to]!);
      }
      rest[from] = least;
    }
    known.add(next.option, taken, after, rest);
  }
  return rests;
};

/**
 * The price of every finger for every plucked sound, by sound, cheapest first, up to the limit of the search: what
 * the best whole right hand costs when the finger is taken, above the best of all. Exact up to the limit, by adding
 * the cost from the start and the cost to the end over the states of the search (min-marginals).
 */
export const pluckPrices = (tables: RightTables, soundCount: number): readonly (readonly PricedPluck[])[] => {
  const bySound: PricedPluck[][] = Array.from({ length: soundCount }, () => []);
  const best = bestStates(tables);
  const rests = restsOf(tables, best);
  tables.events.forEach((event, index) => {
    const layer = tables.layers[index]!;
    const rest = rests[index]!;
    const least = layer.cost[best[index]!]! + rest[best[index]!]!;
    const byOption = new Float64Array(event.options.length).fill(Infinity);
    for (let state = 0; state < layer.count; state += 1) {
      const option = layer.option[state]!;
      const price = layer.cost[state]! + rest[state]! - least;
      if (price < byOption[option]!) byOption[option] = price;
    }
    event.notes.forEach(({ sound }, place) => {
      const found = new Map<number, number>();
      event.options.forEach((option, chosen) => {
        const price = Math.max(0, byOption[chosen]!);
        if (price > RIGHT_PRICE_LIMIT) return;
        const rank = option[place]!;
        if (price < (found.get(rank) ?? Infinity)) found.set(rank, price);
      });
      bySound[sound] = [...found]
        .map(([rank, price]) => ({ pluck: STROKE_FINGERS[rank]!, price }))
        .sort(cheapestFirst);
    });
  });
  return bySound;
};
