import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { summable } from './summable.ts';

const cost = fc.double({ min: 0, max: 40, noNaN: true });

describe('a cost that is summed', () => {
  it('is no less than it was, and no more than anyone could feel', () => {
    fc.assert(
      fc.property(cost, (amount) => {
        expect(summable(amount)).toBeGreaterThanOrEqual(amount);
        expect(summable(amount) - amount).toBeLessThan(1e-7);
      }),
    );
  });

  it('comes to the same sum in whatever order, and wherever the summing begins', () => {
    fc.assert(
      fc.property(fc.array(cost, { maxLength: 400 }), cost, (amounts, before) => {
        const sum = (costs: readonly number[], begin: number) =>
          costs.reduce((all, each) => all + each, begin);
        const costs = amounts.map(summable);
        const begun = summable(before);
        expect(sum(costs, begun) - begun).toBe(sum(costs.toReversed(), 0));
      }),
    );
  });
});
