import fc from 'fast-check';
import { expect, it } from 'vitest';
import { placesOnAxis } from './axis-places.ts';

it('choices of one price stand under each other, others where they belong', () => {
  expect(placesOnAxis([0, 0, 1.25, 2.5], 2.5, 0.2)).toEqual([
    { along: 0, row: 0 },
    { along: 0, row: 1 },
    { along: 0.4, row: 0 },
    { along: 0.8, row: 0 },
  ]);
});

it('no two choices overlap, and dearer ones never stand further left', () => {
  const prices = fc.array(fc.double({ min: 0, max: 4, noNaN: true }), { maxLength: 9 });
  fc.assert(
    fc.property(prices, (unsorted) => {
      const sorted = unsorted.toSorted((a, b) => a - b);
      const places = placesOnAxis(sorted, 2.5, 0.24);
      places.forEach((one, index) => {
        expect(one.along).toBeGreaterThanOrEqual(0);
        expect(one.along).toBeLessThanOrEqual(0.76 + 1e-9);
        for (const other of places.slice(index + 1)) {
          expect(other.along).toBeGreaterThanOrEqual(one.along);
          if (other.row === one.row) expect(other.along - one.along).toBeGreaterThanOrEqual(0.24 - 1e-9);
        }
      });
    }),
  );
});
