import { describe, expect, it } from 'vitest';
import { EMPTY_FINGERING, type Choice, type Fingering } from '../fingering/fingering.ts';
import { handOf } from '../left/hand/hand.ts';
import type { NoteId } from '../score/score.ts';
import { exampleScore } from '../testing/planning.ts';
import { handPoints } from './hand-points.ts';
import { choicesBeyondHand, withChoices } from './other-hand.ts';
import { planPiece, setupFor } from './plan.ts';

const score = exampleScore({
  voices: ['E4/4 G4/4 F#4/4 E4/4 | D4/4 E4/4 F#4/4 G4/4', 'C3/1 | G2/1'],
  tempo: 60,
});
const head = (bar: number, name: string, octave: number) =>
  score.notes.find(
    ({ bar: at, sounding }) => at === bar && sounding.step === name && sounding.octave === octave,
  )!;
const setup = setupFor(score);
const small = { ...setup, hand: handOf('small') };
const large = { ...setup, hand: handOf('large') };
const decided = (...choices: (readonly [NoteId, Choice])[]): Fingering =>
  withChoices(EMPTY_FINGERING, choices);

const bass = head(0, 'C', 3).id;
const high = head(0, 'G', 4).id;
/** Five frets between 1 and 4: one hand reaches them, another does not. */
const wide = decided([bass, { string: 5, finger: 1 }], [high, { string: 2, finger: 4 }]);
const stretches = (fingering: Fingering, hand: typeof setup) =>
  planPiece(score, fingering, hand).findings.filter(
    ({ code }) =>
      code === 'wide-stretch' ||
      code === 'held-note-cut' ||
      code === 'lock-not-kept' ||
      code === 'unplayable-note',
  );

describe('a teacher’s decisions for another hand', () => {
  it('are left to the planner where this hand cannot do them, and stay everywhere else', () => {
    const fingering = withChoices(wide, [[head(1, 'D', 4).id, { string: 2, finger: 4 }]]);
    expect(stretches(fingering, small).length).toBeGreaterThan(0);
    const changes = choicesBeyondHand(score, fingering, small);
    expect(changes.length).toBeGreaterThan(0);
    expect(changes.map(([id]) => id)).not.toContain(head(1, 'D', 4).id);
    const adapted = withChoices(fingering, changes);
    expect(stretches(adapted, small)).toEqual([]);
    const plan = planPiece(score, adapted, small);
    expect(plan.notes[head(1, 'D', 4).index]).toMatchObject({ string: 2, finger: 4 });
  });

  it('all stay where the hand can do them', () => {
    const fingering = decided([head(1, 'D', 4).id, { string: 2, finger: 4 }]);
    expect(choicesBeyondHand(score, fingering, large)).toEqual([]);
  });

  it('are not given up where that would not help', () => {
    const alone = exampleScore({ voices: ['A4/1', 'F2/1'], tempo: 60 });
    const none = choicesBeyondHand(alone, decided([alone.notes[1]!.id, { finger: 1 }]), {
      ...setupFor(alone),
      hand: handOf('small'),
    });
    expect(none).toEqual([]);
  });
});

describe('what differs for another hand', () => {
  it('is told point by point with the reason, and each can be fixed either way', () => {
    const there = planPiece(score, wide, large);
    const adapted = withChoices(wide, choicesBeyondHand(score, wide, small));
    const here = planPiece(score, adapted, small);
    const points = handPoints(here, there);
    expect(points.length).toBeGreaterThan(0);
    const first = points[0]!;
    expect(first.why.kind).toMatch(/stretch|cannot/);
    expect(first.isFixed).toBe(false);

    const accepted = planPiece(score, withChoices(adapted, first.asHere), small);
    expect(accepted.notes.map(({ string, finger }) => [string, finger])).toEqual(
      here.notes.map(({ string, finger }) => [string, finger]),
    );
    expect(handPoints(accepted, there)[0]!.isFixed).toBe(true);

    const declined = planPiece(score, withChoices(adapted, first.asThere), small);
    for (const [id, choice] of first.asThere)
      expect(declined.notes.find((each) => each.id === id)).toMatchObject(choice);
  });

  it('is nothing between equal versions', () => {
    const plan = planPiece(score, EMPTY_FINGERING, setup);
    expect(handPoints(plan, plan)).toEqual([]);
  });
});
