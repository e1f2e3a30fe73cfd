import { describe, expect, it } from 'vitest';
import { applyEdits, chooseEdit } from '../fingering/edits.ts';
import { EMPTY_FINGERING } from '../fingering/fingering.ts';
import { decide, exampleScore } from '../testing/planning.ts';
import { carriedChoices, compareReturns } from './carry.ts';
import { planPiece, type Plan } from './plan.ts';

const carried = (plan: Plan): Plan => {
  const [found] = compareReturns(plan);
  const edits = carriedChoices(plan, found!).map(([id, choice]) => chooseEdit(plan.fingering, id, choice));
  return planPiece(plan.score, applyEdits(plan.fingering, edits), plan.setup);
};

describe('a passage that returns', () => {
  const voices = ['E4/4 G4/4 A4/4 G4/4 | D4/1 | E4/4 G4/4 A4/4 G4/4', 'C3/1 | G2/1 | A2/1'];

  it('over another bass is compared note by note, with what the same would cost', () => {
    const score = exampleScore({ voices });
    const first = score.notes.find(({ midi }) => midi === 64)!;
    const plan = planPiece(score, decide(score, ['E4', 0, { string: 2 }]));
    const [found] = compareReturns(plan);
    expect(found!.likeness).toEqual({ kind: 'other-bass' });
    const own = plan.notes[first.index]!;
    expect(own.string).toBe(2);
    for (const { here, there, price } of found!.differences) {
      expect([plan.left.choices[here]!.string, plan.left.choices[here]!.finger]).not.toEqual([
        plan.left.choices[there]!.string,
        plan.left.choices[there]!.finger,
      ]);
      expect(price === undefined || price >= 0).toBe(true);
    }
    expect(found!.differences.length).toBeGreaterThan(0);
    expect(compareReturns(carried(plan))[0]!.differences).toEqual([]);
  });

  it('transposed carries strings and fingers as far as the pitches lie so', () => {
    const score = exampleScore({ voices: ['F4/4 G4/4 A4/4 G4/4 | G4/4 A4/4 B4/4 A4/4'] });
    const plan = planPiece(
      score,
      decide(
        score,
        ['F4', 0, { string: 1, finger: 1 }],
        ['G4', 0, { string: 1, finger: 3 }],
        ['A4', 0, { string: 1, finger: 4 }],
        ['G4', 2, { string: 2, finger: 4 }],
      ),
    );
    const [found] = compareReturns(plan);
    expect(found!.likeness).toEqual({ kind: 'transposed', semitones: 2 });
    const after = carried(plan);
    for (const [here, there] of found!.pairs)
      expect([after.left.choices[here]!.string, after.left.choices[here]!.finger]).toEqual([
        plan.left.choices[there]!.string,
        plan.left.choices[there]!.finger,
      ]);
  });

  it('in the same rhythm carries the right hand only', () => {
    const score = exampleScore({
      voices: ['C4/4. D4/8 E4/4 F4/4 | G4/8 A4/8 G4/2 E4/4 | E4/4. C4/8 F4/4 A4/4 | B4/8 G4/8 D4/2 C4/4'],
    });
    const plan = planPiece(score, EMPTY_FINGERING);
    const [found] = compareReturns(plan);
    const choices = carriedChoices(plan, found!);
    expect(choices.length).toBe(found!.pairs.length);
    for (const [, choice] of choices) expect(Object.keys(choice)).toEqual(['pluck']);
  });
});
