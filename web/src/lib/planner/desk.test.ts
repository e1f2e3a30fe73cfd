import type { Steps } from '@oculon/core';
import { describe, expect, it } from 'vitest';
import { Desk } from './desk.ts';

/** Work of many short steps; counts how many were done. */
const long = (count: { done: number }, steps = 10_000) =>
  function* (): Steps<string> {
    for (let step = 0; step < steps; step += 1) {
      const until = performance.now() + 1;
      while (performance.now() < until);
      count.done += 1;
      yield;
    }
    return 'all of it';
  };

describe('questions about plans', () => {
  it('are answered with the plan they are about', async () => {
    const desk = new Desk();
    const plan = desk.lay();
    expect(await desk.answer(plan, 1, () => 7)).toEqual({ kind: 'answer', plan, value: 7 });
    expect(await desk.answer(plan, 2, long({ done: 0 }, 3))).toEqual({
      kind: 'answer',
      plan,
      value: 'all of it',
    });
  });

  it('about a plan that is not the latest are not worked on', async () => {
    const desk = new Desk();
    const plan = desk.lay();
    desk.lay();
    let isAsked = false;
    expect(await desk.answer(plan, 1, () => (isAsked = true))).toEqual({ kind: 'outdated' });
    expect(isAsked).toBe(false);
  });

  it('are left off in the midst when another plan is made', async () => {
    const desk = new Desk();
    const count = { done: 0 };
    const asked = desk.answer(desk.lay(), 1, long(count));
    setTimeout(() => desk.lay(), 60);
    expect(await asked).toEqual({ kind: 'outdated' });
    expect(count.done).toBeLessThan(5000);
  });

  it('can be taken back, others go on', async () => {
    const desk = new Desk();
    const plan = desk.lay();
    const count = { done: 0 };
    const asked = desk.answer(plan, 1, long(count));
    const other = desk.answer(plan, 2, long({ done: 0 }, 80));
    setTimeout(() => desk.withdraw(1), 40);
    expect(await asked).toEqual({ kind: 'outdated' });
    expect(await other).toMatchObject({ kind: 'answer' });
    // The same number may be used again.
    expect(await desk.answer(plan, 1, () => 1)).toMatchObject({ kind: 'answer' });
  });

  it('that fail say so, and do not hold up others', async () => {
    const desk = new Desk();
    const plan = desk.lay();
    await expect(
      desk.answer(plan, 1, () => {
        throw new RangeError('no such note');
      }),
    ).rejects.toThrow('no such note');
    expect(await desk.answer(plan, 2, () => 1)).toMatchObject({ kind: 'answer' });
  });
});
