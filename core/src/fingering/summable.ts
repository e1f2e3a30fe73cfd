/**
 * Steps in which costs are summed, in units of effort: a power of two, so that sums of up to a hundred million units are exact.
 */
const GRAIN = 2 ** -24;

/**
 * A cost of a step as searches add it up, rounded up to a grain that no one feels. Sums are then exact in whatever order they
 * are made, and ways that cost the same are the same wherever a search begins: what breaks the tie is the order of the
 * ways, never the noise of rounding, and planning again gives what planning anew would.
 */
export const summable = (cost: number): number => Math.ceil(cost / GRAIN) * GRAIN;
