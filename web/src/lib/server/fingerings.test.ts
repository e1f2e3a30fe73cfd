import { randomUUID } from 'node:crypto';
import type { Edit, NoteId } from '@oculon/core';
import type pg from 'pg';
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import type { SentEdit } from '../workbench/saving.ts';
import { appendEdits, findFingering, listEdits, saveSetup } from './fingerings.ts';
import type { FingeringId, PieceId, TeacherId } from './ids.ts';
import { newPiece, newTeacher, testPool } from './testing.ts';

const edit = (note: string, finger: 1 | 2 | 3 | 4): SentEdit => ({
  id: randomUUID(),
  edit: { kind: 'choose', note: note as NoteId, before: {}, after: { finger } },
});

const noteOf = (edit: Edit): string => (edit.kind === 'choose' ? edit.note : edit.kind);

describe('edits in the database', () => {
  let pool: pg.Pool;
  let teacher: TeacherId;
  let piece: PieceId;
  let fingering: FingeringId;

  beforeAll(() => {
    pool = testPool();
  });
  afterAll(() => pool.end());
  beforeEach(async () => {
    teacher = await newTeacher(pool);
    ({ piece, fingering } = await newPiece(pool, teacher));
  });

  it('are appended in order with rising revisions', async () => {
    const edits = [edit('a', 1), edit('b', 2)];
    expect(await appendEdits(pool, teacher, fingering, 0, edits)).toEqual({ kind: 'saved', revision: 2 });
    expect(await appendEdits(pool, teacher, fingering, 2, [edit('c', 3)])).toEqual({
      kind: 'saved',
      revision: 3,
    });
    const kept = await listEdits(pool, teacher, fingering, 0);
    expect(kept.map((each) => [each.revision, noteOf(each.edit)])).toEqual([
      [1, 'a'],
      [2, 'b'],
      [3, 'c'],
    ]);
    expect((await findFingering(pool, teacher, piece))?.revision).toBe(3);
  });

  it('made at once on the same revision: one wins, the other is told what came, nothing is lost', async () => {
    for (let round = 0; round < 10; round += 1) {
      const base = (await findFingering(pool, teacher, piece))!.revision;
      const first = edit(`a${round}`, 1);
      const second = edit(`b${round}`, 2);
      const outcomes = await Promise.all(
        [first, second].map((each) => appendEdits(pool, teacher, fingering, base, [each])),
      );
      expect(outcomes.map((outcome) => outcome?.kind).sort()).toEqual(['behind', 'saved']);
      const behind = outcomes.findIndex((outcome) => outcome?.kind === 'behind');
      const loser = [first, second][behind]!;
      const winner = [first, second][1 - behind]!;
      const told = outcomes[behind]!;
      expect(told.kind === 'behind' && told.since.map((each) => each.id)).toEqual([winner.id]);
      // The loser sends again on the new revision, and both are there.
      await appendEdits(pool, teacher, fingering, told.revision, [loser]);
      const notes = (await listEdits(pool, teacher, fingering, base)).map((each) => noteOf(each.edit));
      expect(notes.sort()).toEqual([`a${round}`, `b${round}`]);
    }
  });

  it('sent twice because an answer was lost are kept once', async () => {
    const lost = edit('a', 1);
    await appendEdits(pool, teacher, fingering, 0, [lost]);
    expect(await appendEdits(pool, teacher, fingering, 0, [lost, edit('b', 2)])).toEqual({
      kind: 'saved',
      revision: 2,
    });
    expect(await listEdits(pool, teacher, fingering, 0)).toHaveLength(2);
  });

  it('belong to their teacher alone', async () => {
    const stranger = await newTeacher(pool);
    expect(await appendEdits(pool, stranger, fingering, 0, [edit('a', 1)])).toBeUndefined();
    expect(await findFingering(pool, stranger, piece)).toBeUndefined();
    await appendEdits(pool, teacher, fingering, 0, [edit('a', 1)]);
    expect(await listEdits(pool, stranger, fingering, 0)).toEqual([]);
    await expect(
      pool.query('insert into fingerings (teacher_id, piece_id) values ($1, $2)', [stranger, piece]),
    ).rejects.toMatchObject({ constraint: 'fingerings_of_piece' });
  });

  it('can be added to but never changed', async () => {
    await appendEdits(pool, teacher, fingering, 0, [edit('a', 1)]);
    await expect(
      pool.query('update edits set edit = $2 where fingering_id = $1', [fingering, '{}']),
    ).rejects.toMatchObject({
      constraint: 'edits_append_only',
    });
  });

  it('touch the piece they belong to, and the setup is kept beside them', async () => {
    const touched = async () =>
      (await pool.query('select touched_at from pieces where id = $1', [piece])).rows[0].touched_at as Date;
    const before = await touched();
    await appendEdits(pool, teacher, fingering, 0, [edit('a', 1)]);
    expect((await touched()).getTime()).toBeGreaterThan(before.getTime());
    const setup = {
      hand: 'small' as const,
      scaleLength: 630,
      left: 'legato' as const,
      right: 'strict-im' as const,
      doubleThumb: true,
      keepOrder: true,
    };
    expect(await saveSetup(pool, teacher, fingering, setup)).toBe(true);
    expect((await findFingering(pool, teacher, piece))?.setup).toEqual(setup);
    expect(await saveSetup(pool, await newTeacher(pool), fingering, setup)).toBe(false);
  });
});
