import { randomUUID } from 'node:crypto';
import type { Edit, NoteId } from '@oculon/core';
import pgPackage from 'pg';
import type pg from 'pg';
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import type { SentEdit } from '../../document/saving.ts';
import { appendEdits, listEdits } from './fingerings.ts';
import { openPool } from '../database/database.ts';
import { troubleOf } from '../database/trouble.ts';
import type { FingeringId, PieceId, TeacherId } from '../ids.ts';
import { findFingering, newPiece, newTeacher, testPool } from '../testing.ts';

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

  it('touch the piece they belong to', async () => {
    const touched = async () =>
      (await pool.query('select touched_at from pieces where id = $1', [piece])).rows[0].touched_at as Date;
    const before = await touched();
    await appendEdits(pool, teacher, fingering, 0, [edit('a', 1)]);
    expect((await touched()).getTime()).toBeGreaterThan(before.getTime());
  });

  it('made on a revision that is not known here are answered with all there is, and not taken', async () => {
    const kept = edit('a', 1);
    await appendEdits(pool, teacher, fingering, 0, [kept]);
    const answer = await appendEdits(pool, teacher, fingering, 7, [edit('b', 2)]);
    expect(answer).toMatchObject({ kind: 'behind', revision: 1, after: 0, since: [{ id: kept.id }] });
    expect(await listEdits(pool, teacher, fingering, 0)).toHaveLength(1);
  });

  it('written down by an older program are read, with the text that files cannot hold left out', async () => {
    const old = {
      kind: 'mark',
      mark: 'text@n',
      before: null,
      after: { kind: 'text', from: 'n', text: 'a\u000bb' },
    };
    await pool.query(
      'insert into edits (fingering_id, teacher_id, revision, edit_id, edit, format) values ($1, $2, 1, $3, $4, 1), ($1, $2, 2, $5, $6, 1)',
      [fingering, teacher, randomUUID(), JSON.stringify(old), randomUUID(), '{"kind":"unheard"}'],
    );
    const kept = await listEdits(pool, teacher, fingering, 0);
    expect(kept[0]!.edit).toMatchObject({ after: { text: 'a b' } });
    expect(kept[1]).toMatchObject({ revision: 2, edit: { kind: 'setup', after: {} } });
    await pool.query(
      'insert into edits (fingering_id, teacher_id, revision, edit_id, edit, format) values ($1, $2, 3, $3, $4, 99)',
      [fingering, teacher, randomUUID(), '{}'],
    );
    await expect(listEdits(pool, teacher, fingering, 0)).rejects.toThrow(/newer Oculon/);
  });

  it('wait their turn for a busy fingering without a connection, and give up in time', async () => {
    const holder = await pool.connect();
    await holder.query('begin');
    await holder.query('select 1 from fingerings where id = $1 for update', [fingering]);
    const small = new pgPackage.Pool({ connectionString: process.env.DATABASE_URL, max: 3 });
    const asked = performance.now();
    const saves = Array.from({ length: 20 }, (_, index) =>
      appendEdits(small, teacher, fingering, 0, [edit(`n${index}`, 1)]).then(
        () => 'saved',
        (error: { code?: string }) => `${error.code}`,
      ),
    );
    // Others are served while they wait.
    expect(await findFingering(small, teacher, piece)).toMatchObject({ revision: 0 });
    expect(small.totalCount).toBeLessThanOrEqual(3);
    expect(new Set(await Promise.all(saves))).toEqual(new Set(['55P03']));
    expect(performance.now() - asked).toBeLessThan(5000);
    await holder.query('rollback');
    holder.release();
    expect(await appendEdits(small, teacher, fingering, 0, [edit('a', 1)])).toMatchObject({ kind: 'saved' });
    await small.end();
  });

  it('outlive a connection that the database ends in the middle of a save', async () => {
    const own = openPool(process.env.DATABASE_URL!, 2);
    const holder = await pool.connect();
    await holder.query('begin');
    await holder.query('select 1 from fingerings where id = $1 for update', [fingering]);
    const save = appendEdits(own, teacher, fingering, 0, [edit('a', 1)]).catch((error: Error) => error);
    await new Promise((resolve) => setTimeout(resolve, 200));
    // Only whoever waits for this holder: other tests share the database.
    await holder.query(
      `select pg_terminate_backend(pid) from pg_stat_activity where pg_backend_pid() = any(pg_blocking_pids(pid))`,
    );
    const error = await save;
    expect(troubleOf(error)).toBe('unavailable');
    await holder.query('rollback');
    holder.release();
    expect(await appendEdits(own, teacher, fingering, 0, [edit('a', 1)])).toMatchObject({ kind: 'saved' });
    await own.end();
  });
});
