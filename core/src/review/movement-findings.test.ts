import { findingSaid } from '../testing/words.ts';
import { describe, expect, it } from 'vitest';
import { EMPTY_FINGERING } from '../fingering/fingering.ts';
import { patternSchema, type RuleId } from '../fingering/rules.ts';
import { planPiece, type Plan } from '../plan/plan.ts';
import { decide, exampleScore, planVoices } from '../testing/planning.ts';
import { checkSlurs } from '../technique/slurs.ts';
import type { FindingCode } from './finding.ts';
import { findingsOf } from './findings.ts';

const codes = ({ findings }: Plan): readonly FindingCode[] => findings.map(({ code }) => code);
const fixed = (
  voices: readonly string[],
  tempo: number,
  decisions: Parameters<typeof decide> extends [unknown, ...infer Rest] ? Rest : never,
) => {
  const score = exampleScore({ voices, tempo });
  return planPiece(score, decide(score, ...decisions));
};

describe('what will go wrong', () => {
  it('nothing, in a plain tune in first position', () => {
    expect(codes(planVoices(['C4/4 D4/4 E4/4 F4/4 | G4/2 E4/2']))).toEqual([]);
  });

  it('a gap at a shift that rides on nothing', () => {
    const plan = fixed(['F4/16 D5/16 F4/8'], 90, [
      ['F4', 0, { string: 1, finger: 1 }],
      ['D5', 0, { string: 1, finger: 3 }],
    ]);
    expect(codes(plan)).toContain('gap-at-shift');
  });

  it('a lower note on a higher string', () => {
    const plan = fixed(['C4/4 B3/4'], 90, [
      ['C4', 0, { string: 3 }],
      ['B3', 0, { string: 2 }],
    ]);
    expect(codes(plan)).toContain('lower-on-higher-string');
    const same = fixed(['C4/4 B3/4'], 90, [
      ['C4', 0, { string: 2 }],
      ['B3', 0, { string: 2 }],
    ]);
    expect(codes(same)).not.toContain('lower-on-higher-string');
  });

  it('a finger that is needed in two places at once', () => {
    const plan = fixed(['F4/16 C#4/16 F4/8'], 120, [
      ['F4', 0, { string: 1, finger: 2 }],
      ['C#4', 0, { string: 2, finger: 2 }],
    ]);
    expect(codes(plan)).toContain('finger-needed-twice');
    const slow = fixed(['F4/1 C#4/1'], 60, [
      ['F4', 0, { string: 1, finger: 2 }],
      ['C#4', 0, { string: 2, finger: 2 }],
    ]);
    expect(codes(slow)).not.toContain('finger-needed-twice');
  });

  it('a stretch beyond what is comfortable, with a caution; none in one fret per finger', () => {
    const reach = fixed(['A4/1', 'F2/1'], 90, [
      ['F2', 0, { finger: 1 }],
      ['A4', 0, { string: 1, finger: 4 }],
    ]);
    const stretch = reach.findings.find(({ code }) => code === 'wide-stretch');
    expect(findingSaid(stretch!)).toMatch(/stop when it hurts, and ask a doctor or hand therapist/);
    const close = fixed(['G#4/1', 'F2/1'], 90, [
      ['F2', 0, { finger: 1 }],
      ['G#4', 0, { string: 1, finger: 4 }],
    ]);
    expect(codes(close)).not.toContain('wide-stretch');
  });

  it('a barre held too long', () => {
    const plan = planVoices(['F2+C3+F3+A3+C4+F4/1 | F2+C3+F3+A3+C4+F4/1'], { tempo: 40 });
    expect(plan.barres.length).toBeGreaterThan(0);
    expect(codes(plan)).toContain('barre-too-long');
    expect(codes(planVoices(['F2+C3+F3+A3+C4+F4/4']))).not.toContain('barre-too-long');
  });

  it('a finger of the right hand that plays twice at speed', () => {
    const plan = fixed(['E4/16 F4/16 E4/16 F4/16'], 100, [
      ['E4', 0, { pluck: 'i' }],
      ['F4', 0, { pluck: 'i' }],
    ]);
    expect(codes(plan)).toContain('repeat-at-speed');
    const slow = fixed(['E4/2 F4/2'], 60, [
      ['E4', 0, { pluck: 'i' }],
      ['F4', 0, { pluck: 'i' }],
    ]);
    expect(codes(slow)).not.toContain('repeat-at-speed');
  });

  it('an open bass left ringing into a rest, not the same bass again', () => {
    expect(codes(planVoices(['C4/4 -/4 C4/2', 'A2/4 -/4 A2/2']))).toContain('string-left-ringing');
    expect(codes(planVoices(['C4/2 C4/2', 'A2/2 A2/2']))).not.toContain('string-left-ringing');
  });

  it('an upbeat torn from its downbeat', () => {
    const score = exampleScore({ voices: ['F4/8 | D5/4 D5/4 D5/4 D5/4'], tempo: 120, pickup: true });
    const plan = planPiece(
      score,
      decide(score, ['F4', 0, { string: 1, finger: 1 }], ['D5', 0, { string: 1, finger: 4 }]),
    );
    expect(codes(plan)).toContain('upbeat-torn');
  });

  it('a dotted rhythm in which the hand moves, before its short note or right after it', () => {
    const dotted = (voice: string, tempo: number, ...more: Parameters<typeof fixed>[2]) =>
      fixed([voice], tempo, [
        ['F4', 0, { string: 1, finger: 1 }],
        ['C5', 0, { string: 1, finger: 4 }],
        ...more,
      ]).findings.find(({ code }) => code === 'dotted-shrinks')?.values;
    expect(dotted('F4/8. C5/16 C5/4 C5/2', 90)).toMatchObject({ before: 'short' });
    const stays = ['G4', 0, { string: 1, finger: 3 }] as const;
    expect(dotted('F4/8. G4/16 C5/4 C5/2', 90, stays)).toMatchObject({ before: 'next' });
    // Even notes, or time enough, and nothing shrinks.
    expect(dotted('F4/8 C5/8 C5/4 C5/2', 90)).toBeUndefined();
    expect(dotted('F4/4. C5/8 C5/2', 40)).toBeUndefined();
  });
});

