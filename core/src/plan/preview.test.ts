import { describe, expect, it } from 'vitest';
import { EMPTY_FINGERING } from '../fingering/fingering.ts';
import type { StringNumber } from '../instrument/guitar.ts';
import { isSameFingering } from '../review/compare.ts';
import { decide, exampleScore } from '../testing/planning.ts';
import { choicesFor } from './choices.ts';
import { planPiece, setupFor, type Plan } from './plan.ts';
import { previewOf } from './preview.ts';

const MOTIVE = 'C4/8 E4/8 D4/8 F4/8 A4/8 C5/8 A4/8 F4/8';
const score = exampleScore({ voices: [`${MOTIVE} | E4/4 G4/4 C5/4 E5/4 | ${MOTIVE}`] });
const setup = setupFor(score);

const differing = (one: Plan, other: Plan): readonly number[] =>
  other.notes.flatMap((after, index) =>
    !after.tied && !isSameFingering(one.notes[index]!, after) ? [index] : [],
  );

describe('a preview', () => {
  it('is what the plan becomes when the choice is taken, also upon other decisions', () => {
    const plan = planPiece(score, decide(score, ['D4', 0, { finger: 4 }]), setup);
    for (const note of [1, 4, 9, 10])
      for (const { string, finger } of choicesFor(plan, note).ways.slice(0, 4)) {
        const change = { string: string as StringNumber, finger };
        const preview = previewOf(plan, note, change);
        const choices = new Map(plan.fingering.choices).set(score.notes[note]!.id, change);
        const taken = planPiece(score, { ...plan.fingering, choices }, setup, { memory: plan.memory });
        expect(preview.notes.map(([index]) => index)).toEqual(differing(plan, taken));
        for (const [index, after] of preview.notes) expect(taken.notes[index]).toMatchObject(after);
        const kept = plan.shifts.filter(({ onset }) => !preview.vanishing.includes(onset));
        expect([...kept, ...preview.appearing].map(({ onset }) => onset).sort((a, b) => a - b)).toEqual(
          taken.shifts.map(({ onset }) => onset),
        );
      }
  });

  it('changes nothing in the plan, and is empty for what the plan takes already', () => {
    const plan = planPiece(score, EMPTY_FINGERING, setup);
    const before = structuredClone(plan.notes);
    const { string, finger } = plan.left.choices[2]!;
    expect(previewOf(plan, 2, { string: string as StringNumber, finger })).toMatchObject({
      terms: {},
      notes: [],
      appearing: [],
      vanishing: [],
    });
    const dear = choicesFor(plan, 2).ways.at(-1)!;
    const preview = previewOf(plan, 2, { string: dear.string as StringNumber, finger: dear.finger });
    expect(preview.notes.map(([index]) => index)).toContain(2);
    expect(Object.keys(preview.terms).length).toBeGreaterThan(0);
    expect(plan.notes).toEqual(before);
  });

  it('tells of the right hand too', () => {
    const plan = planPiece(score, EMPTY_FINGERING, setup);
    const other = plan.notes[3]!.pluck === 'a' ? 'i' : 'a';
    const { notes, rightTerms, terms } = previewOf(plan, 3, { pluck: other });
    expect(notes.find(([index]) => index === 3)?.[1].pluck).toBe(other);
    expect(Object.keys(rightTerms).length).toBeGreaterThan(0);
    expect(terms).toEqual({});
  });
});
