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
      const { sounds } = planUnder(broken, { kind: 'ringing', from: 0, to: 0, rings }).left.memory.moments;
      return [...sounds.ring].map((until, index) => until - sounds.end[index]!);
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
});
