import { describe, expect, it } from 'vitest';
import { placedMarks, proposedMarks } from '../plan/proposed-marks.ts';
import { planPiece } from '../plan/plan.ts';
import { exampleScore, planVoices, rightHand } from '../testing/planning.ts';
import { applyEdits, editSchema, invertEdit, markEdit } from './edits.ts';
import { rebaseEdits } from './rebase.ts';
import { EMPTY_FINGERING } from './fingering.ts';
import { markId } from './mark-id.ts';
import { markSchema, type Mark } from './marks.ts';

const score = exampleScore({ voices: ['E4/4 F4/4 G4/4 F4/4'] });
const [first, second, third] = score.notes.map(({ id }) => id);
const text: Mark = { kind: 'text', from: first!, text: 'sing' };
const slur: Mark = { kind: 'slur', from: second!, to: third!, as: 'hammer-on' };

describe('marks in the document', () => {
  it('are set, changed, removed and taken back as edits that survive JSON', () => {
    const set = markEdit(EMPTY_FINGERING, markId(text), text);
    expect(editSchema.parse(JSON.parse(JSON.stringify(set)))).toEqual(set);
    const with1 = applyEdits(EMPTY_FINGERING, [set]);
    const removed = markEdit(with1, markId(text), { kind: 'removed' });
    expect(removed.before).toEqual(text);
    const without = applyEdits(with1, [removed]);
    expect(applyEdits(without, [invertEdit(removed)])).toEqual(with1);
    expect(applyEdits(with1, [invertEdit(set)])).toEqual(EMPTY_FINGERING);
  });

  it('of two windows: mine stands, and what they wanted is asked about', () => {
    const other: Mark = { ...text, text: 'quietly' };
    const theirs = markEdit(EMPTY_FINGERING, markId(other), other);
    const mine = markEdit(EMPTY_FINGERING, markId(text), text);
    expect(rebaseEdits(applyEdits(EMPTY_FINGERING, [theirs]), [mine])).toEqual({
      edits: [{ ...mine, before: other }],
      conflicts: [{ slot: { kind: 'mark', mark: markId(text) }, theirs: other, mine: text }],
    });
    expect(rebaseEdits(applyEdits(EMPTY_FINGERING, [mine]), [mine]).edits).toEqual([]);
  });

  it('must make sense', () => {
    expect(markSchema.safeParse({ ...text, text: '   ' }).success).toBe(false);
    expect(markSchema.safeParse({ kind: 'plant', from: first, fingers: 'mi' }).success).toBe(false);
    expect(markSchema.safeParse({ kind: 'plant', from: first, fingers: '' }).success).toBe(false);
    expect(markSchema.safeParse({ kind: 'position', from: first, to: third, position: 20 }).success).toBe(
      false,
    );
  });
});

describe('whose mark it is', () => {
  const plan = planVoices(['F2+C3+F3+A3+C4+F4/2 E4/2']);
  const proposals = proposedMarks(plan);
  const barre = proposals.find(({ kind }) => kind === 'barre')!;

  it('the plan proposes barres and positions; the source and the teacher go before it', () => {
    const inSource: Mark = { ...(barre as Mark & { kind: 'barre' }), extent: 'hinge' };
    const by = (marks: ReturnType<typeof placedMarks>) => marks.find(({ id }) => id === markId(barre))?.by;
    expect(by(placedMarks(proposals, new Map(), new Map()))).toBe('planned');
    const source = new Map([[markId(barre), inSource]]);
    expect(by(placedMarks(proposals, source, new Map()))).toBe('source');
    expect(by(placedMarks(proposals, source, new Map([[markId(barre), barre]])))).toBe('teacher');
    const gone = new Map([[markId(barre), { kind: 'removed' as const }]]);
    expect(by(placedMarks(proposals, source, gone))).toBeUndefined();
  });
});

describe('slurs that a teacher sets', () => {
  it('are played: the second note is not plucked', () => {
    expect(rightHand(planPiece(score))).not.toContain('-');
    const slurred = applyEdits(EMPTY_FINGERING, [markEdit(EMPTY_FINGERING, markId(slur), slur)]);
    const plan = planPiece(score, slurred);
    expect(rightHand(plan)[2]).toBe('-');
    expect(plan.notes[1]!.string).toBe(plan.notes[2]!.string);
    // The next plan of the same piece goes on from it, and taking the slur back gives the first plan again.
    expect(planPiece(score, slurred, plan.setup, { memory: plan.memory }).score).toBe(plan.score);
    expect(rightHand(planPiece(score, EMPTY_FINGERING, plan.setup, { memory: plan.memory }))).toBe(
      rightHand(planPiece(score)),
    );
  });

  it('of the source can be taken away: the note is plucked', () => {
    const written = exampleScore({ voices: ['E4/4 F4/4( G4/4) F4/4'] });
    expect(rightHand(planPiece(written))).toContain('-');
    const id = markId({ ...slur, from: written.notes[1]!.id });
    const plucked = applyEdits(EMPTY_FINGERING, [markEdit(EMPTY_FINGERING, id, { kind: 'removed' })]);
    expect(rightHand(planPiece(written, plucked))).not.toContain('-');
  });
});
