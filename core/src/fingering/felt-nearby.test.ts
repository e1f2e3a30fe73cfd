import { describe, expect, it } from 'vitest';
import { detoursOf, type Stretch } from './felt-nearby.ts';

/** Forty moments, four to the bar. */
const bars = Array.from({ length: 40 }, (_, index) => Math.floor(index / 4));

/** Detours of a piece whose ways cost `price` for every bar in which they are not free, with the stretches they were asked for. */
const detours = (
  departing: readonly number[],
  decided: readonly number[],
  price: (fixed: number) => number,
) => {
  const asked: Stretch[] = [];
  const ways = detoursOf<number>({
    bars,
    departing,
    isDecided: (index) => decided.includes(index),
    through: (stretch, isFree) => {
      asked.push(stretch);
      const fixed = departing.filter(
        (index) => index >= stretch.first && index < stretch.end && !isFree(index),
      );
      return { way: fixed.length, price: price(fixed.length) };
    },
  });
  return { asked, ways: [...ways.values()] };
};

describe('where a decision is felt', () => {
  it('leaves a plan alone that departs only within a bar of the decision', () => {
    expect(detours([8, 9, 12], [9], () => 0).asked).toEqual([]);
  });

  it('holds everything else to what was when that is a near tie', () => {
    expect(detours([8, 9, 14, 18, 20], [9], () => 0.2).ways).toEqual([2]);
  });

  it('frees more bars when that costs more than a near tie', () => {
    // Of 16 and 20 only the one further than two bars away can be kept at the price.
    expect(detours([9, 12, 16, 20], [9], (fixed) => (fixed > 1 ? 1 : 0.1)).ways).toEqual([1]);
  });

  it('gives up no more than one near tie over all stretches', () => {
    expect(detours([8, 17, 30], [], () => 0.2).ways).toHaveLength(1);
    expect(detours([8, 17, 30], [], () => 0.09).ways).toHaveLength(3);
  });

  it('looks at what lies far apart one by one', () => {
    expect(detours([3, 5, 25], [], () => 0).asked).toEqual([
      { first: 3, end: 6 },
      { first: 25, end: 26 },
    ]);
  });
});
