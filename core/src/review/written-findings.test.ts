import { describe, expect, it } from 'vitest';
import { applyEdits, chooseEdit, markEdit } from '../fingering/edits.ts';
import { fixesOf } from '../plan/fixes.ts';
import { planPiece, type Plan } from '../plan/plan.ts';
import { decide, exampleScore } from '../testing/planning.ts';
import { findingKey, type FindingCode } from './finding.ts';

const codes = ({ findings }: Plan): readonly FindingCode[] => findings.map(({ code }) => code);
const after = (plan: Plan, code: FindingCode): Plan => {
  const finding = plan.findings.find((each) => each.code === code)!;
  const { choices, marks } = fixesOf(plan).get(findingKey(finding))!;
  const { fingering } = plan;
  return planPiece(
    plan.score,
    applyEdits(fingering, [
      ...choices.map(([id, choice]) => chooseEdit(fingering, id, choice)),
      ...marks.map(([id, mark]) => markEdit(fingering, id, mark)),
    ]),
    plan.setup,
  );
};

describe('what is written, and what is played', () => {
  it('a fingering of the source that no hand can play is told apart from a teacher’s own', () => {
    // E4 with C4 on one string: the file asks for it.
    const source = exampleScore({ voices: ['C4{string=2}+E4/1'.replace('C4{string=2}+E4/1', 'C4+E4/1')] });
    const written = {
      ...source,
      notes: source.notes.map((note) => ({ ...note, fingering: { string: 2 } })),
    };
    expect(codes(planPiece(written))).toContain('source-unplayable');
    expect(codes(planPiece(written))).not.toContain('lock-not-kept');
    const own = planPiece(source, decide(source, ['C4', 0, { string: 2 }], ['E4', 0, { string: 2 }]));
    expect(codes(own)).toContain('lock-not-kept');
    expect(codes(own)).not.toContain('source-unplayable');
  });

  it('an open string where the source writes a finger, and the reverse; taken back in one action', () => {
    const score = exampleScore({ voices: ['D4/4 E4/4{finger=4} D4/2'] });
    expect(codes(planPiece(score))).toEqual([]);
    const open = planPiece(score, decide(score, ['E4', 0, { finger: 0, string: 1 }]));
    expect(codes(open)).toContain('open-for-stopped');
    expect(codes(after(open, 'open-for-stopped'))).toEqual([]);
    const zero = exampleScore({ voices: ['D4/4 E4/4{finger=0} D4/2'] });
    const stopped = planPiece(zero, decide(zero, ['E4', 0, { finger: 4, string: 2 }]));
    expect(codes(stopped)).toContain('stopped-for-open');
    expect(codes(after(stopped, 'stopped-for-open'))).toEqual([]);
  });

  it('a shift that a fingered source does not tell; the position can be written', () => {
    const voice =
      'F4/4{finger=1,string=1} G4/4{finger=3} A4/4{finger=4,string=1} C5/4 | D5/4 C5/4 B4/4 A4/4 | G4/4 F4/4 E4/2';
    const plan = planPiece(exampleScore({ voices: [voice] }));
    expect(plan.shifts.length).toBeGreaterThan(0);
    expect(codes(plan)).toContain('position-mark-missing');
    const before = codes(plan).filter((code) => code === 'position-mark-missing').length;
    const now = codes(after(plan, 'position-mark-missing')).filter(
      (code) => code === 'position-mark-missing',
    );
    expect(now.length).toBe(before - 1);
    // A source without any fingering promises nothing.
    const bare = planPiece(exampleScore({ voices: [voice.replaceAll(/\{[^}]*\}/g, '')] }));
    expect(codes(bare)).not.toContain('position-mark-missing');
  });
});

describe('one action for a finding', () => {
  it('plucks what cannot be slurred', () => {
    const score = exampleScore({ voices: ['E4/4( C4/4) G4/2'] });
    const plan = planPiece(score, decide(score, ['E4', 0, { string: 1 }], ['C4', 0, { string: 2 }]));
    expect(codes(plan)).toContain('slur-trouble');
    const plucked = after(plan, 'slur-trouble');
    expect(codes(plucked)).not.toContain('slur-trouble');
    expect(plucked.notes[1]!.pluck).toBeDefined();
  });

  it('slurs where a finger of the right hand plays twice at speed', () => {
    const score = exampleScore({ voices: ['F4/16 G4/16 F4/16 G4/16 F4/2.'], tempo: 110 });
    const plan = planPiece(
      score,
      decide(score, ['G4', 0, { pluck: 'm' }], ['F4', 0, { pluck: 'm' }], ['F4', 1, { pluck: 'm' }]),
    );
    expect(codes(plan)).toContain('repeat-at-speed');
    const key = findingKey(plan.findings.find(({ code }) => code === 'repeat-at-speed')!);
    expect(fixesOf(plan).get(key)?.code).toBe('slur-to-it');
    const slurred = after(plan, 'repeat-at-speed');
    expect(slurred.notes.some((note) => note.pluck === undefined)).toBe(true);
  });
});
