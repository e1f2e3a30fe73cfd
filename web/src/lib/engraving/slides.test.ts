import { readMusicXml } from '@oculon/core';
import { describe, expect, it } from 'vitest';
import { closeNotation } from '../../../e2e/close-notation.ts';
import { laySlides } from './slides.ts';

const read = readMusicXml(closeNotation());
if (!read.ok) throw new Error(read.error.code);
const { score } = read.value;

describe('slides', () => {
  it('are lines from head to digit, upward to a higher note', () => {
    const to = score.notes.find(({ slideFrom }) => slideFrom !== undefined)!;
    const head = (note: number, x: number, y: number) =>
      ({ note, x, y, width: 12, left: x, top: y - 35, bottom: y + 5, stem: 'up' }) as const;
    const heads = [head(to.slideFrom!, 100, 110), head(to.index, 180, 90)];
    const geometry = { first: to.bar, last: to.bar, width: 400, staffTop: 80, staffBottom: 120 };
    const signs = laySlides(
      score,
      { ...geometry, inkTop: 50, inkBottom: 130, heads, bars: [] },
      new Map([[to.index, { x: 174 }]]),
    );
    expect(signs).toHaveLength(1);
    const [{ from, to: end }] = signs as [(typeof signs)[number]];
    expect(from[0]).toBeGreaterThan(112);
    expect(end[0]).toBeLessThan(174);
    expect(end[1]).toBeLessThan(from[1]);
    expect(
      laySlides(score, { ...geometry, inkTop: 50, inkBottom: 130, heads: [heads[1]!], bars: [] }, new Map()),
    ).toEqual([]);
  });
});
