import {
  applyEdits,
  chooseEdit,
  EMPTY_FINGERING,
  planDeciding,
  planPiece,
  readMusicXml,
  setupFor,
} from '@oculon/core';
import { describe, expect, it } from 'vitest';
import { exampleXml } from '../../../../core/src/testing/notation.ts';
import { PlansAhead } from './plans-ahead.ts';

const read = readMusicXml(exampleXml({ voices: ['E4/4 F4/4 G4/4 A4/4'] }));
if (!read.ok) throw new Error(read.error.code);
const { score } = read.value;
const setup = setupFor(score);
const plan = planPiece(score, EMPTY_FINGERING, setup);
const id = (note: number) => score.notes[note]!.id;

describe('plans ahead', () => {
  it('are found under the decision that makes them, whatever the order in which it was made', () => {
    const ahead = new PlansAhead();
    const first = applyEdits(EMPTY_FINGERING, [chooseEdit(EMPTY_FINGERING, id(1), { finger: 2 })]);
    const under = planPiece(score, first, setup, { memory: plan.memory });
    const made = planDeciding(under, 3, { finger: 4, string: 1 });
    ahead.keep(made);
    const second = applyEdits(EMPTY_FINGERING, [
      chooseEdit(EMPTY_FINGERING, id(3), { string: 1, finger: 4 }),
    ]);
    const both = applyEdits(second, [chooseEdit(second, id(1), { finger: 2 })]);
    expect(ahead.find(both, setup)).toBe(made);
    expect(ahead.find(second, setup)).toBeUndefined();
    // As planning it then would.
    expect(made.notes).toEqual(planPiece(score, both, setup).notes);
  });

  it('are not those of another hand, and can be forgotten', () => {
    const ahead = new PlansAhead();
    const made = planDeciding(plan, 1, { finger: 2 });
    ahead.keep(made);
    expect(ahead.find(made.fingering, { ...setup })).toBeUndefined();
    ahead.clear();
    expect(ahead.find(made.fingering, setup)).toBeUndefined();
  });

  it('are kept a few at a time, the oldest given up first', () => {
    const ahead = new PlansAhead();
    const made = [1, 2, 3, 4].flatMap((finger) =>
      [0, 1, 2, 3].flatMap((note) =>
        (['p', 'i', 'm', 'a'] as const).map((pluck) =>
          planDeciding(plan, note, { finger: finger as 1 | 2 | 3 | 4, pluck }),
        ),
      ),
    );
    for (const each of made) ahead.keep(each);
    expect(ahead.find(made.at(-1)!.fingering, setup)).toBe(made.at(-1));
    expect(ahead.find(made[0]!.fingering, setup)).toBeUndefined();
  });

  it('are not made of pieces too long to keep them', () => {
    const ahead = new PlansAhead();
    expect(ahead.keeps(plan)).toBe(true);
    const notes = Array.from({ length: 3001 }, () => score.notes[0]!);
    expect(ahead.keeps({ score: { ...score, notes } })).toBe(false);
  });
});
