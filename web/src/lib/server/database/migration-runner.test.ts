import { copyFileSync, mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { applyEdits, EMPTY_FINGERING, type MarkId, type NoteId } from '@oculon/core';
import pg from 'pg';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { migrate } from '../../../../database/migrate.mjs';
import { listEdits } from '../fingerings/fingerings.ts';
import { latestVersion, listVersions } from '../fingerings/versions.ts';
import { fingeringIdSchema, pieceIdSchema, teacherIdSchema } from '../ids.ts';
import { asTeacher, openPool } from './database.ts';

const OURS = fileURLToPath(new URL('../../../../database/migrations', import.meta.url));
const base = process.env.DATABASE_URL!;
let admin: pg.Client;
let count = 0;
const made: string[] = [];
beforeAll(async () => {
  admin = new pg.Client({ connectionString: base });
  await admin.connect();
});
afterAll(async () => {
  for (const name of made) await admin.query(`drop database if exists ${name} with (force)`);
  await admin.end();
});

const freshDatabase = async (): Promise<string> => {
  const name = `oculon_runner_${Date.now()}_${(count += 1)}`;
  await admin.query(`create database ${name}`);
  made.push(name);
  return Object.assign(new URL(base), { pathname: `/${name}` }).toString();
};
/** A folder with some of our migrations, to be changed. */
const folderOf = (names: readonly string[]): string => {
  const folder = mkdtempSync(join(tmpdir(), 'migrations-'));
  for (const name of names) copyFileSync(join(OURS, name), join(folder, name));
  return folder;
};
const ALL = readdirSync(OURS).sort();

describe('migrations', () => {
  it('are applied once, in order, whoever comes at the same time', async () => {
    const url = await freshDatabase();
    const applied = await Promise.all([migrate(url), migrate(url), migrate(url)]);
    expect(applied.flat().sort()).toEqual(ALL);
    expect(await migrate(url)).toEqual([]);
  });

  it('that were changed, are missing or come from a newer program stop the start', async () => {
    const url = await freshDatabase();
    await migrate(url);
    const changed = folderOf(ALL);
    writeFileSync(join(changed, ALL[1]!), 'select 1;');
    await expect(migrate(url, changed)).rejects.toThrow(
      /0002.* was changed after the database had taken it\. Put the file back/,
    );
    await expect(migrate(url, folderOf(ALL.slice(0, -1)))).rejects.toThrow(/does not know.*newer one/);
    const gap = folderOf(ALL);
    rmSync(join(gap, ALL[0]!));
    await expect(migrate(url, gap)).rejects.toThrow(/numbered 0001, 0002/);
  });

  it('that fail leave the database as it was', async () => {
    const url = await freshDatabase();
    const broken = folderOf(ALL.slice(0, 1));
    writeFileSync(join(broken, '0002_broken.sql'), 'create table half (id integer); select nonsense;');
    await expect(migrate(url, broken)).rejects.toThrow(/0002_broken.sql failed/);
    const client = new pg.Client({ connectionString: url });
    await client.connect();
    expect((await client.query(`select to_regclass('half') as half`)).rows[0].half).toBeNull();
    await client.end();
  });
});

// The last release before accounts: its log holds the setup, with weights called in words.
it('a database of the release before goes on: edits, marks, setups, and one teacher who is let in', async () => {
  const url = await freshDatabase();
  await migrate(url, folderOf(ALL.slice(0, 2))).catch((error: Error) => {
    // What comes after the migrations names tables of later ones.
    if (!/relation ".*" does not exist/.test(error.message)) throw error;
  });
  const pool = openPool(url);
  const teacher = teacherIdSchema.parse('6b1f0c52-6f0e-4a0e-9d55-0c0a0d3f5a01');
  await pool.query(`insert into teachers (id, name) values ($1, 'Old')`, [teacher]);
  const {
    rows: [{ id }],
  } = await pool.query(
    `insert into pieces (teacher_id, title, bars, notes, key_fifths) values ($1, 'P', 4, 16, 0) returning id`,
    [teacher],
  );
  const piece = pieceIdSchema.parse(id);
  const { rows } = await pool.query(
    `insert into fingerings (teacher_id, piece_id, revision) values ($1, $2, 3) returning id`,
    [teacher, piece],
  );
  const fingering = fingeringIdSchema.parse(rows[0].id);
  const edits = [
    { kind: 'choose', note: 'n', before: {}, after: { finger: 2 } },
    { kind: 'mark', mark: 'text@n', before: null, after: { kind: 'text', from: 'n', text: 'sing' } },
    {
      kind: 'setup',
      before: { weights: null, hand: null },
      after: { weights: { 'fourth finger': 2, shifts: 0.5, 'hopping fingers': 4 }, hand: 'small' },
    },
  ];
  for (const [index, edit] of edits.entries())
    await pool.query(
      `insert into edits (fingering_id, teacher_id, revision, edit_id, edit, format) values ($1, $2, $3, gen_random_uuid(), $4, 2)`,
      [fingering, teacher, index + 1, JSON.stringify(edit)],
    );

  expect(await migrate(url)).toEqual(ALL.slice(2));
  const [log, versions, latest] = await asTeacher(pool, teacher, async (client) => [
    await listEdits(client, teacher, fingering, 0),
    await listVersions(client, teacher, piece),
    await latestVersion(client, teacher, piece),
  ]);
  const state = applyEdits(
    EMPTY_FINGERING,
    log.map(({ edit }) => edit),
  );
  expect(state.choices.get('n' as NoteId)).toEqual({ finger: 2 });
  expect(state.marks.get('text@n' as MarkId)).toMatchObject({ text: 'sing' });
  expect(state.setup).toEqual({ hand: 'small', weights: { 'fourth-finger': 2, shifts: 0.5, hops: 4 } });
  expect(versions).toMatchObject([{ name: 'First fingering', revision: 3, originId: null }]);
  expect(latest).toBe(fingering);
  await pool.end();
});
