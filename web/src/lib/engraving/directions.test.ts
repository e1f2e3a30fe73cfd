import { readMusicXml, type Bar, type Score } from '@oculon/core';
import { describe, expect, it } from 'vitest';
import { closeNotation } from '../../../e2e/close-notation.ts';
import { hasWordsOver, layDirections } from './directions.ts';
import type { SystemGeometry } from './geometry.ts';

const read = readMusicXml(closeNotation());
if (!read.ok) throw new Error(read.error.code);
const { score } = read.value;

/** SMuFL 1.4, W3C: segno. */
const SEGNO = '\uE047';
const WIDTH = 200;
/** Bars side by side with their notes as far apart as they are in time. */
const geometryOf = (first: number, last: number): SystemGeometry => {
  const bars = score.bars.slice(first, last + 1).map(({ index }, place) => ({
    index,
    x: place * WIDTH,
    width: WIDTH,
    musicStart: place * WIDTH + 10,
  }));
  const heads = score.notes
    .filter(({ bar }) => bar >= first && bar <= last)
    .map(({ bar, index, onset }) => {
      const { length, start } = score.bars[bar]!;
      const x = (bar - first) * WIDTH + 20 + ((onset - start) / length) * 160;
      return { note: index, x, y: 100, width: 12, left: x, top: 60, bottom: 105, stem: 'up' as const };
    });
  const width = bars.length * WIDTH;
  return { first, last, width, staffTop: 80, staffBottom: 120, inkTop: 50, inkBottom: 130, heads, bars };
};
const withBar = (index: number, change: Partial<Bar>): Score => ({
  ...score,
  directions: [],
  bars: score.bars.map((bar) => (bar.index === index ? { ...bar, ...change } : bar)),
});
const lay = (of: Score, first: number, last: number) =>
  layDirections(of, geometryOf(first, last), () => false);

describe('directions', () => {
  it('that come after the last note of a bar stand over the end of that bar, not over the next note', () => {
    const bar = score.directions.find(({ text }) => text === 'D.C. al Fine')!.bar;
    const [placed] = lay(score, bar, bar + 1);
    expect(placed).toMatchObject({ text: 'D.C. al Fine', atEnd: true });
    expect(placed!.x).toBeLessThanOrEqual(WIDTH);
  });

  it('jumps that a file tells by sound alone are printed, but not twice', () => {
    const only = withBar(0, { navigation: ['segno', 'dal-segno'] });
    expect(lay(only, 0, 0).map(({ atEnd, kind, text }) => [kind, text, atEnd])).toEqual([
      ['sign', SEGNO, false],
      ['words', 'D.S.', true],
    ]);
    const said = {
      ...only,
      directions: [{ kind: 'words', bar: 0, onset: score.bars[0]!.start, text: 'D.S. al Coda' }],
    } as const satisfies Score;
    expect(
      lay(said, 0, 0)
        .map(({ text }) => text)
        .sort(),
    ).toEqual(['D.S. al Coda', SEGNO]);
    const taken = layDirections(said, geometryOf(0, 0), ({ kind }) => kind === 'words');
    expect(taken.map(({ text }) => text)).toEqual([SEGNO]);
    expect(hasWordsOver(only, { first: 0, last: 0 })).toBe(true);
    expect(hasWordsOver(only, { first: 1, last: 1 })).toBe(false);
  });

  it('keep out of one another’s way from left to right', () => {
    const { start } = score.bars[0]!;
    const full = {
      ...score,
      directions: [
        { kind: 'words', bar: 0, onset: start, text: 'tranquillo' },
        { kind: 'tempo', bar: 0, onset: start, text: 'quarter=60' },
        { kind: 'dynamics', bar: 0, onset: start, text: 'p' },
      ],
    } as const satisfies Score;
    const [tempo, words] = lay(full, 0, 0).filter(({ kind }) => kind !== 'dynamics');
    expect([tempo!.kind, words!.kind]).toEqual(['tempo', 'words']);
    expect(words!.x).toBeGreaterThan(tempo!.x + 60);
  });
});
