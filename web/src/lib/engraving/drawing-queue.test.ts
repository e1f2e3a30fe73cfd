import { afterEach, expect, it, vi } from 'vitest';
import { DrawingQueue, type DrawingJob } from './drawing-queue.ts';

afterEach(() => {
  vi.useRealTimers();
});

const queueOf = () => {
  const drawn: string[] = [];
  const queue = new DrawingQueue(() => drawn.push('caught up'));
  const job = (name: string, { isNear = true, ...rest }: { isNear?: boolean; isAddition?: boolean } = {}) => {
    const added: DrawingJob = {
      isNear: () => isNear,
      draw: () => Promise.resolve(void drawn.push(name)),
      failed: () => drawn.push(`${name} failed`),
      ...rest,
    };
    return queue.add(added);
  };
  return { queue, drawn, job };
};

it('draws the systems near the window first, then what is added to them, and the others when there is time', async () => {
  vi.useFakeTimers();
  const { drawn, job } = queueOf();
  job('far', { isNear: false });
  job('lane', { isAddition: true });
  job('first');
  job('second');
  await vi.runAllTimersAsync();
  expect(drawn.filter((each) => each !== 'caught up')).toEqual(['first', 'second', 'lane', 'far']);
  expect(drawn.indexOf('caught up')).toBe(2);
});

it('goes on when a system cannot be drawn, and forgets what was taken out', async () => {
  vi.useFakeTimers();
  const { queue, drawn, job } = queueOf();
  queue.add({
    isNear: () => true,
    draw: () => Promise.reject(new Error('no room')),
    failed: () => drawn.push('told'),
  });
  const leave = job('gone');
  job('second');
  leave();
  await vi.runAllTimersAsync();
  expect(drawn.filter((each) => each !== 'caught up')).toEqual(['told', 'second']);
});

it('draws what is far away several at a time once it is hurried', async () => {
  vi.useFakeTimers();
  const { queue, drawn, job } = queueOf();
  queue.hurry();
  for (const name of ['first', 'second', 'third']) job(name, { isNear: false });
  await vi.advanceTimersByTimeAsync(0);
  expect(drawn.filter((each) => each !== 'caught up')).toEqual(['first', 'second', 'third']);
});
