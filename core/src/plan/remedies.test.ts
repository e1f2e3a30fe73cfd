import { describe, expect, it } from 'vitest';
import { EMPTY_FINGERING, type Fingering } from '../fingering/fingering.ts';
import type { Remedy } from '../fingering/vocabulary.ts';
import { pitchName } from '../music/pitch.ts';
import type { NoteIndex, Score } from '../score/score.ts';
import { decide, exampleScore, leftHand } from '../testing/planning.ts';
import { marksOf } from '../formats/plan-marks.ts';
import { planPiece, type Plan } from './plan.ts';
import { waysOut } from './remedies.ts';

const noteOf = (plan: Plan, code: string): NoteIndex => {
  const finding = plan.findings.find((each) => each.code === code)!;
  return plan.score.notes.find((note) => note.id === finding.note)!.index;
};
const take = (score: Score, note: NoteIndex, remedy: Remedy): Fingering => ({
  ...EMPTY_FINGERING,
  choices: new Map([[score.notes[note]!.id, { remedy }]]),
});

// E2 and F2 lie on ⑥ alone: a fact of the tuning.
const bothOnSixth = exampleScore({ voices: ['E2+F2/2 C4/2'] });

describe('a moment that no hand can hold', () => {
  const plan = planPiece(bothOnSixth);

  it('says why, with the notes and the string', () => {
    expect(plan.findings[0]!.message).toMatch(/E2 and F2 both need string 6/);
  });

  it('offers ways out that leave nothing unplayed, those that take least first, and applies none', () => {
    const ways = waysOut(plan, noteOf(plan, 'unplayable-note'));
    expect(ways.map(({ remedy }) => remedy)).toContain('octave-up');
    expect(ways.at(-1)!.remedy).toBe('leave-out');
    expect(ways.map(({ remedy }) => remedy)).not.toContain('octave-down');
    expect(plan.left.unplayable).toHaveLength(1);
    for (const { note, remedy } of ways) {
      const after = planPiece(bothOnSixth, take(bothOnSixth, note, remedy));
      expect(after.left.unplayable).toEqual([]);
    }
  });

  it('carries out what the teacher takes: an octave, or nothing at all', () => {
    const low = bothOnSixth.notes.find((note) => pitchName(note.sounding) === 'F2')!.index;
    const higher = planPiece(bothOnSixth, take(bothOnSixth, low, 'octave-up'));
    expect(leftHand(higher)[1]).toBe('F2 4/3:3');
    expect(marksOf(higher).has(bothOnSixth.notes[low]!.id)).toBe(false);
    const without = planPiece(bothOnSixth, take(bothOnSixth, low, 'leave-out'));
    expect(without.notes[low]!.string).toBeUndefined();
    expect(without.findings).toEqual([]);
  });
});

describe('a held note that must be cut', () => {
  const score = exampleScore({ voices: ['F2/4 G2/4 A2/2', 'E2/1'] });

  it('can be let go at once instead, which is no loss any more', () => {
    const plan = planPiece(score);
    const ways = waysOut(plan, noteOf(plan, 'held-note-cut'));
    expect(ways.length).toBeGreaterThan(0);
    const { note, remedy } = ways[0]!;
    const after = planPiece(score, take(score, note, remedy));
    expect(after.left.cut.length + after.left.unplayable.length).toBeLessThan(
      plan.left.cut.length + plan.left.unplayable.length,
    );
  });

  it('is planned alike at once and on top of an earlier plan, and taken back', () => {
    const held = exampleScore({ voices: ['E4/4 G4/4 F4/4 D4/4', 'G2/1'] });
    const first = planPiece(held);
    const short = decide(held, ['G2', 0, { remedy: 'short' }]);
    const onTop = planPiece(held, short, first.setup, { memory: first.memory });
    expect(onTop.left.cost).toBeCloseTo(planPiece(held, short, first.setup).left.cost, 9);
    expect(onTop.left.cost).toBeLessThanOrEqual(first.left.cost);
    const back = planPiece(held, EMPTY_FINGERING, first.setup, { memory: onTop.memory });
    expect(back.left.cost).toBeCloseTo(first.left.cost, 9);
  });
});
