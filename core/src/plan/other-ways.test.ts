import { describe, expect, it } from 'vitest';
import { planVoices } from '../testing/planning.ts';
import { otherWays } from './other-ways.ts';

const PASSAGE = { from: 1, to: 1 };
// A line that lies in first position and, higher up, on thicker strings: common practice, no published source.
const LINE = ['C3/8 D3/8 E3/8 F3/8 | E4/8 D4/8 C4/8 B3/8 | A3/8 G3/8 F3/8 E3/8'];

describe('other ways', () => {
  it('are truly different, dearer than the plan, and cheapest first', () => {
    const plan = planVoices(LINE);
    const ways = otherWays(plan, PASSAGE, { hold: false });
    expect(ways.length).toBeGreaterThanOrEqual(2);
    expect(ways.length).toBeLessThanOrEqual(5);
    const prices = ways.map((way) => way.price);
    expect(prices).toEqual(prices.toSorted((a, b) => a - b));
    for (const way of ways) {
      expect(way.price).toBeGreaterThanOrEqual(-1e-9);
      expect(way.changed.length).toBeGreaterThan(0);
    }
    const strings = ways.map(({ plan: { choices } }) =>
      choices.map((choice) => `${choice?.string}${choice?.finger}`).join(),
    );
    expect(new Set(strings).size).toBe(ways.length);
  });

  it('account for their price term by term', () => {
    const plan = planVoices(LINE);
    for (const { price, terms } of otherWays(plan, PASSAGE, { hold: false })) {
      const sum = Object.values(terms).reduce((total, each) => total + each, 0);
      expect(sum).toBeCloseTo(price, 1);
    }
  });

  it('leave everything outside as it is when asked to hold it, and cost no less for it', () => {
    const plan = planVoices(LINE);
    const free = otherWays(plan, PASSAGE, { hold: false });
    const held = otherWays(plan, PASSAGE, { hold: true });
    for (const way of held)
      way.plan.choices.forEach((choice, sound) => {
        if (plan.left.sounds[sound]!.bar === 1) return;
        expect([choice!.string, choice!.finger]).toEqual([
          plan.left.choices[sound]!.string,
          plan.left.choices[sound]!.finger,
        ]);
      });
    expect(held[0]!.price).toBeGreaterThanOrEqual(free[0]!.price - 1e-9);
  });

  it('say where they come back to the plan', () => {
    const plan = planVoices(LINE);
    const [way] = otherWays(plan, PASSAGE, { hold: true });
    const secondBar = plan.left.sounds.find(({ bar }) => bar === 1)!.onset;
    expect(way!.rejoins).toBeGreaterThan(secondBar);
  });

  it('are found for a passage that comes back, too', () => {
    const motive = 'C4/8 E4/8 D4/8 F4/8 E4/8 D4/8 C4/8 D4/8';
    const plan = planVoices([`${motive} | E4/4 G4/4 F4/4 E4/4 | ${motive}`]);
    expect(otherWays(plan, { from: 2, to: 2 }, { hold: false }).length).toBeGreaterThan(0);
  });
});
