import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { NoteId } from '../score/score.ts';
import {
  applyEdit,
  applyEdits,
  dismissEdit,
  EDIT_FORMAT,
  editSchema,
  invertEdit,
  readEdit,
  setupEdit,
} from './edits.ts';
import { EMPTY_FINGERING, type FindingKey, type Fingering } from './fingering.ts';
import { history, makeEdits } from '../testing/histories.ts';

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

  it('of the setup change what they name, and null leaves it to the piece again', () => {
    const first = setupEdit(EMPTY_FINGERING, { hand: 'small', tempo: 60 });
    const small = applyEdit(EMPTY_FINGERING, first);
    expect(small.setup).toEqual({ hand: 'small', tempo: 60 });
    const second = setupEdit(small, { tempo: null, left: 'legato' });
    expect(second).toEqual({
      kind: 'setup',
      before: { tempo: 60, left: null },
      after: { tempo: null, left: 'legato' },
    });
    const legato = applyEdit(small, editSchema.parse(JSON.parse(JSON.stringify(second))));
    expect(legato.setup).toEqual({ hand: 'small', left: 'legato' });
    expect(applyEdit(legato, invertEdit(second))).toEqual(small);
  });

  it.each(['a\u0000b', 'a\ud800b', 'a\u000bb', 'a\u0085', '\ufffe', 'a\nb'])(
    'refuse text that cannot be kept or written: %j',
    (text) => {
      const note = 'n' as NoteId;
      for (const edit of [
        { kind: 'choose', note: text, before: {}, after: { finger: 1 } },
        { kind: 'dismiss', finding: 'x', before: null, after: text },
        { kind: 'mark', mark: 'text@n', before: null, after: { kind: 'text', from: note, text } },
        { kind: 'mark', mark: text, before: null, after: { kind: 'removed' } },
        { kind: 'setup', before: {}, after: { tuning: [text, 'B3', 'G3', 'D3', 'A2', 'E2'] } },
      ])
        expect(editSchema.safeParse(edit).success).toBe(false);
    },
  );

  it('of an older program are read without the text that cannot be written, those of a newer one not at all', () => {
    const old = {
      kind: 'mark',
      mark: 'text@n',
      before: null,
      after: { kind: 'text', from: 'n', text: 'a\u000bb' },
    };
    expect(readEdit(2, old)).toBeUndefined();
    expect(readEdit(1, old)).toMatchObject({ after: { text: 'a b' } });
    expect(readEdit(EDIT_FORMAT + 1, setupEdit(EMPTY_FINGERING, {}))).toBeUndefined();
  });

  it('compose text and count it as a reader does', () => {
    const mark = (text: string) =>
      editSchema.safeParse({
        kind: 'mark',
        mark: 'text@n',
        before: null,
        after: { kind: 'text', from: 'n', text },
      });
    const composed = mark('e\u0301tude');
    expect(composed.success && composed.data).toMatchObject({ after: { text: '\u00e9tude' } });
    expect(mark('𝄞'.repeat(120)).success).toBe(true);
    expect(mark('𝄞'.repeat(121)).success).toBe(false);
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
});