describe('the hands at odds', () => {
  it('a crossing of the right hand just where the left hand shifts; none where it rests', () => {
    const crossing = (voices: readonly string[], left: readonly [number, number]) =>
      fixed(voices, 110, [
        ['D4', 0, { string: 2, finger: 3, pluck: 'm' }],
        [left[0] > 1 ? 'C5' : 'E4', 0, { string: 1, finger: left[1] as 0 | 1, pluck: 'i' }],
      ]);
    expect(codes(crossing(['D4/16 C5/8. B4/4 C5/2'], [8, 1]))).toContain('crossing-where-busy');
    expect(codes(crossing(['D4/16 E4/8. D4/4 E4/2'], [0, 0]))).not.toContain('crossing-where-busy');
  });

  it('a pattern that what is fixed does not allow', () => {
    const score = exampleScore({ voices: ['G3/8 B3/8 E4/8 B3/8 G3/8 B3/8 E4/4'] });
    const rules = new Map([
      ['r' as RuleId, { kind: 'pattern' as const, from: 0, to: 0, pattern: patternSchema.parse('ima') }],
    ]);
    const asked = planPiece(score, { ...EMPTY_FINGERING, rules });
    expect(codes(asked)).not.toContain('pattern-not-kept');
    const against = decide(score, ['B3', 0, { pluck: 'p' }]);
    expect(codes(planPiece(score, { ...against, rules }))).toContain('pattern-not-kept');
  });

  // Common practice, no published source: who plays a repeat comes from its end.
  it('a jump back to a repeat sign that the hand cannot make in time', () => {
    const voices = ['C4/4 D4/4 E4/4 F4/4 | G4/4 A4/8 B4/8 C5/8 D5/8 E5/8 C5/8'];
    const once = planPiece(exampleScore({ voices, tempo: 120 }));
    expect(codes(once)).not.toContain('jump-not-made');
    const again = planPiece(exampleScore({ voices, tempo: 120, repeats: [{ from: 1, to: 2 }] }));
    expect(again.left.choices).toEqual(once.left.choices);
    expect(again.jumps).toMatchObject([{ from: 1, to: 0, shift: { to: 1 } }]);
    expect(again.jumps[0]!.price).toBeGreaterThan(3);
    const found = again.findings.find(({ code }) => code === 'jump-not-made')!;
    expect(found).toMatchObject({ bar: 0, values: { after: '2', to: '1' } });
    // With the end lower on the neck the way back is short.
    const low = planPiece(
      exampleScore({
        voices: ['C4/4 D4/4 E4/4 F4/4 | G4/4 F4/8 E4/8 G4/8 F4/8 E4/8 D4/8'],
        tempo: 120,
        repeats: [{ from: 1, to: 2 }],
      }),
    );
    expect(codes(low)).not.toContain('jump-not-made');
  });

  it('a search that had to leave something out says so', () => {
    const plan = planVoices(['C4/4 D4/4 E4/2']);
    const { shifts, barres, damping, jumps } = plan;
    const cut = { ...plan.performance, left: { ...plan.left, exact: false } };
    const found = findingsOf(cut, plan.fingering, [], { shifts, barres, damping, jumps }).map(
      ({ code }) => code,
    );
    expect(found).toEqual(['search-not-exhaustive']);
    expect(codes(plan)).toEqual([]);
  });
});

// Handbook §6. Common practice, no published source.
describe('slurs', () => {
  const check = (voice: string, ...decisions: Parameters<typeof fixed>[2]) => {
    const plan = fixed([voice], 90, decisions);
    return checkSlurs(plan.score, plan.left)[0];
  };
  it('a hammer-on from an open string is always possible', () => {
    expect(check('E4/8( F4/8)')).toMatchObject({ kind: 'hammer-on', trouble: undefined });
  });
  it('across strings it is not', () => {
    const across = check('B3/8( E4/8)', ['B3', 0, { string: 3 }], ['E4', 0, { string: 1 }]);
    expect(across?.trouble).toBe('across-strings');
  });
  it('with one finger on both notes it is not', () => {
    const slid = check(
      'F4/8( G4/8)',
      ['F4', 0, { string: 1, finger: 1 }],
      ['G4', 0, { string: 1, finger: 1 }],
    );
    expect(slid?.trouble).toBe('same-finger');
  });
  it('3–4 is the weakest pair', () => {
    const weak = check(
      'G4/8( G#4/8)',
      ['G4', 0, { string: 1, finger: 3 }],
      ['G#4', 0, { string: 1, finger: 4 }],
    );
    expect(weak?.trouble).toBe('weak-pair');
  });
});
