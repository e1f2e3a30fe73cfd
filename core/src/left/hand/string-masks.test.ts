import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { isInside, isSeveral, lowestIndex, rangeOf, stringsApart, stringsOf } from './string-masks.ts';

/** Sets of the six strings that are not empty. */
const strings = fc.integer({ min: 1, max: 63 });
const indices = (mask: number): number[] => [0, 1, 2, 3, 4, 5].filter((k) => (mask >> k) & 1);

describe('sets of strings', () => {
  it('agree with lists of strings', () => {
    fc.assert(
      fc.property(strings, (mask) => {
        const list = indices(mask);
        expect(lowestIndex(mask)).toBe(Math.min(...list));
        expect(isSeveral(mask)).toBe(list.length > 1);
        expect(stringsOf(mask)).toBe(Math.max(...list) - Math.min(...list) + 1);
      }),
    );
  });

  it('range over everything between their ends', () => {
    fc.assert(
      fc.property(strings, (mask) => {
        const inside = [0, 1, 2, 3, 4, 5].filter((k) => isInside(1 << k, mask));
        expect(indices(rangeOf(mask))).toEqual(inside);
      }),
    );
  });

  it('lie apart by the strings between their nearest ends', () => {
    fc.assert(
      fc.property(fc.constantFrom(1, 2, 4, 8, 16), fc.integer({ min: 1, max: 5 }), (low, up) => {
        const high = low << up;
        if (high > 32) return;
        expect(stringsApart(low, high)).toBe(up);
        expect(stringsApart(high, low)).toBe(up);
      }),
    );
    expect(stringsApart(0b000011, 0b110000)).toBe(3);
    expect(stringsApart(0b000101, 0b000010)).toBeLessThan(1);
  });
});
