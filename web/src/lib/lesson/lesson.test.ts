import { describe, expect, it } from 'vitest';
import { pageStarts } from './lesson.ts';

const blocks = (...heights: readonly (number | readonly [number])[]) =>
  heights.map((each) =>
    typeof each === 'number' ? { height: each, keepsNext: false } : { height: each[0], keepsNext: true },
  );

describe('the pages of a lesson sheet', () => {
  it('begin where the next block has no room', () => {
    expect([...pageStarts(blocks(40, 40, 40, 40, 40), 100)]).toEqual([2, 4]);
    expect([...pageStarts(blocks(100, 100), 100)]).toEqual([1]);
  });

  it('take a heading over with what it heads', () => {
    expect([...pageStarts(blocks(80, [15], 30), 100)]).toEqual([1]);
  });

  it('never lose a block, though it is higher than a page or all of them keep the next', () => {
    expect([...pageStarts(blocks(20, 300, 20), 100)]).toEqual([1, 2]);
    expect([...pageStarts(blocks([60], [60], [60]), 100)]).toEqual([1, 2]);
  });
});
