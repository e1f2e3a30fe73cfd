import type pg from 'pg';
import * as z from 'zod';
import type { HandoutContent, OpenedHandout, PageChange } from '../../handouts/handout.ts';
import type { HandoutRequest, RenewalRequest } from '../../handouts/handout-request.ts';
import { lessonSchema } from '../../lesson/lesson.ts';
import type { Queryable } from '../database/database.ts';
import {
  fingeringIdSchema,
  handoutIdSchema,
  studentIdSchema,
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
  /** The version it is of, where that is not the one that was asked about. */
  version: z.string().nullable(),
  ownHand: z.boolean(),
  createdAt: z.date(),
  /** When what it shows was given. */
  givenAt: z.date(),
  endsAt: z.date(),
  revokedAt: z.date().nullable(),
  seenAt: z.date().nullable(),
  /** Editions before the one it shows, with the days on which they were given. */
  editions: z.array(z.coerce.date()),
  questions: z.int(),
  /** What has changed since it was given: a note of the piece was corrected, or something was decided. */
  changed: z.enum(['piece', 'version']).nullable(),
});
export type GivenHandout = z.infer<typeof givenSchema>;

/** The pages given of the piece of a version, the latest first. */
export const listHandouts = async (
  client: Queryable,
  teacher: TeacherId,
  fingering: FingeringId,
): Promise<GivenHandout[]> => {
  const { rows } = await client.query(
    `select handout.id, recipient, lesson->>'density' as density,
       case when version.id <> $2 then version.name end as version, own_hand as "ownHand",
       handout.created_at as "createdAt", given_at as "givenAt", ends_at as "endsAt",
       revoked_at as "revokedAt", seen_at as "seenAt",
       array(select given_at::text from handout_editions
             where teacher_id = handout.teacher_id and handout_id = handout.id order by edition) as editions,
       (select count(*)::integer from questions where teacher_id = handout.teacher_id and handout_id = handout.id) as questions,
       case
         when exists (select from earlier_sources as source where source.teacher_id = handout.teacher_id
                      and source.piece_id = version.piece_id and source.replaced_at > handout.given_at) then 'piece'
         when version.revision > handout.revision then 'version'
       end as changed
     from handouts as handout
     join fingerings as version on version.teacher_id = handout.teacher_id and version.id = handout.fingering_id
     where handout.teacher_id = $1
       and version.piece_id = (select piece_id from fingerings where teacher_id = $1 and id = $2)
     order by handout.created_at desc`,
    [teacher, fingering],
  );
  return z.array(givenSchema).parse(rows);
};

/** A page to be kept: of which version, for whom, and what it shows. */
export interface NewHandout {
  readonly fingering: FingeringId;
  readonly student: StudentId | null;
  readonly revision: number;
  readonly ownHand: boolean;
  readonly request: HandoutRequest;
  readonly content: HandoutContent;
}

/** Keeps a page and gives the secret that opens it: it is not kept. */
export const insertHandout = async (
  client: Queryable,
  teacher: TeacherId,
  { fingering, student, revision, ownHand, request, content }: NewHandout,
): Promise<string> => {
  const { token, hash } = newToken();
  await client.query(
    `insert into handouts (teacher_id, fingering_id, student_id, token_hash, recipient, remarks, revision, lesson,
       content, ends_at, own_hand)
     values ($1, $2, $3, $4, $5, $6, $7, $8, $9, now() + make_interval(days => $10), $11)`,
    [
      teacher,
      fingering,
      student,
      hash,
      request.recipient,
      request.remarks,
      revision,
      JSON.stringify(request.lesson),
      JSON.stringify(content),
      request.days,
      ownHand,
    ],
  );
  return token;
};

const contentSchema = z.custom<HandoutContent>((value) => typeof value === 'object' && value !== null);
const givenPageSchema = z.object({
  fingering: fingeringIdSchema,
  student: studentIdSchema.nullable(),
  ownHand: z.boolean(),
  lesson: lessonSchema,
  content: contentSchema,
});

