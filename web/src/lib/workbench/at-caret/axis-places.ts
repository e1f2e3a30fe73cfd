/** Where a choice stands on the axis of price: how far along, 0 to 1, and in which row, counted from the axis up. */
export interface AxisPlace {
  readonly along: number;
  readonly row: number;
}

/**
 * Places choices on an axis by price, cheapest first, each in the first row in which it does not lie on its neighbour.
 * `width` is what a choice takes of the axis, 0 to 1.
 */
export const placesOnAxis = (
  prices: readonly number[],
  limit: number,
  width: number,
): readonly AxisPlace[] => {
  const ends: number[] = [];
  return prices.map((price) => {
    const along = Math.min(1, Math.max(0, price) / limit) * (1 - width);
    const free = ends.findIndex((end) => end <= along);
    const row = free < 0 ? ends.length : free;
    ends[row] = along + width;
    return { along, row };
  });
};
