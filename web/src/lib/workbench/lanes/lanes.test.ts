import { planPiece, readMusicXml } from '@oculon/core';
import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { describe, expect, it } from 'vitest';
import { headsAt, type SystemGeometry } from '../../engraving/geometry.ts';
import { timeAxis } from '../../engraving/time-axis.ts';
import { handCourse } from './hand-course.ts';
import { layHandLane } from './hand-lane.ts';
import { LANE_HEIGHTS } from './lane.ts';
import { layPluckLane } from './pluck-lane.ts';
import { layRingingLane } from './ringing-lane.ts';

const path = fileURLToPath(new URL('../../../../../demo/studies/salt-lanterns.musicxml', import.meta.url));
const read = readMusicXml(readFileSync(path, 'utf8'));
if (!read.ok) throw new Error(read.error.code);
const { score } = read.value;
const planned = planPiece(score);
const plan = {
  positions: planned.left.hands.map(({ slice, position, lying, flat }) => ({
    onset: slice.onset,
    position,
    lying,
    flat,
  })),
  barres: planned.barres,
  shifts: planned.shifts,
  soundings: planned.performance.soundings,
  damping: planned.damping,
  heads: planned.left.sounds.map(({ head }) => head),
};

const BAR = 160;
/** A system of bars of one width, its heads where even time puts them. */
const system = (first: number, last: number): SystemGeometry => {
  const bars = score.bars
    .slice(first, last + 1)
    .map(({ index }, place) => ({ index, x: place * BAR, width: BAR, musicStart: place * BAR + 20 }));
  const heads = score.notes
    .filter(({ bar }) => bar >= first && bar <= last)
    .map(({ index: note, bar, onset }) => {
      const own = score.bars[bar]!;
      const x = (bar - first) * BAR + 20 + ((onset - own.start) / own.length) * (BAR - 20);
      return { note, x, y: 50, width: 0, left: x, top: 40, bottom: 60, stem: 'up' as const };
    });
  const width = bars.length * BAR;
  return { first, last, width, staffTop: 0, staffBottom: 40, inkTop: 0, inkBottom: 60, heads, bars };
};
const SYSTEMS = [system(0, 4), system(5, 9), system(10, 15)];

describe('the lane of the hand', () => {
  const course = handCourse(plan);

  it('holds every shift of the piece once, from the position before to the one after', () => {
    const strokes = SYSTEMS.flatMap(
      (geometry) => layHandLane(timeAxis(score, geometry), plan, course).shifts,
    );
    expect(strokes.map(({ onset, positions }) => [onset, ...positions])).toEqual(
      planned.shifts.map(({ onset, from, to }) => [onset, from, to]),
    );
  });

  it('shows a position at every note that is stopped, within its height, and barres over their time', () => {
    for (const geometry of SYSTEMS) {
      const axis = timeAxis(score, geometry);
      const { bands, barres } = layHandLane(axis, plan, course);
      for (const { y, height, x, width } of [...bands, ...barres]) {
        expect(y).toBeGreaterThanOrEqual(0);
        expect(y + height).toBeLessThanOrEqual(LANE_HEIGHTS.hand);
        expect(x).toBeGreaterThanOrEqual(-6);
        expect(x + width).toBeLessThanOrEqual(geometry.width + 12);
      }
      for (const { onset, position } of plan.positions) {
        const x = onset >= axis.from && onset < axis.until ? axis.xAt(onset) : undefined;
        if (x === undefined || position === 0) continue;
        const here = bands.filter((band) => band.x <= x && band.x + band.width >= x);
        expect(here.map((band) => band.position)).toContain(position);
      }
      const touching = plan.barres.filter(({ onset, until }) => onset < axis.until && until > axis.from);
      expect(barres.map(({ fret }) => fret)).toEqual(touching.map(({ fret }) => fret));
    }
  });

  it('shows a finger as held exactly where it keeps its place from one note to the next', () => {
    for (const geometry of SYSTEMS) {
      const axis = timeAxis(score, geometry);
      const { held } = layHandLane(axis, plan, course);
      const places = (slice: number, finger: number): string =>
        (plan.positions[slice]?.lying ?? [])
          .filter((each) => each.finger === finger && each.sounding)
          .map(({ string, fret }) => `${string}/${fret}`)
          .join();
      for (const [slice, { onset }] of plan.positions.entries()) {
        const next = plan.positions[slice + 1];
        if (!next || onset < axis.from || next.onset >= axis.until) continue;
        const [from, to] = [axis.xAt(onset)!, axis.xAt(next.onset)!];
        const shown = held.filter(({ x, until }) => x <= from && until >= to).map(({ finger }) => finger);
        const kept = [1, 2, 3, 4].filter(
          (finger) => places(slice, finger) !== '' && places(slice, finger) === places(slice + 1, finger),
        );
        expect(shown).toEqual(kept);
      }
    }
  });

  it('looks at its own system only: the way through the piece is found once', () => {
    let reads = 0;
    const positions = new Proxy(plan.positions, {
      get: (target, key) => {
        if (typeof key === 'string' && /^\d+$/.test(key)) reads += 1;
        return Reflect.get(target, key) as unknown;
      },
    });
    const { shifts } = layHandLane(timeAxis(score, SYSTEMS[2]!), { ...plan, positions }, course);
    expect(reads).toBeLessThanOrEqual(shifts.length);
  });
});

