import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { NoteId } from '../score/score.ts';
import { history, makeEdits } from '../testing/histories.ts';
import { applyEdits, chooseEdit, invertEdit, markEdit, setupEdit } from './edits.ts';
import { EMPTY_FINGERING, type Choice } from './fingering.ts';
import type { MarkId } from './marks.ts';
import { editsBetween, rebaseEdits, restateUpon, yielding } from './rebase.ts';
import { filledSlots, slotKey, slotsOf, valueIn } from './slots.ts';
import { sameValue } from './same-value.ts';

const NOTE = '1:1:0:60:0' as NoteId;
const choose = (change: Choice, on = EMPTY_FINGERING) => chooseEdit(on, NOTE, change);

describe('edits of two windows', () => {
  it('meet slot by slot: mine stand where I decided, theirs everywhere else, and what differs is reported', () => {
    fc.assert(
      fc.property(history, history, history, (before, first, second) => {
        const base = applyEdits(EMPTY_FINGERING, makeEdits(EMPTY_FINGERING, before));
        const theirs = makeEdits(base, first);
        const mine = makeEdits(base, second);
        const [theirEnd, myEnd] = [applyEdits(base, theirs), applyEdits(base, mine)];
        const rebase = rebaseEdits(theirEnd, mine);
        const merged = applyEdits(theirEnd, rebase.edits);
        const disputed = new Set(rebase.conflicts.map(({ slot }) => slotKey(slot)));
        expect(disputed.size).toBe(rebase.conflicts.length);
        for (const slot of [base, theirEnd, myEnd, merged].flatMap(filledSlots)) {
          const [was, their, my] = [base, theirEnd, myEnd].map((each) => valueIn(each, slot));
          const isMine = !sameValue(was, my);
          expect(valueIn(merged, slot)).toEqual(isMine ? my : their);
          expect(disputed.has(slotKey(slot))).toBe(isMine && !sameValue(was, their) && !sameValue(their, my));
        }
        // Giving way leaves theirs wherever there was a dispute.
        const yielded = applyEdits(theirEnd, yielding(theirEnd, rebase));
        for (const { slot, theirs: their } of rebase.conflicts) expect(valueIn(yielded, slot)).toEqual(their);
        for (const slot of rebase.edits.flatMap(slotsOf))
          if (!disputed.has(slotKey(slot))) expect(valueIn(yielded, slot)).toEqual(valueIn(merged, slot));
      }),
      { numRuns: 500 },
    );
  });

  it('lead from any state to any other and back, and touch nothing that is alike', () => {
    fc.assert(
      fc.property(history, history, (one, other) => {
        const now = applyEdits(EMPTY_FINGERING, makeEdits(EMPTY_FINGERING, one));
        const wanted = applyEdits(EMPTY_FINGERING, makeEdits(EMPTY_FINGERING, other));
        const edits = editsBetween(now, wanted);
        const there = applyEdits(now, edits);
        for (const slot of [now, wanted, there].flatMap(filledSlots))
          expect(valueIn(there, slot)).toEqual(valueIn(wanted, slot));
        const back = applyEdits(there, edits.toReversed().map(invertEdit));
        for (const slot of [now, back].flatMap(filledSlots))
          expect(valueIn(back, slot)).toEqual(valueIn(now, slot));
        for (const slot of edits.flatMap(slotsOf))
          expect(sameValue(valueIn(now, slot), valueIn(wanted, slot))).toBe(false);
        expect(editsBetween(wanted, wanted)).toEqual([]);
      }),
      { numRuns: 300 },
    );
  });

  it('do not wipe what was set here and taken back', () => {
    const id = `text@${NOTE}` as MarkId;
    const set = markEdit(EMPTY_FINGERING, id, { kind: 'text', from: NOTE, text: 'sing' });
    expect(rebaseEdits(applyEdits(EMPTY_FINGERING, [set]), [set, invertEdit(set)])).toEqual({
      edits: [],
      conflicts: [],
    });
    const finger = choose({ finger: 1 });
    expect(
      rebaseEdits(applyEdits(EMPTY_FINGERING, [choose({ finger: 2 })]), [finger, invertEdit(finger)]).edits,
    ).toEqual([]);
  });

  it('on one note do not conflict when one plucks and the other names a string', () => {
    const { edits, conflicts } = rebaseEdits(applyEdits(EMPTY_FINGERING, [choose({ string: 3 })]), [
      choose({ pluck: 'm' }),
    ]);
    expect(conflicts).toEqual([]);
    expect(edits).toEqual([
      { kind: 'choose', note: NOTE, before: { string: 3 }, after: { string: 3, pluck: 'm' } },
    ]);
  });

  it('of the setup merge field by field', () => {
    const theirs = [setupEdit(EMPTY_FINGERING, { hand: 'small' })];
    const mine = [setupEdit(EMPTY_FINGERING, { left: 'legato' })];
    const { edits, conflicts } = rebaseEdits(applyEdits(EMPTY_FINGERING, theirs), mine);
    expect(conflicts).toEqual([]);
    expect(applyEdits(EMPTY_FINGERING, [...theirs, ...edits]).setup).toEqual({
      hand: 'small',
      left: 'legato',
    });
  });
});

describe('a truth that lost part of what was known', () => {
  it('receives all of it again, and is only argued with where it says something else', () => {
    fc.assert(
      fc.property(history, history, history, (kept, lost, later) => {
        const old = applyEdits(EMPTY_FINGERING, makeEdits(EMPTY_FINGERING, kept));
        const known = applyEdits(old, makeEdits(old, lost));
        const truth = applyEdits(old, makeEdits(old, later));
        const { edits, conflicts } = restateUpon(truth, known);
        const after = applyEdits(truth, edits);
        for (const slot of filledSlots(known)) expect(valueIn(after, slot)).toEqual(valueIn(known, slot));
        for (const { slot, theirs } of conflicts) expect(theirs).toEqual(valueIn(truth, slot));
        expect(conflicts.every(({ theirs }) => theirs !== undefined)).toBe(true);
      }),
      { numRuns: 300 },
    );
  });
});
