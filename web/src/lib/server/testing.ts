import { randomUUID } from 'node:crypto';
import type pg from 'pg';
import { hashPassword } from './teachers/passwords.ts';
import { emailSchema, insertTeacher, type Email } from './teachers/teachers.ts';
import { openPool } from './database/database.ts';
import { insertFingering } from './fingerings/fingerings.ts';
import { listVersions } from './fingerings/versions.ts';
import { teacherIdSchema, type FingeringId, type PieceId, type TeacherId } from './ids.ts';
import { insertPiece } from './pieces/pieces.ts';

/** A pool on the test database; the test command creates and migrates it. */
export const testPool = (): pg.Pool => {
  if (!process.env.DATABASE_URL) throw new Error('DATABASE_URL is not set; run npm test.');
  return openPool(process.env.DATABASE_URL);
};

export const newTeacher = async (pool: pg.Pool): Promise<TeacherId> => {
  const { rows } = await pool.query(`insert into teachers (name) values ('Test teacher') returning id`);
  return teacherIdSchema.parse(rows[0].id);
};

export const newPiece = async (
  pool: pg.Pool,
  teacher: TeacherId,
): Promise<{ piece: PieceId; fingering: FingeringId }> => {
  const piece = await insertPiece(pool, teacher, {
    title: 'Étude',
    composer: 'Nobody',
    bars: 4,
    notes: 16,
    keyFifths: 0,
    keyMode: null,
    fileName: 'etude.musicxml',
    partId: 'P1',
    content: new Uint8Array([1, 2, 3]),
    repairs: [{ code: 'bar-not-full', message: 'Bar 2 …' }],
  });
  return { piece, fingering: await insertFingering(pool, teacher, piece) };
};

/** The first version of a piece, as far as it tells where the log stands. */
export const findFingering = async (
  pool: pg.Pool,
  teacher: TeacherId,
  piece: PieceId,
): Promise<{ readonly id: FingeringId; readonly revision: number } | undefined> => {
  const version = (await listVersions(pool, teacher, piece)).at(-1);
  return version && { id: version.id, revision: version.revision };
};

export interface TestAccount {
  readonly teacher: TeacherId;
  readonly email: Email;
  readonly password: string;
}

/** A teacher who can sign in. */
export const newAccount = async (pool: pg.Pool): Promise<TestAccount> => {
  const email = emailSchema.parse(`teacher-${randomUUID()}@oculon.example`);
  const password = 'low meadow dance';
  const passwordHash = await hashPassword(password);
  const teacher = await insertTeacher(pool, { name: 'Test teacher', email, passwordHash });
  if (!teacher) throw new Error('the address is taken');
  return { teacher, email, password };
};
