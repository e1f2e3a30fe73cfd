import { readdirSync, readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { readMusicXml } from '../formats/musicxml/read.ts';
import type { Score } from '../score/score.ts';
import { exampleScore, planVoices } from '../testing/planning.ts';
import { essentialMarks, onlyThese } from './essential.ts';
import { planPiece, setupFor } from './plan.ts';

const STUDIES = fileURLToPath(new URL('../../../demo/studies/', import.meta.url));

/** How many marks are left, after making sure that the whole fingering follows from them. */
const reconstructs = (score: Score): { readonly marks: number; readonly all: number } => {
  const plan = planPiece(score);
  const marks = essentialMarks(plan);
  const again = planPiece(score, onlyThese(plan, marks), setupFor(score));
  const told = (of: typeof plan) => of.notes.map(({ string, finger, pluck }) => [string, finger, pluck]);
  expect(told(again)).toEqual(told(plan));
  const count = [...marks.values()].reduce(
    (sum, { finger, string, pluck }) => sum + Number(finger) + Number(string) + Number(pluck),
    0,
  );
  return { marks: count, all: 3 * plan.notes.filter((note) => !note.tied).length };
};

describe('essential marks', () => {
  it.each(readdirSync(STUDIES))(
    'give the whole fingering of %s back',
    (file) => {
      const read = readMusicXml(readFileSync(`${STUDIES}${file}`, 'utf8'));
      if (!read.ok) throw new Error(read.error.code);
      const { marks, all } = reconstructs(read.value.score);
      expect(marks).toBeLessThan(all / 2);
    },
    60_000,
  );

  it('do so for generated pieces', () => {
    const pitch = fc.constantFrom(
      'E2',
      'A2',
      'C3',
      'E3',
      'G3',
      'A3',
      'C4',
      'D4',
      'E4',
      'F4',
      'G4',
      'A4',
      'C5',
    );
    const note = fc.tuple(pitch, fc.constantFrom('4', '8'));
    fc.assert(
      fc.property(fc.array(note, { minLength: 4, maxLength: 16 }), (notes) => {
        reconstructs(exampleScore({ voices: [notes.map((each) => each.join('/')).join(' ')], tempo: 90 }));
      }),
      { numRuns: 25 },
    );
  }, 60_000);

  it('leave out what follows from the position, and name the shift', () => {
    const plan = planVoices(['C4/4 D4/4 E4/4 F4/4 | G4/4 A4/4 B4/4 C5/4 | D5/1']);
    const marks = essentialMarks(plan);
    expect(marks.size).toBeLessThan(plan.notes.length);
    expect(plan.shifts.length).toBeGreaterThan(0);
    for (const { onset } of plan.shifts) {
      const note = plan.score.notes.find((each) => each.onset === onset)!;
      expect(marks.get(note.index)?.finger).toBe(true);
    }
  });
});
