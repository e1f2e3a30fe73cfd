import { findingSaid } from '../testing/words.ts';
import { describe, expect, it } from 'vitest';
import type { PassageRule, RuleId } from '../fingering/rules.ts';
import { EMPTY_FINGERING, type Fingering } from '../fingering/fingering.ts';
import { exampleScore, leftHand } from '../testing/planning.ts';
import { planPiece, setupFor } from '../plan/plan.ts';
import type { Score } from '../score/score.ts';

const under = (...rules: readonly PassageRule[]): Fingering => ({
  ...EMPTY_FINGERING,
  rules: new Map(rules.map((rule, index) => [`rule ${index}` as RuleId, rule])),
});
const planUnder = (score: Score, ...rules: readonly PassageRule[]) =>
  planPiece(score, under(...rules), setupFor(score));

const scale = exampleScore({ voices: ['C4/8 D4/8 E4/8 F4/8 | G4/8 A4/8 B4/8 C5/8'] });

describe('a rule for a passage', () => {
  it('keeps the hand in a position', () => {
    const plan = planUnder(scale, { kind: 'position', from: 0, to: 1, position: 5 });
    expect(new Set(plan.left.hands.map((hand) => hand.position))).toEqual(new Set([5]));
    expect(plan.left.brokenRules).toEqual([]);
  });

  it('leaves out open strings, and tells where that cannot be', () => {
    const plan = planUnder(scale, { kind: 'stopped', from: 0, to: 1 });
    expect(plan.notes.every((note) => note.finger !== 0)).toBe(true);
    const low = exampleScore({ voices: ['E2/4 F2/4'] });
    const broken = planUnder(low, { kind: 'stopped', from: 0, to: 0 });
    expect(broken.left.brokenRules).toEqual([{ sound: 0, kind: 'stopped' }]);
    expect(broken.findings.map((finding) => finding.code)).toContain('rule-not-kept');
  });

  it('gives way where no hand can come into the position, and says so', () => {
    const held = exampleScore({ voices: ['A4/4 B4/4 C5/4 A4/4', 'F2/1'] });
    const plan = planUnder(held, { kind: 'position', from: 0, to: 0, position: 9 });
    expect(plan.left.unplayable).toEqual([]);
    expect(plan.left.brokenRules.map((each) => each.kind)).toContain('position');
    expect(plan.notes.every((note) => note.string !== undefined)).toBe(true);
  });

  it('speaks of its bars only', () => {
    const free = leftHand(planUnder(scale));
    const ruled = leftHand(planUnder(scale, { kind: 'stopped', from: 1, to: 1 }));
    expect(free.slice(0, 4).some((note) => note.endsWith(':0'))).toBe(true);
    expect(ruled.slice(4).every((note) => !note.endsWith(':0'))).toBe(true);
  });

  it('lets notes ring that are not inferred to, and stops those that are', () => {
    const broken = exampleScore({ voices: ['C4/8 E4/8 G4/8 C5/8'] });
    const ring = (rings: boolean) => {
      const { times } = planUnder(broken, { kind: 'ringing', from: 0, to: 0, rings }).left;
      return [...times.ring].map((until, index) => until - times.end[index]!);
    };
    expect(
      ring(true)
        .slice(0, -1)
        .every((more) => more > 0),
    ).toBe(true);
    expect(ring(false).every((more) => more === 0)).toBe(true);
  });

  it('gives the same plan whether it is set at once or on top of an earlier plan', () => {
    const first = planUnder(scale);
    const rules: readonly PassageRule[] = [
      { kind: 'position', from: 1, to: 1, position: 5 },
      { kind: 'ringing', from: 0, to: 0, rings: true },
    ];
    const onTop = planPiece(scale, under(...rules), first.setup, { memory: first.memory });
    const atOnce = planPiece(scale, under(...rules), first.setup);
    expect(onTop.left.cost).toBeCloseTo(atOnce.left.cost, 9);
    expect(leftHand(onTop)).toEqual(leftHand(atOnce));
  });

  it('keeps a barre where it is asked for: its notes under the index, nothing below it', () => {
    const score = exampleScore({ voices: ['A3/4 C4/4 F4/4 C4/4'] });
    const plan = planUnder(score, { kind: 'barre', from: 0, to: 0, fret: 5 });
    for (const { fret, finger } of plan.notes) if (fret !== 0) expect(finger === 1).toBe(fret === 5);
    expect(plan.notes.every(({ fret }) => fret === 0 || fret! >= 5)).toBe(true);
    expect(plan.left.brokenRules).toEqual([]);
    const low = planUnder(exampleScore({ voices: ['F2/1'] }), { kind: 'barre', from: 0, to: 0, fret: 5 });
    expect(low.findings.map(findingSaid).join()).toMatch(/barre the passage asks for/);
  });

  it('takes bars as others are taken, also where only part of them is the same', () => {
    const score = exampleScore({ voices: ['C4/4 E4/4 G4/4 E4/4 | C4/4 E4/4 A4/4 E4/4'] });
    const model: PassageRule = { kind: 'position', from: 0, to: 0, position: 5 };
    const same: PassageRule = { kind: 'same', from: 1, to: 1, as: 0 };
    const plan = planUnder(score, model, same);
    const [first, second] = [plan.notes.slice(0, 4), plan.notes.slice(4)];
    for (const place of [0, 1, 3]) {
      expect(second[place]!.string).toBe(first[place]!.string);
      expect(second[place]!.finger).toBe(first[place]!.finger);
    }
    expect(plan.left.brokenLocks).toEqual([]);
  });
});
