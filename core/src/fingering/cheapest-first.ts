/** Prices that differ by less are the same: they were summed in another order. In units of effort. */
const PRICE_GRAIN = 1e-6;

interface Priced {
  readonly price: number;
}

/** Orders ways by their prices, in units of effort, cheapest first; what costs the same keeps its order, whatever the noise of sums. */
export const cheapestFirst = (one: Priced, other: Priced): number =>
  Math.round(one.price / PRICE_GRAIN) - Math.round(other.price / PRICE_GRAIN);
