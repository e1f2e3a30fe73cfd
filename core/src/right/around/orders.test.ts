import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { planVoices } from '../../testing/planning.ts';
import { crossingOf, fingerOrders, measureOrder } from './orders.ts';

describe('orders of the four fingers', () => {
  // Common practice, no published source (handbook §4, permutations).
  it('are 24, six from each finger, and the six from the thumb are the known ones', () => {
    const orders = fingerOrders();
    expect(new Set(orders).size).toBe(24);
    for (const finger of 'pima') expect(orders.filter((order) => order[0] === finger)).toHaveLength(6);
    expect(new Set(orders.filter((order) => order.startsWith('p')))).toEqual(
      new Set(['pima', 'piam', 'pmia', 'pmai', 'paim', 'pami']),
    );
  });
});

describe('crossings', () => {
  // Common practice, no published source (handbook §4, crossings).
  it('i on ② then m on ① is good; m on ② then i on ① is awkward', () => {
    expect(crossingOf([1, 2], [2, 1])).toBeUndefined();
    expect(crossingOf([2, 2], [1, 1])).toBe('toward-treble');
    expect(crossingOf([1, 1], [2, 2])).toBe('toward-bass');
  });

  it('the thumb does not cross, nor do fingers on one string', () => {
    expect(crossingOf([0, 1], [1, 3])).toBeUndefined();
    expect(crossingOf([2, 1], [1, 1])).toBeUndefined();
  });

  it('played backward, what is awkward stays awkward', () => {
    const place = fc.tuple(fc.integer({ min: 0, max: 3 }), fc.integer({ min: 1, max: 6 }));
    fc.assert(
      fc.property(place, place, (a, b) => {
        expect(crossingOf(a, b) === undefined).toBe(crossingOf(b, a) === undefined);
      }),
    );
  });
});

describe('measures of an order', () => {
  const { right } = planVoices(['-/8 G3/8 B3/8 E4/8 B3/8 G3/8', 'E2/2.']);
  const measures = measureOrder(right.events, right.options);

  it('count strokes, load and pivots of a plain arpeggio', () => {
    expect(measures.strokes).toBe(6);
    expect(measures.load).toEqual({ p: 1, i: 2, m: 2, a: 1 });
    expect(measures.pivots).toBe(0);
    expect(measures.crossings).toEqual([]);
    expect(measures.longestRun).toBe(6);
  });

  it('give the time of the quickest return of a finger at the tempo', () => {
    // m plays again after a: two eighths at 90 quarters a minute.
    expect(measures.fastestReturn).toBeCloseTo(2 * (60_000 / 90 / 2), 6);
  });

  it('count a finger that plays twice running in a fast line as a break', () => {
    const { events } = planVoices(['E4/16 F4/16 G4/16 A4/16']).right;
    const broken = measureOrder(events, [[1], [1], [2], [1]]);
    expect(broken.alternationBreaks).toBe(1);
    expect(broken.repeats.map(({ finger }) => finger)).toEqual(['i']);
    expect(broken.longestRun).toBe(3);
  });
});
