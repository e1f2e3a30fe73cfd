import { LANGUAGES, NOTE_NAMES } from '@oculon/core';
import * as z from 'zod';
import type { Queryable } from '../database/database.ts';
import { teacherIdSchema, type TeacherId } from '../ids.ts';

/** An address as it is compared and kept. */
export const emailSchema = z
  .string()
  .trim()
  .toLowerCase()
  .max(254)
  .pipe(z.email({ error: 'This is no mail address.' }));
export type Email = z.infer<typeof emailSchema>;

const teacherSchema = z.object({
  id: teacherIdSchema,
  name: z.string(),
  email: z.string().nullable(),
  language: z.enum(LANGUAGES),
  noteNames: z.enum(NOTE_NAMES),
  deletionDueAt: z.date().nullable(),
});
export type Teacher = z.infer<typeof teacherSchema>;

/** How long an account that is to go can be kept after all, in days. */
export const DELETION_PAUSE = 14;

const COLUMNS = `id, name, email, language, note_names as "noteNames", deletion_due_at as "deletionDueAt"`;

export const findTeacher = async (client: Queryable, teacher: TeacherId): Promise<Teacher | undefined> => {
  const { rows } = await client.query(`select ${COLUMNS} from teachers where id = $1`, [teacher]);
  return teacherSchema.optional().parse(rows[0]);
};

const credentialsSchema = z.object({ id: teacherIdSchema, passwordHash: z.string().nullable() });
export type Credentials = z.infer<typeof credentialsSchema>;

/** Who signs in with an address; undefined for an unknown one. */
export const findCredentials = async (client: Queryable, email: Email): Promise<Credentials | undefined> => {
  const { rows } = await client.query(
    `select id, password_hash as "passwordHash" from teachers where email = $1`,
    [email],
  );
  return credentialsSchema.optional().parse(rows[0]);
};

export const credentialsOf = async (
  client: Queryable,
  teacher: TeacherId,
): Promise<Credentials | undefined> => {
  const { rows } = await client.query(
    `select id, password_hash as "passwordHash" from teachers where id = $1`,
    [teacher],
  );
  return credentialsSchema.optional().parse(rows[0]);
};

export interface NewTeacher {
  readonly name: string;
  readonly email: Email;
  readonly passwordHash: string;
}

/** Undefined when somebody has the address already. */
export const insertTeacher = async (
  client: Queryable,
  { name, email, passwordHash }: NewTeacher,
): Promise<TeacherId | undefined> => {
  const { rows } = await client.query(
    `insert into teachers (name, email, password_hash) values ($1, $2, $3)
     on conflict (email) do nothing returning id`,
    [name, email, passwordHash],
  );
  return teacherIdSchema.optional().parse(rows[0]?.id);
};

export const setPasswordHash = async (
  client: Queryable,
  teacher: TeacherId,
  passwordHash: string,
): Promise<void> => {
  await client.query(`update teachers set password_hash = $2 where id = $1`, [teacher, passwordHash]);
};

export const updateTeacher = async (
  client: Queryable,
  teacher: TeacherId,
  { name, language, noteNames }: Pick<Teacher, 'name' | 'language' | 'noteNames'>,
): Promise<void> => {
  await client.query(`update teachers set name = $2, language = $3, note_names = $4 where id = $1`, [
    teacher,
    name,
    language,
    noteNames,
  ]);
};

/** Lets an account go after the pause. */
export const requestDeletion = async (client: Queryable, teacher: TeacherId): Promise<void> => {
  await client.query(
    `update teachers set deletion_due_at = now() + make_interval(days => $2) where id = $1`,
    [teacher, DELETION_PAUSE],
  );
};

export const keepAccount = async (client: Queryable, teacher: TeacherId): Promise<void> => {
  await client.query(`update teachers set deletion_due_at = null where id = $1`, [teacher]);
};

/** Everybody, for the operator. */
export const listTeachers = async (
  client: Queryable,
): Promise<readonly (Teacher & { readonly pieces: number })[]> => {
  const { rows } = await client.query(
    `select ${COLUMNS}, (select count(*)::integer from pieces where teacher_id = teachers.id) as pieces
     from teachers order by name`,
  );
  return z.array(teacherSchema.extend({ pieces: z.int() })).parse(rows);
};

/** Deletes a teacher with everything that is theirs, at once. */
export const deleteTeacher = async (client: Queryable, teacher: TeacherId): Promise<boolean> => {
  const { rowCount } = await client.query(`delete from teachers where id = $1`, [teacher]);
  return rowCount === 1;
};