it('the lane of plucking has a dot for each stroke, in the row of its finger', () => {
  for (const geometry of SYSTEMS) {
    const { dots, rows } = layPluckLane(score, geometry, planned.notes);
    const struck = geometry.heads.filter(({ note }) => planned.notes[note]!.pluck);
    expect(dots).toHaveLength(struck.length);
    for (const { note, letter, y } of dots) {
      expect(letter).toBe(planned.notes[note]!.pluck);
      expect(y).toBe(rows.find((row) => row.letter === letter)!.y);
    }
  }
});

it('the lane of plucking tells the same finger twice running, and a hand that crosses', () => {
  const notes = planned.notes.map((note) => ({ ...note, pluck: undefined as string | undefined, string: 1 }));
  const inBar = score.notes.filter(({ bar, voice }) => bar === 0 && voice === score.notes[0]!.voice);
  const [one, two, three] = inBar.map(({ index }) => index);
  notes[one!] = { ...notes[one!]!, pluck: 'm', string: 1 };
  notes[two!] = { ...notes[two!]!, pluck: 'm', string: 2 };
  notes[three!] = { ...notes[three!]!, pluck: 'i', string: 1 };
  const { dots, steps } = layPluckLane(score, system(0, 0), notes);
  expect(dots.map(({ repeats }) => repeats)).toEqual([false, true, false]);
  // From m to m nothing crosses; i, which lies nearer the bass, then plucks the higher string.
  expect(steps.map(({ crosses }) => crosses)).toEqual([false, true]);
});

it('the lane of plucking takes a grace note before the note that it leads to, as a stroke of its own', () => {
  const inBar = score.notes.filter(({ bar, voice }) => bar === 0 && voice === score.notes[0]!.voice);
  const [grace, main] = inBar.slice(1, 3).map(({ index }) => index);
  const { onset } = score.notes[main!]!;
  const led = {
    ...score,
    notes: score.notes.map((note) => (note.index === grace ? { ...note, grace: true, onset } : note)),
  };
  const notes = planned.notes.map((note) => ({ ...note, pluck: undefined as string | undefined, string: 1 }));
  notes[grace!] = { ...notes[grace!]!, pluck: 'i', string: 2 };
  notes[main!] = { ...notes[main!]!, pluck: 'm', string: 1 };
  const geometry = system(0, 0);
  const { dots, steps } = layPluckLane(led, geometry, notes);
  expect(dots.map(({ note }) => note)).toEqual([grace, main]);
  expect(steps).toHaveLength(1);
  expect(headsAt(led, geometry, onset).map(({ note }) => note)).not.toContain(grace);
  expect(headsAt(led, geometry, onset).map(({ note }) => note)).toContain(main);
});

it('the lane of ringing draws each sound from its stroke to where it really ends, on its string', () => {
  const lines = SYSTEMS.flatMap((geometry) => layRingingLane(timeAxis(score, geometry), plan).lines);
  const begun = lines.filter(({ begins }) => begins);
  expect(begun.map(({ onset, string }) => [onset, string])).toEqual(
    plan.soundings.map(({ from, string }) => [from, string]),
  );
  for (const { x, written, until } of lines) {
    expect(written).toBeGreaterThanOrEqual(x - 1e-9);
    expect(until).toBeGreaterThanOrEqual(written);
  }
  const marks = SYSTEMS.flatMap((geometry) => layRingingLane(timeAxis(score, geometry), plan).damping);
  expect(marks.map(({ string }) => string)).toEqual(plan.damping.map(({ string }) => string));
});
