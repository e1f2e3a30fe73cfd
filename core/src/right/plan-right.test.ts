import { describe, expect, it } from 'vitest';
import { planPiece, setupFor } from '../plan/plan.ts';
import { decide, exampleScore, planVoices, rightHand } from '../testing/planning.ts';

// Each example: common practice, no published source (handbook §4).
describe('the right hand, as players use it', () => {
  it('the thumb takes the bass, i m a take ③ ② ① of an arpeggio', () => {
    const plan = planVoices(['-/8 G3/8 B3/8 E4/8', 'E2/2']);
    expect(rightHand(plan)).toBe('pima');
  });

  it('a chord takes p on its lowest note and rises with the strings', () => {
    expect(rightHand(planVoices(['A2+A3+C4+E4/1']))).toBe('pima');
  });

  it('a fast line alternates: no finger plays twice running', () => {
    const letters = rightHand(planVoices(['E4/16 F4/16 G4/16 A4/16 G4/16 F4/16 E4/16 F4/16 G4/4']));
    expect(letters).not.toMatch(/(.)\1/);
    expect(letters).toMatch(/^[ima]+$/);
  });

  it('i on ② then m on ① is chosen rather than m then i', () => {
    expect(rightHand(planVoices(['D4/16 G4/16 D4/16 G4/16 D4/16 G4/16 D4/16 G4/16']))).toMatch(
      /^(im|ma|ia)+$/,
    );
  });

  it('tremolo falls from a to i after the thumb', () => {
    const letters = rightHand(planVoices(['-/32 E4/32 E4/32 E4/32 -/32 E4/32 E4/32 E4/32', 'A2/8 E3/8']));
    expect(letters).toBe('pamipami');
  });

  it('strict i–m uses nothing else in a line', () => {
    const score = exampleScore({ voices: ['C4/16 D4/16 E4/16 F4/16 G4/16 A4/16 G4/16 F4/16'], tempo: 90 });
    const plan = planPiece(score, undefined, { ...setupFor(score), right: 'strict-im' });
    expect(rightHand(plan)).toMatch(/^(im)+$|^(mi)+$/);
  });

  it('tied notes take no pluck; of five notes and more the thumb sweeps the lowest', () => {
    const plan = planVoices(['E4/2~ | E4/2', 'E2/2 | E2/2'].map((voice) => voice));
    expect(plan.notes.filter((note) => note.tied).every((note) => note.pluck === undefined)).toBe(true);
    expect(rightHand(planVoices(['E2+B2+E3+G3+B3+E4/1']))).toBe('pppima');
  });

  it('a decided finger holds, and an impossible one is reported', () => {
    const score = exampleScore({ voices: ['A3+C4+E4/2 G4/2', 'A2/1'] });
    const held = planPiece(score, decide(score, ['G4', 0, { pluck: 'i' }]));
    expect(rightHand(held).at(-1)).toBe('i');
    const impossible = planPiece(score, decide(score, ['A2', 0, { pluck: 'a' }]));
    expect(impossible.findings.map((finding) => finding.code)).toContain('pluck-lock-not-kept');
  });
});
