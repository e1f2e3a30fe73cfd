import { cheapestFirst } from '../../fingering/cheapest-first.ts';
import type { LeftFinger } from '../../fingering/vocabulary.ts';
import type { Accounted } from './accounts.ts';
import type { Layer } from './layer.ts';
import type { Moment } from '../moments/ways-at-moment.ts';
import { STRINGS } from '../moments/option-table.ts';
import { remainingCosts } from './remaining-costs.ts';
import type { Stepper } from './step.ts';

/** A place and finger for a sound, and how much dearer the best whole fingering becomes when it is taken. */
export interface PricedPlacement {
  readonly string: number;
  readonly fret: number;
  readonly finger: LeftFinger;
  /** In units of effort; 0 for what the plan takes. */
  readonly price: number;
}

/**
 * Highest price that is listed; what is not listed costs more, or cannot be. In units of effort. The search keeps what is
 * within a window of the best, so that not every way above this limit is found: of 21,000 ways below 3, two were missing,
 * at 2.8 and 2.9. A wider window would find them at twice the time.
 */
export const PRICE_LIMIT = 2.5;

/**
 * The price of every way to take every sound: for each sound struck, its places and fingers with what the best whole
 * fingering through them costs above the best of all, cheapest first, up to `limit`. Found by a search backward over
 * the same states, so that reached cost and remaining cost add up (min-marginals).
 */
export const pricesOf = (
  stepper: Stepper,
  solved: Accounted,
  soundCount: number,
  limit = PRICE_LIMIT,
): readonly (readonly PricedPlacement[])[] => {
  const { accounts, path, tables } = solved;
  const bySound: PricedPlacement[][] = Array.from({ length: soundCount }, () => []);
  const rests = remainingCosts(stepper, solved, limit);
  let remaining = 0;
  for (let index = rests.length - 1; index >= 0; index -= 1) {
    const layer = tables.layers[index]!;
    const least = layer.cost[path[index]!.state]! + remaining;
    listPrices(tables.moments[index]!, layer, rests[index]!, least, limit, bySound);
    remaining += accounts[index]!.cost;
  }
  return bySound;
};

const listPrices = (
  { options, struck }: Moment,
  layer: Layer,
  rest: Float64Array,
  least: number,
  limit: number,
  bySound: PricedPlacement[][],
): void => {
  const byOption = new Float64Array(options.count).fill(Infinity);
  for (let state = 0; state < layer.count; state += 1) {
    const option = layer.option[state]!;
    const price = layer.cost[state]! + rest[state]! - least;
    if (price < byOption[option]!) byOption[option] = price;
  }
  for (let place = 0; place < options.width; place += 1) {
    const found = new Map<number, PricedPlacement>();
    for (let option = 0; option < options.count; option += 1) {
      const price = Math.max(0, byOption[option]!);
      if (price > limit) continue;
      const at = option * options.width + place;
      const key = options.placedString[at]! + STRINGS * options.placedFinger[at]!;
      const known = found.get(key);
      if (known && known.price <= price) continue;
      found.set(key, {
        string: options.placedString[at]! + 1,
        fret: options.placedFret[at]!,
        finger: options.placedFinger[at]! as LeftFinger,
        price,
      });
    }
    bySound[struck[place]!] = [...found.values()].sort(cheapestFirst);
  }
};
