import { readMusicXml, type Score } from '@oculon/core';
import { describe, expect, it } from 'vitest';
import { closeNotation } from '../../../e2e/close-notation.ts';
import { layEndings } from './endings.ts';

const read = readMusicXml(closeNotation());
if (!read.ok) throw new Error(read.error.code);
const { score } = read.value;

const WIDTH = 100;
const LAST = score.bars.length - 1;
const lay = (of: Score, first: number, last: number) =>
  layEndings(
    of,
    {
      first,
      last,
      width: (last - first + 1) * WIDTH,
      staffTop: 100,
      staffBottom: 140,
      inkTop: 80,
      inkBottom: 160,
      heads: [],
      bars: Array.from({ length: last - first + 1 }, (_, place) => ({
        index: first + place,
        x: place * WIDTH,
        width: WIDTH,
        musicStart: place * WIDTH + 10,
      })),
    },
    50,
  );

describe('endings', () => {
  it('stand over their bars with their numbers, and apart', () => {
    const signs = lay(score, LAST - 2, LAST);
    expect(signs.map(({ text, closes }) => [text, closes])).toEqual([
      ['1.', true],
      ['2.', true],
    ]);
    expect(signs[0]!.x).toBeGreaterThan(WIDTH);
    expect(signs[0]!.until).toBeLessThan(signs[1]!.x);
    expect(lay(score, 0, LAST - 2)).toEqual([]);
  });

  it('go on over several bars and systems as one bracket without another number', () => {
    const bars = score.bars.map((bar, index) =>
      index >= 4 ? { ...bar, ending: { numbers: '1', starts: index === 4, stops: index === LAST } } : bar,
    );
    const long = { ...score, bars };
    expect(lay(long, 3, 5)).toEqual([
      { x: WIDTH + 2, until: 3 * WIDTH - 2, y: 50, text: '1.', closes: false },
    ]);
    expect(lay(long, LAST - 1, LAST)).toEqual([
      { x: 2, until: 2 * WIDTH - 2, y: 50, text: '', closes: true },
    ]);
  });
});
