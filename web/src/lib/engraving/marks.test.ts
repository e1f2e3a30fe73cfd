import {
  noteById,
  placedMarks,
  planPiece,
  proposedMarks,
  readMusicXml,
  type PlacedMark,
  type Plan,
} from '@oculon/core';
import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { describe, expect, it } from 'vitest';
import type { HeadBox, SystemGeometry } from './geometry.ts';
import { layMarks, type Origins } from './marks.ts';

const path = fileURLToPath(new URL('../../../../demo/studies/moth-hour.musicxml', import.meta.url));
const read = readMusicXml(readFileSync(path, 'utf8'));
if (!read.ok) throw new Error(read.error.code);
const { score } = read.value;
const plan: Plan = planPiece(score);
const proposed = placedMarks(proposedMarks(plan), new Map(), new Map());

/** A system as if engraved: time runs to the right, pitch upward. */
const geometryOf = (first: number, last: number): SystemGeometry => {
  const start = score.bars[first]!.start;
  const heads = score.notes
    .filter((note) => note.bar >= first && note.bar <= last)
    .map((note): HeadBox => {
      const x = 60 + ((note.onset - start) / score.ticksPerQuarter) * 200;
      const y = 300 - note.midi * 3;
      return { note: note.index, x, y, width: 12, left: x, top: y - 35, bottom: y + 5, stem: 'up' };
    });
  return {
    first,
    last,
    width: 900,
    staffTop: 100,
    staffBottom: 140,
    inkTop: Math.min(...heads.map((head) => head.top)),
    inkBottom: Math.max(...heads.map((head) => head.bottom)),
    heads,
    bars: [{ index: first, x: 0, width: 900, musicStart: 50 }],
  };
};
const planned: Origins = () => 'planned';
const lay = (
  geometry: SystemGeometry,
  origin: Origins = planned,
  everyString = false,
  marks: readonly PlacedMark[] = proposed,
) => layMarks(score, geometry, plan.notes, marks, origin, { everyString });

describe('marks on a system', () => {
  it('give every struck note its finger and its pluck, left of and below the music', () => {
    const geometry = geometryOf(0, 0);
    const marks = lay(geometry);
    expect(marks.fingers).toHaveLength(geometry.heads.length);
    expect(marks.plucks).toHaveLength(geometry.heads.length);
    for (const mark of marks.fingers)
      expect(mark.x).toBeLessThan(geometry.heads.find((head) => head.note === mark.note)!.left);
    for (const mark of marks.plucks) expect(mark.y).toBeGreaterThan(geometry.inkBottom);
  });

  it('show strings only where a reader would not expect them, or all on request', () => {
    expect(lay(geometryOf(0, 0)).strings).toEqual([]);
    expect(lay(geometryOf(0, 0), planned, true).strings).toHaveLength(geometryOf(0, 0).heads.length);
    expect(lay(geometryOf(8, 8)).strings.length).toBeGreaterThan(0);
    const decided: Origins = (note, field) => (note === 0 && field === 'string' ? 'teacher' : 'planned');
    expect(lay(geometryOf(0, 0), decided).strings.map((mark) => [mark.note, mark.origin])).toEqual([
      [0, 'teacher'],
    ]);
  });

  it('stand in rows that do not touch, within the height they ask for', () => {
    for (let bar = 0; bar < score.bars.length; bar += 1) {
      const geometry = geometryOf(bar, bar);
      const marks = lay(geometry);
      for (const mark of [...marks.fingers, ...marks.strings, ...marks.plucks]) {
        expect(mark.y).toBeGreaterThan(marks.top);
        expect(mark.y).toBeLessThan(marks.bottom);
      }
      for (const span of marks.spans) expect(span.y).toBeLessThan(geometry.inkTop);
      for (const one of marks.spans)
        for (const other of marks.spans)
          if (one.id !== other.id && one.y === other.y)
            expect(one.until < other.x || other.until < one.x).toBe(true);
    }
  });

  it('name a new position where the hand arrives, unless a barre tells it', () => {
    const named = proposed.flatMap(({ mark }) =>
      mark.kind === 'position' ? [noteById(score, mark.from)!.onset] : [],
    );
    const untold = plan.shifts.filter(({ onset }) => named.every((each) => each !== onset));
    expect(untold.length).toBeGreaterThan(0);
    for (const { onset, to } of untold) {
      const { bar } = score.notes.find((note) => note.onset === onset)!;
      const isTold = plan.barres.some(
        (barre) =>
          barre.finger === 1 &&
          barre.fret === to &&
          barre.until > onset &&
          barre.onset < score.bars[bar]!.start + score.bars[bar]!.length,
      );
      expect(isTold).toBe(true);
    }
    const drawn = score.bars.flatMap((bar) =>
      lay(geometryOf(bar.index, bar.index)).spans.filter(({ id }) => id.startsWith('position@')),
    );
    expect(drawn).toHaveLength(named.length);
  });

  it('say a string once for a run along it', () => {
    const geometry = geometryOf(8, 8);
    const { strings } = lay(geometry);
    expect(strings.length).toBeLessThan(
      geometry.heads.filter(({ note }) => (plan.notes[note]!.fret ?? 0) > 4).length / 2,
    );
  });

  it('letters of heads that nearly meet stand under one another, wherever on the page', () => {
    for (const shift of [0, 3, 6, 9, 12]) {
      const geometry = geometryOf(0, 0);
      const [one, other] = geometry.heads;
      const heads = [
        { ...one!, x: 100 + shift },
        { ...other!, x: 105 + shift },
      ];
      const { plucks } = lay({ ...geometry, heads });
      expect(new Set(plucks.map(({ y }) => y)).size).toBe(2);
    }
  });

  it('strings of one moment stand beyond the stems of all voices; a bass without a stem has its own below', () => {
    const geometry = geometryOf(0, 0);
    const [one, other] = geometry.heads;
    const heads: readonly HeadBox[] = [
      { ...one!, x: 100, y: 110, top: 105, bottom: 145, stem: 'down' },
      { ...other!, x: 103, y: 150, top: 145, bottom: 158, stem: 'none' },
    ];
    const { strings } = lay({ ...geometry, heads }, planned, true);
    expect(strings).toHaveLength(2);
    for (const { y } of strings) expect(y).toBeGreaterThan(158);
    expect(strings[0]!.y).not.toBe(strings[1]!.y);
  });
});
