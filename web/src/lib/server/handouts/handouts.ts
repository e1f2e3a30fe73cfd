import type pg from 'pg';
import * as z from 'zod';
import type { HandoutContent, OpenedHandout } from '../../handouts/handout.ts';
import type { HandoutRequest } from '../../handouts/handout-request.ts';
import { lessonSchema } from '../../lesson/lesson.ts';
import type { Queryable } from '../database/database.ts';
import {
  handoutIdSchema,
  teacherIdSchema,
  type FingeringId,
  type HandoutId,
  type StudentId,
  type TeacherId,
} from '../ids.ts';
import { hashOfToken, newToken } from '../teachers/tokens.ts';

/** A page that was given, as its teacher sees it. */
const givenSchema = z.object({
  id: handoutIdSchema,
  recipient: z.string(),
  density: z.string(),
  revision: z.int(),
  createdAt: z.date(),
  endsAt: z.date(),
  revokedAt: z.date().nullable(),
  seenAt: z.date().nullable(),
  questions: z.int(),
});
export type GivenHandout = z.infer<typeof givenSchema>;

/** The pages given of a version, the latest first. */
export const listHandouts = async (
  client: Queryable,
  teacher: TeacherId,
  fingering: FingeringId,
): Promise<GivenHandout[]> => {
  const { rows } = await client.query(
    `select id, recipient, lesson->>'density' as density, revision, created_at as "createdAt", ends_at as "endsAt",
       revoked_at as "revokedAt", seen_at as "seenAt",
       (select count(*)::integer from questions where teacher_id = handouts.teacher_id and handout_id = handouts.id) as questions
     from handouts where teacher_id = $1 and fingering_id = $2 order by created_at desc`,
    [teacher, fingering],
  );
  return z.array(givenSchema).parse(rows);
};

/** Keeps a page and gives the secret that opens it: it is not kept. */
export const insertHandout = async (
  client: Queryable,
  teacher: TeacherId,
  fingering: FingeringId,
  student: StudentId | null,
  revision: number,
  { lesson, recipient, remarks, days }: HandoutRequest,
  content: HandoutContent,
): Promise<string> => {
  const { token, hash } = newToken();
  await client.query(
    `insert into handouts (teacher_id, fingering_id, student_id, token_hash, recipient, remarks, revision, lesson, content, ends_at)
     values ($1, $2, $3, $4, $5, $6, $7, $8, $9, now() + make_interval(days => $10))`,
    [
      teacher,
      fingering,
      student,
      hash,
      recipient,
      remarks,
      revision,
      JSON.stringify(lesson),
      JSON.stringify(content),
      days,
    ],
  );
  return token;
};

/** Lets a link open nothing any more; false when the teacher has no such page. */
export const revokeHandout = async (
  client: Queryable,
  teacher: TeacherId,
  handout: HandoutId,
): Promise<boolean> => {
  const { rowCount } = await client.query(
    `update handouts set revoked_at = coalesce(revoked_at, now()) where teacher_id = $1 and id = $2`,
    [teacher, handout],
  );
  return rowCount === 1;
};

const openedSchema = z.object({
  content: z.custom<HandoutContent>((value) => typeof value === 'object' && value !== null),
  lesson: lessonSchema,
  recipient: z.string(),
  remarks: z.string(),
  teacher: z.string(),
  givenAt: z.date().transform((date) => date.toISOString()),
  endsAt: z.date().transform((date) => date.toISOString()),
});

/** What makes a link open something, whoever asks. */
const OPENS = `handouts.token_hash = $1 and teachers.id = handouts.teacher_id and handouts.revoked_at is null
  and handouts.ends_at > now() and teachers.deletion_due_at is null`;

/** The page of a link that still opens one; it is noted that it was seen. */
export const openHandout = async (pool: pg.Pool, token: string): Promise<OpenedHandout | undefined> => {
  const { rows } = await pool.query(
    `update handouts set seen_at = now() from teachers where ${OPENS}
     returning content, lesson, recipient, remarks, teachers.name as teacher, handouts.created_at as "givenAt",
       ends_at as "endsAt"`,
    [hashOfToken(token)],
  );
  return openedSchema.optional().parse(rows[0]);
};

const askedOfSchema = z.object({ id: handoutIdSchema, teacherId: teacherIdSchema, bars: z.int() });

/** Whom a question from a link goes to, and about how many bars it may be. */
export const handoutAskedOf = async (
  pool: pg.Pool,
  token: string,
): Promise<z.infer<typeof askedOfSchema> | undefined> => {
  const { rows } = await pool.query(
    `select handouts.id, handouts.teacher_id as "teacherId", jsonb_array_length(content->'score'->'bars') as bars
     from handouts, teachers where ${OPENS}`,
    [hashOfToken(token)],
  );
  return askedOfSchema.optional().parse(rows[0]);
};
