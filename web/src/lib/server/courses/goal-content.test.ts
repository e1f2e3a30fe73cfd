import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { describe, expect, it } from 'vitest';
import { CUT_FOR, DRILLS_FOR, WARM_UP_FOR } from '@oculon/core';
import { sheetOf } from '../../practising/goal-sheets.ts';
import { goalContent, type GoalContent, type GoalWork } from './goal-content.ts';

const study = (name: string): Uint8Array =>
  new Uint8Array(
    readFileSync(fileURLToPath(new URL(`../../../../../demo/studies/${name}.musicxml`, import.meta.url))),
  );
const work = (name: string, change: Partial<GoalWork> = {}): GoalWork => ({
  source: study(name),
  part: undefined,
  edits: [],
  title: 'A study',
  composer: 'Nobody',
  setup: undefined,
  tempo: undefined,
  language: 'en',
  noteNames: 'letters',
  ...change,
});
const made = (name: string, change: Partial<GoalWork> = {}): GoalContent => goalContent(work(name, change))!;

describe('what a student practises of a version', () => {
  it.each(['one-thread', 'paper-kites', 'salt-lanterns'])(
    'is there for every drill of every spot, and sounds: %s',
    (name) => {
      const { practised, sheets } = made(name);
      expect(practised.spots.length).toBeGreaterThan(0);
      expect(practised.labels).toHaveLength(16);
      for (const { spot, ladder, drills } of practised.spots) {
        expect(practised.bars[spot.id]).toMatch(/^\d+(–\d+)?$/);
        expect(ladder.rungs.at(-1)).toBe(practised.target);
        const own = { goal: 'g', spot: spot.id, minutes: 3 };
        const steps = [
          ...drills.map((drill) => ({ ...own, kind: 'drill' as const, drill, tempo: 60 })),
          { ...own, kind: 'climb' as const, rung: 0, toward: 0, why: 'new' as const, again: false },
        ];
        for (const step of steps) {
          const sheet = sheetOf(step, sheets)!;
          expect(sheet.notes).toHaveLength(sheet.score.notes.length);
          expect(sheet.score.tempi[0]!.quartersPerMinute).toBe(practised.target);
          expect(sheet.sounds.planned.events.length).toBeGreaterThan(0);
        }
        // Nothing is offered that has no notes, and all that has notes is.
        for (const drill of DRILLS_FOR[spot.kind])
          expect(drills.includes(drill)).toBe(sheets.spots[spot.id]![CUT_FOR[drill]] !== undefined);
        const warmUp = WARM_UP_FOR[spot.kind];
        const step = { kind: 'warm-up' as const, minutes: 3, drill: warmUp, goal: undefined };
        expect(sheetOf(step, sheets)!.notes.length).toBeGreaterThan(0);
      }
      expect(sheetOf({ kind: 'piece', minutes: 5, goal: 'g' }, sheets)!.title).toBe('A study');
    },
  );

  it('has the tempo that the teacher wants of it, and ladders that lead there', () => {
    const own = made('one-thread');
    const slower = made('one-thread', { tempo: own.practised.target - 20 });
    expect(slower.practised.target).toBe(own.practised.target - 20);
    for (const { ladder } of slower.practised.spots)
      expect(ladder.rungs.at(-1)).toBe(slower.practised.target);
    expect(slower.sheets.piece.sounds.planned.length).toBeGreaterThan(own.sheets.piece.sounds.planned.length);
  });

  it('is named in the student’s language', () => {
    const { practised, sheets } = made('one-thread', { language: 'es', noteNames: 'solfege' });
    const [first] = practised.spots;
    const drills = Object.values(sheets.spots[first!.spot.id]!);
    for (const { title } of drills) expect(title).toMatch(/, comp(ás|ases) /);
  });

  it('is planned for another hand, with what was decided where it can', () => {
    const small = made('salt-lanterns', { setup: { hand: 'small' } });
    const medium = made('salt-lanterns');
    expect(small.sheets.piece.notes).toHaveLength(medium.sheets.piece.notes.length);
    expect(small.sheets.piece.notes).not.toEqual(medium.sheets.piece.notes);
  });

  it('is none where the file is no score any more', () => {
    expect(goalContent(work('one-thread', { source: new Uint8Array([1, 2, 3]) }))).toBeUndefined();
  });
});
