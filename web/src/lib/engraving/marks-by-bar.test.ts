import { placedMarks, planPiece, proposedMarks, readMusicXml } from '@oculon/core';
import { readdirSync, readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { marksReaching } from './marks-by-bar.ts';
import { spanOfMark } from './span-signs.ts';

const STUDIES = new URL('../../../../demo/studies/', import.meta.url);

describe('marks by bar', () => {
  it.each(readdirSync(STUDIES))('of %s are those whose time reaches into the bars', (file) => {
    const read = readMusicXml(readFileSync(new URL(file, STUDIES), 'utf8'));
    if (!read.ok) throw new Error(read.error.code);
    const { score } = read.value;
    const marks = placedMarks(proposedMarks(planPiece(score)), new Map(), new Map());
    expect(marks.length).toBeGreaterThan(0);
    for (let first = 0; first < score.bars.length; first += 3) {
      const last = Math.min(first + 2, score.bars.length - 1);
      const [from, to] = [score.bars[first]!, score.bars[last]!];
      const wanted = marks.filter((mark) => {
        const span = spanOfMark(score, mark)!;
        return span.onset < to.start + to.length && span.until > from.start;
      });
      const found = marksReaching(score, marks, first, last);
      expect(found.length).toBe(wanted.length);
      expect(new Set(found)).toEqual(new Set(wanted));
    }
  });

  it('are sorted once for a list of marks', () => {
    const read = readMusicXml(readFileSync(new URL('low-meadow-dance.musicxml', STUDIES), 'utf8'));
    if (!read.ok) throw new Error(read.error.code);
    const { score } = read.value;
    let looked = 0;
    const marks = placedMarks(proposedMarks(planPiece(score)), new Map(), new Map()).map((placed) => ({
      ...placed,
      get mark() {
        looked += 1;
        return placed.mark;
      },
    }));
    marksReaching(score, marks, 0, 3);
    const once = looked;
    for (let bar = 0; bar < score.bars.length; bar += 1) marksReaching(score, marks, bar, bar);
    expect(once).toBeGreaterThan(0);
    expect(looked).toBe(once);
  });
});
