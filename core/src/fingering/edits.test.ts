import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { NoteId } from '../score/score.ts';
import {
  applyEdit,
  applyEdits,
  chooseEdit,
  dismissEdit,
  editSchema,
  invertEdit,
  rebaseEdits,
  type ChoiceEdit,
} from './edits.ts';
import { EMPTY_FINGERING, type Choice, type FindingKey, type Fingering } from './fingering.ts';

const note = fc.constantFrom('1:1:0:60:0', '1:1:1:62:0', '2:2:0:45:0').map((id) => id as NoteId);
const change: fc.Arbitrary<Choice> = fc.record(
  {
    string: fc.constantFrom(1, 2, 3, null, undefined),
    finger: fc.constantFrom(0, 1, 4, null, undefined),
    pluck: fc.constantFrom('p', 'i', undefined),
  },
  { requiredKeys: [] },
) as fc.Arbitrary<Choice>;

/** Edits as a page makes them: each on what the ones before left. */
const makeEdits = (start: Fingering, changes: readonly (readonly [NoteId, Choice])[]): ChoiceEdit[] => {
  let fingering = start;
  return changes.map(([id, each]) => {
    const edit = chooseEdit(fingering, id, each);
    fingering = applyEdit(fingering, edit);
    return edit;
  });
};
const history = fc.array(fc.tuple(note, change), { maxLength: 8 });
const asObject = (fingering: Fingering) =>
  Object.fromEntries([...fingering.choices].sort(([a], [b]) => a.localeCompare(b)));

describe('edits', () => {
  it('are taken back by their inverse, in reverse order', () => {
    fc.assert(
      fc.property(history, (changes) => {
        const edits = makeEdits(EMPTY_FINGERING, changes);
        const done = applyEdits(EMPTY_FINGERING, edits);
        const undone = applyEdits(done, edits.toReversed().map(invertEdit));
        expect(asObject(undone)).toEqual({});
      }),
    );
  });

  it('survive JSON', () => {
    fc.assert(
      fc.property(history, (changes) => {
        for (const edit of makeEdits(EMPTY_FINGERING, changes))
          expect(editSchema.parse(JSON.parse(JSON.stringify(edit)))).toEqual(
            JSON.parse(JSON.stringify(edit)),
          );
      }),
    );
  });

  it('are refused when they are not what we write', () => {
    expect(
      editSchema.safeParse({ kind: 'choose', note: 'x', before: {}, after: { finger: 7 } }).success,
    ).toBe(false);
    expect(editSchema.safeParse({ kind: 'choose', note: 'x', before: {}, after: {}, more: 1 }).success).toBe(
      false,
    );
  });

  it('commute on different notes and are reported once where both sides decided differently', () => {
    fc.assert(
      fc.property(history, history, (first, second) => {
        const theirs = makeEdits(EMPTY_FINGERING, first);
        const mine = makeEdits(EMPTY_FINGERING, second);
        const { edits, conflicts } = rebaseEdits(EMPTY_FINGERING, theirs, mine);
        const merged = asObject(applyEdits(applyEdits(EMPTY_FINGERING, theirs), edits));
        const theirEnd = asObject(applyEdits(EMPTY_FINGERING, theirs));
        const myEnd = asObject(applyEdits(EMPTY_FINGERING, mine));
        const touchedByMe = new Set(mine.map((edit) => edit.note));
        // Keeping mine: what I touched is as I left it, the rest as they left it.
        for (const id of Object.keys({ ...theirEnd, ...myEnd, ...merged }))
          expect(merged[id]).toEqual(touchedByMe.has(id as NoteId) ? myEnd[id] : theirEnd[id]);
        const disputed = conflicts.map((conflict) => conflict.note);
        expect(new Set(disputed).size).toBe(disputed.length);
        for (const id of disputed) expect(theirs.some((edit) => edit.note === id)).toBe(true);
      }),
    );
  });
});

describe('findings put aside', () => {
  const finding = 'wide-stretch@1:1:0:60:0' as FindingKey;

  it('are kept with their reason, taken back by the inverse, and survive being written down', () => {
    const edit = dismissEdit(EMPTY_FINGERING, finding, 'the student has large hands');
    expect(editSchema.parse(JSON.parse(JSON.stringify(edit)))).toEqual(edit);
    const aside = applyEdit(EMPTY_FINGERING, edit);
    expect(aside.dismissed.get(finding)).toBe('the student has large hands');
    expect(applyEdit(aside, invertEdit(edit))).toEqual(EMPTY_FINGERING);
  });

  it('commute with what others decide; of two reasons mine stands', () => {
    const theirs = [dismissEdit(EMPTY_FINGERING, finding, 'theirs')];
    const mine = [dismissEdit(EMPTY_FINGERING, finding, 'mine')];
    const { edits, conflicts } = rebaseEdits(EMPTY_FINGERING, theirs, mine);
    expect(conflicts).toEqual([]);
    expect(edits).toEqual([{ ...mine[0], before: 'theirs' }]);
  });
});
