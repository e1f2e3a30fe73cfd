import type pg from 'pg';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { newPiece, newTeacher, testPool } from '../testing.ts';
import type { FingeringId, PieceId, TeacherId } from '../ids.ts';
import { asTeacher } from './database.ts';

let pool: pg.Pool;
let own: TeacherId;
let stranger: TeacherId;
let piece: PieceId;
let fingering: FingeringId;
beforeAll(async () => {
  pool = testPool();
  [own, stranger] = [await newTeacher(pool), await newTeacher(pool)];
  ({ piece, fingering } = await newPiece(pool, own));
  await newPiece(pool, stranger);
  await pool.query(`insert into students (teacher_id, name) values ($1, 'A'), ($2, 'B')`, [own, stranger]);
  await pool.query(`insert into instruments (teacher_id, name) values ($1, 'A'), ($2, 'B')`, [own, stranger]);
  await pool.query(
    `insert into edits (fingering_id, teacher_id, revision, edit_id, edit, format)
     values ($1, $2, 1, gen_random_uuid(), '{}', 3)`,
    [fingering, own],
  );
  await pool.query(
    `insert into earlier_sources (teacher_id, piece_id, file_name, part_id, content)
     select teacher_id, piece_id, file_name, part_id, content from sources where teacher_id = any($1)`,
    [[own, stranger]],
  );
  const { rows } = await pool.query(
    `insert into courses (teacher_id, student_id) select teacher_id, id from students where teacher_id = any($1)
     returning id, teacher_id`,
    [[own, stranger]],
  );
  for (const { id, teacher_id } of rows) {
    await pool.query(
      `insert into course_goals (teacher_id, course_id, until, revision, practised, sheets)
       values ($1, $2, '2026-12-24', 0, '{}', '{}')`,
      [teacher_id, id],
    );
    await pool.query(
      `insert into log_entries (teacher_id, course_id, id, practised_on, entry, by_teacher)
       values ($1, $2, gen_random_uuid(), '2026-11-26', '{}', false)`,
      [teacher_id, id],
    );
    await pool.query(
      `insert into lesson_notes (teacher_id, student_id, body) select teacher_id, id, 'x' from students where teacher_id = $1`,
      [teacher_id],
    );
  }
  await pool.query(`insert into labels (teacher_id, fingering_id, revision, label) values ($1, $2, 1, 'x')`, [
    own,
    fingering,
  ]);
});
afterAll(() => pool.end());

const TABLES = [
  'pieces',
  'sources',
  'fingerings',
  'edits',
  'students',
  'instruments',
  'labels',
  'courses',
  'course_goals',
  'log_entries',
  'lesson_notes',
  'earlier_sources',
] as const;

describe('a statement that forgets its where', () => {
  it.each(TABLES)('sees the rows of %s of its teacher alone', async (table) => {
    const seen = (teacher: TeacherId) =>
      asTeacher(
        pool,
        teacher,
        async (client) => (await client.query(`select teacher_id from ${table}`)).rows,
      );
    expect(new Set((await seen(own)).map((row) => row.teacher_id))).toEqual(new Set([own]));
    expect((await seen(stranger)).every((row) => row.teacher_id === stranger)).toBe(true);
  });

  it.each(TABLES)('deletes none of the rows of %s of others', async (table) => {
    const before = (await pool.query(`select count(*) from ${table} where teacher_id = $1`, [own])).rows;
    const newcomer = await newTeacher(pool);
    await asTeacher(pool, newcomer, (client) => client.query(`delete from ${table}`));
    expect((await pool.query(`select count(*) from ${table} where teacher_id = $1`, [own])).rows).toEqual(
      before,
    );
  });

  it('changes no piece of others, gives none away and sees no other teacher', async () => {
    await asTeacher(pool, stranger, async (client) => {
      expect((await client.query(`update pieces set title = 'Mine' where id = $1`, [piece])).rowCount).toBe(
        0,
      );
      expect((await client.query('select id from teachers')).rows).toEqual([{ id: stranger }]);
    });
    await expect(
      asTeacher(pool, stranger, (client) => client.query(`update pieces set teacher_id = $1`, [own])),
    ).rejects.toThrow(/row-level security/);
    await expect(
      asTeacher(pool, stranger, (client) =>
        client.query(`insert into students (teacher_id, name) values ($1, 'Not mine')`, [own]),
      ),
    ).rejects.toThrow(/row-level security/);
  });

  it('cannot read passwords, sessions or links at all', async () => {
    for (const table of ['sessions', 'tickets', 'devices', 'outbox', 'attempts'])
      await expect(asTeacher(pool, own, (client) => client.query(`select * from ${table}`))).rejects.toThrow(
        /permission denied/,
      );
  });

  it('sees nothing when nobody is named', async () => {
    const client = await pool.connect();
    try {
      await client.query('begin; set local role oculon_teacher');
      for (const table of TABLES) expect((await client.query(`select 1 from ${table}`)).rowCount).toBe(0);
    } finally {
      await client.query('rollback');
      client.release();
    }
  });
});
