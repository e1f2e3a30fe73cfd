import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { applyEdits, EMPTY_FINGERING, type FindingKey, type MarkId, type NoteId } from '@oculon/core';
import pg from 'pg';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { migrate } from '../../../../database/migrate.mjs';
import { openPool } from './database.ts';
import { findFingering } from '../testing.ts';
import { appendEdits, listEdits } from '../fingerings/fingerings.ts';
import { fingeringIdSchema, pieceIdSchema, teacherIdSchema } from '../ids.ts';

const FIRST = readFileSync(
  fileURLToPath(new URL('../../../../database/migrations/0001_pieces.sql', import.meta.url)),
  'utf8',
);
const name = `oculon_migration_${Date.now()}`;
const url = Object.assign(new URL(process.env.DATABASE_URL!), { pathname: `/${name}` }).toString();

/** A database as the first release left it: choices in the log, the setup beside it. */
const teacher = teacherIdSchema.parse(randomUUID());
const [piece, plain] = [randomUUID(), randomUUID()].map((id) => pieceIdSchema.parse(id)) as [never, never];
const [fingering, untouched] = [randomUUID(), randomUUID()].map((id) => fingeringIdSchema.parse(id)) as [
  never,
  never,
];
const NOTE = '1:1:0:60:0';
const OLD_EDITS = [
  { kind: 'choose', note: NOTE, before: {}, after: { finger: 2, string: 5 } },
  { kind: 'mark', mark: `text@${NOTE}`, before: null, after: { kind: 'text', from: NOTE, text: 'sing' } },
  { kind: 'dismiss', finding: `wide-stretch@${NOTE}`, before: null, after: 'large hands' },
];
const OLD_SETUP = {
  hand: 'small',
  scaleLength: 630,
  left: 'campanella',
  right: 'strict-im',
  doubleThumb: true,
  keepOrder: false,
  tuning: ['E4', 'B3', 'G3', 'D3', 'A2', 'D2'],
};

let admin: pg.Client;
let pool: pg.Pool;
beforeAll(async () => {
  admin = new pg.Client({ connectionString: process.env.DATABASE_URL });
  await admin.connect();
  await admin.query(`create database ${name}`);
  pool = openPool(url);
  await pool.query(FIRST);
  await pool.query(
    'create table schema_migrations (name text primary key, applied_at timestamptz not null default now())',
  );
  await pool.query(`insert into schema_migrations (name) values ('0001_pieces.sql')`);
  await pool.query(`insert into teachers (id, name) values ($1, 'T')`, [teacher]);
  for (const id of [piece, plain])
    await pool.query(
      `insert into pieces (id, teacher_id, title, bars, notes, key_fifths) values ($1, $2, 'Old', 4, 16, 0)`,
      [id, teacher],
    );
  await pool.query(
    `insert into fingerings (id, teacher_id, piece_id, revision, setup) values ($1, $2, $3, $4, $5), ($6, $2, $7, 0, '{}')`,
    [fingering, teacher, piece, OLD_EDITS.length, JSON.stringify(OLD_SETUP), untouched, plain],
  );
  for (const [index, edit] of OLD_EDITS.entries())
    await pool.query(
      'insert into edits (fingering_id, teacher_id, revision, edit_id, edit) values ($1, $2, $3, $4, $5)',
      [fingering, teacher, index + 1, randomUUID(), JSON.stringify(edit)],
    );
});
afterAll(async () => {
  await pool.end();
  await admin.query(`drop database ${name} with (force)`);
  await admin.end();
});

it('a database of the first release opens as it was left, and goes on from there', async () => {
  await migrate(url);
  expect(await migrate(url)).toEqual([]);
  const edits = await listEdits(pool, teacher, fingering, 0);
  const opened = applyEdits(
    EMPTY_FINGERING,
    edits.map(({ edit }) => edit),
  );
  expect(opened.choices.get(NOTE as NoteId)).toEqual({ finger: 2, string: 5 });
  expect(opened.marks.get(`text@${NOTE}` as MarkId)).toMatchObject({ text: 'sing' });
  expect(opened.dismissed.get(`wide-stretch@${NOTE}` as FindingKey)).toBe('large hands');
  expect(opened.setup).toEqual(OLD_SETUP);
  expect(await findFingering(pool, teacher, piece)).toEqual({ id: fingering, revision: edits.length });
  expect(await listEdits(pool, teacher, untouched, 0)).toEqual([]);
  const more = {
    id: randomUUID(),
    edit: { kind: 'setup', before: { hand: 'small' }, after: { hand: null } } as const,
  };
  expect(await appendEdits(pool, teacher, fingering, edits.length, [more])).toMatchObject({ kind: 'saved' });
});
