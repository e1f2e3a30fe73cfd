import { readMusicXml, type Score } from '@oculon/core';
import fc from 'fast-check';
import { readdirSync, readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { describe, expect, it } from 'vitest';
import { closeNotation } from '../../../e2e/close-notation.ts';
import type { SystemGeometry } from './geometry.ts';
import { timeAxis } from './time-axis.ts';

const folder = fileURLToPath(new URL('../../../../demo/studies/', import.meta.url));
const studies = readdirSync(folder)
  .filter((name) => name.endsWith('.musicxml'))
  .map((name): Score => {
    const read = readMusicXml(readFileSync(folder + name, 'utf8'));
    if (!read.ok) throw new Error(read.error.code);
    return read.value.score;
  });

/** A system as it might have been drawn: bars of given widths, notes at uneven places, chords with displaced heads. */
const drawn = (
  score: Score,
  first: number,
  widths: readonly number[],
  unevenness: number,
): SystemGeometry => {
  const bars = widths.map((width, place) => {
    const x = widths.slice(0, place).reduce((sum, each) => sum + each, 0);
    return { index: first + place, x, width, musicStart: x + (place === 0 ? 60 : 12) };
  });
  const heads = bars.flatMap(({ index, x, width, musicStart }) => {
    const bar = score.bars[index]!;
    return score.notes
      .filter((note) => note.bar === index)
      .map((note, place, all) => {
        // In a chord the second head and every other one stand beside the stem.
        const isDisplaced = all[place - 1]?.onset === note.onset;
        const share = ((note.onset - bar.start) / bar.length) ** unevenness;
        const left = musicStart + 8 + share * (x + width - musicStart - 30);
        return {
          note: note.index,
          x: left + (isDisplaced ? 4 : 0),
          width: 10,
          y: 0,
          left,
          top: 0,
          bottom: 0,
          stem: 'none' as const,
        };
      });
  });
  const width = widths.reduce((sum, each) => sum + each, 0);
  return {
    first,
    last: first + widths.length - 1,
    width,
    staffTop: 0,
    staffBottom: 40,
    inkTop: 0,
    inkBottom: 40,
    heads,
    bars,
  };
};

const systems = fc
  .record({
    study: fc.nat(studies.length - 1),
    first: fc.nat(100),
    widths: fc.array(fc.integer({ min: 150, max: 500 }), { minLength: 1, maxLength: 5 }),
    unevenness: fc.double({ min: 0.5, max: 1.5, noNaN: true }),
  })
  .map(({ study, first, widths, unevenness }) => {
    const score = studies[study]!;
    const start = first % score.bars.length;
    const geometry = drawn(score, start, widths.slice(0, score.bars.length - start), unevenness);
    return { score, geometry, axis: timeAxis(score, geometry) };
  });

describe('the axis of a system', () => {
  it('runs forward, stays in the system, and leads back to the onset it came from', () => {
    fc.assert(
      fc.property(systems, fc.double({ min: 0, max: 1, noNaN: true }), ({ axis, geometry }, share) => {
        const onset = axis.from + share * (axis.until - axis.from);
        const x = axis.xAt(onset)!;
        expect(x).toBeGreaterThanOrEqual(0);
        expect(x).toBeLessThanOrEqual(geometry.width);
        expect(axis.onsetAt(x)).toBeCloseTo(onset, 6);
        const later = Math.min(axis.until, onset + 60);
        expect(axis.xAt(later)!).toBeGreaterThanOrEqual(x);
      }),
      { numRuns: 300 },
    );
  });

  it('puts every onset on its notehead', () => {
    fc.assert(
      fc.property(systems, ({ score, geometry, axis }) => {
        for (const head of geometry.heads) {
          const x = axis.xAt(score.notes[head.note]!.onset)!;
          // The axis follows the leftmost head of a moment; the others stand within a displacement of it.
          expect(head.x + head.width / 2 - x).toBeGreaterThanOrEqual(-1e-6);
          expect(head.x + head.width / 2 - x).toBeLessThanOrEqual(4 + 1e-6);
        }
      }),
      { numRuns: 100 },
    );
  });

  it('ends a span at the barline and begins the next after it', () => {
    const score = studies.find((each) => each.bars.length > 3)!;
    const axis = timeAxis(score, drawn(score, 1, [200, 240], 1));
    const second = score.bars[2]!.start;
    expect(axis.xUntil(second)).toBe(200);
    expect(axis.xAt(second)!).toBeGreaterThan(200);
    expect(axis.onsetAt(201)).toBe(second);
    expect([axis.xAt(axis.until), axis.xUntil(axis.until)]).toEqual([440, 440]);
  });

  it('knows nothing beyond its system', () => {
    const score = studies[0]!;
    const axis = timeAxis(score, drawn(score, 1, [200], 1));
    expect([axis.xAt(axis.from - 1), axis.xAt(axis.until + 1), axis.xUntil(axis.until + 1)]).toEqual([
      undefined,
      undefined,
      undefined,
    ]);
    expect([axis.onsetAt(-50), axis.onsetAt(900)]).toEqual([axis.from, axis.until]);
  });

  it('does not stand on grace notes, which come before the moment that they belong to', () => {
    const read = readMusicXml(closeNotation());
    if (!read.ok) throw new Error(read.error.code);
    const { score } = read.value;
    const grace = score.notes.find((note) => note.grace)!;
    const main = score.notes.find(({ grace: isGrace, onset }) => !isGrace && onset === grace.onset)!;
    const geometry = drawn(score, grace.bar, [300], 0);
    const at = geometry.heads.find(({ note }) => note === main.index)!;
    const heads = geometry.heads.map((head) =>
      head.note === grace.index ? { ...head, x: at.x - 20 } : head,
    );
    expect(timeAxis(score, { ...geometry, heads }).xAt(grace.onset)).toBeCloseTo(at.x + at.width / 2);
  });
});