/** A page that its link still opens, and of what it is; undefined when the teacher has none such. */
export const findGiven = async (
  client: Queryable,
  teacher: TeacherId,
  handout: HandoutId,
): Promise<z.infer<typeof givenPageSchema> | undefined> => {
  const { rows } = await client.query(
    `select fingering_id as "fingering", student_id as "student", own_hand as "ownHand", lesson, content from handouts
     where teacher_id = $1 and id = $2 and revoked_at is null and ends_at > now()`,
    [teacher, handout],
  );
  return givenPageSchema.optional().parse(rows[0]);
};

/** What a link is to show instead of what it showed. */
export interface Renewal {
  readonly fingering: FingeringId;
  readonly revision: number;
  readonly request: RenewalRequest;
  readonly content: HandoutContent;
  readonly changes: readonly PageChange[];
}

/**
 * Gives a newer edition under the same link and keeps the one before; its remarks stay where none are written. False when the link opens nothing any more.
 */
export const renewHandout = async (
  client: Queryable,
  teacher: TeacherId,
  handout: HandoutId,
  { fingering, revision, request, content, changes }: Renewal,
): Promise<boolean> => {
  const { rowCount } = await client.query(
    `with before as (
       select * from handouts
       where teacher_id = $1 and id = $2 and revoked_at is null and ends_at > now() for update
     ), kept as (
       insert into handout_editions (teacher_id, handout_id, edition, revision, lesson, remarks, content, changes, given_at)
       select teacher_id, id,
         1 + (select count(*) from handout_editions where teacher_id = $1 and handout_id = $2),
         revision, lesson, remarks, content, changes, given_at
       from before
     )
     update handouts set fingering_id = $3, revision = $4, lesson = $5, remarks = coalesce(nullif($6, ''), handouts.remarks), content = $7, changes = $8,
       given_at = now()
     from before where handouts.teacher_id = $1 and handouts.id = before.id`,
    [
      teacher,
      handout,
      fingering,
      revision,
      JSON.stringify(request.lesson),
      request.remarks,
      JSON.stringify(content),
      JSON.stringify(changes),
    ],
  );
  return rowCount === 1;
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
  content: contentSchema,
  hasSounds: z.boolean(),
  lesson: lessonSchema,
  recipient: z.string(),
  remarks: z.string(),
  teacher: z.string(),
  givenAt: z.date().transform((date) => date.toISOString()),
  changes: z.custom<readonly PageChange[]>((value) => Array.isArray(value)),
  endsAt: z.date().transform((date) => date.toISOString()),
});

/** What makes a link open something, whoever asks. */
const OPENS = `handouts.token_hash = $1 and teachers.id = handouts.teacher_id and handouts.revoked_at is null
  and handouts.ends_at > now() and teachers.deletion_due_at is null`;

/** The page of a link that still opens one; it is noted that it was seen. */
export const openHandout = async (pool: pg.Pool, token: string): Promise<OpenedHandout | undefined> => {
  const { rows } = await pool.query(
    `update handouts set seen_at = now() from teachers where ${OPENS}
     returning content - 'sounds' as content, content ? 'sounds' as "hasSounds", lesson, recipient, remarks, teachers.name as teacher, given_at as "givenAt", changes,
       ends_at as "endsAt"`,
    [hashOfToken(token)],
  );
  return openedSchema.optional().parse(rows[0]);
};

/** What is heard of an edition of a page. */
interface HandoutSounds {
  /** Nothing of a page that was given before there was sound. */
  readonly sounds: HandoutContent['sounds'] | null;
  readonly givenAt: Date;
}

/** What is heard of the page of a link that still opens one. */
export const soundsOfHandout = async (pool: pg.Pool, token: string): Promise<HandoutSounds | undefined> => {
  const { rows } = await pool.query<HandoutSounds>(
    `select content->'sounds' as sounds, given_at as "givenAt" from handouts, teachers where ${OPENS}`,
    [hashOfToken(token)],
  );
  return rows[0];
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
