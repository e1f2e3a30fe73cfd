import { logEntrySchema } from '@oculon/core';
import * as z from 'zod';
import type { LoggedEntry } from '../../practice/course-content.ts';
import type { SentEntry } from '../../practice/sent-entries.ts';
import type { Queryable } from '../database/database.ts';
import type { CourseId, TeacherId } from '../ids.ts';

/** Entries that a course takes in an hour from its link, and altogether: more is no practice. Our own values. */
export const MOST_ENTRIES = { hour: 500, all: 50_000 } as const;

/** Who writes: a student by their link, or the teacher. */
export type Writer = 'student' | 'teacher';

/**
 * Keeps entries in the order in which they come; one that is there already is not kept again. A correction names the entry
 * it corrects, and is kept beside it. False when the course has too many: then none is kept.
 */
export const keepEntries = async (
  client: Queryable,
  teacher: TeacherId,
  course: CourseId,
  entries: readonly SentEntry[],
  writer: Writer,
): Promise<boolean> => {
  const { rows } = await client.query(
    `select count(*)::integer as "all", (count(*) filter (where logged_at > now() - interval '1 hour'))::integer as hour
     from log_entries where teacher_id = $1 and course_id = $2`,
    [teacher, course],
  );
  const { all, hour } = rows[0];
  if (all + entries.length > MOST_ENTRIES.all) return false;
  if (writer === 'student' && hour + entries.length > MOST_ENTRIES.hour) return false;
  for (const { corrects, withdrawn, ...entry } of entries)
    await client.query(
      `insert into log_entries (teacher_id, course_id, id, practised_on, entry, corrects, withdrawn, by_teacher)
       select $1, $2, $3, $4, $5, first.id, $7 and first.id is not null, $8
       from (select 1) as always
       left join lateral (
         select coalesce(corrects, id) as id from log_entries where teacher_id = $1 and course_id = $2 and id = $6
       ) as first on true
       where $6::uuid is null or first.id is not null
       on conflict on constraint log_entries_pkey do nothing`,
      [
        teacher,
        course,
        entry.id,
        entry.day,
        JSON.stringify(entry),
        corrects,
        withdrawn,
        writer === 'teacher',
      ],
    );
  return true;
};

const rowSchema = z
  .object({ id: z.uuid(), entry: logEntrySchema, byTeacher: z.boolean(), isCorrected: z.boolean() })
  .transform(({ id, entry, byTeacher, isCorrected }): LoggedEntry => ({
    ...entry,
    id,
    byTeacher,
    isCorrected,
  }));

/**
 * The log as it stands: every entry under the id of its first writing, as it was written last; what was withdrawn is left
 * out. In the order of the days, and within a day as it came.
 */
export const listEntries = async (
  client: Queryable,
  teacher: TeacherId,
  course: CourseId,
): Promise<readonly LoggedEntry[]> => {
  const { rows } = await client.query(
    `select first.id, coalesce(latest.entry, first.entry) as entry,
       coalesce(latest.by_teacher, first.by_teacher) as "byTeacher", latest.id is not null as "isCorrected"
     from log_entries as first
     left join (
       select distinct on (corrects) corrects, id, entry, by_teacher, withdrawn, practised_on from log_entries
       where teacher_id = $1 and course_id = $2 and corrects is not null order by corrects, sequence desc
     ) as latest on latest.corrects = first.id
     where first.teacher_id = $1 and first.course_id = $2 and first.corrects is null and latest.withdrawn is not true
     order by coalesce(latest.practised_on, first.practised_on), first.sequence`,
    [teacher, course],
  );
  return rows.map((row) => rowSchema.parse(row));
};

const writingSchema = z.object({
  entry: logEntrySchema,
  withdrawn: z.boolean(),
  byTeacher: z.boolean(),
  loggedAt: z.date(),
});
/** One of the writings of an entry. */
export type Writing = z.infer<typeof writingSchema>;

/** Every writing of an entry, the first one first. */
export const listWritings = async (
  client: Queryable,
  teacher: TeacherId,
  course: CourseId,
  entry: string,
): Promise<Writing[]> => {
  const { rows } = await client.query(
    `select entry, withdrawn, by_teacher as "byTeacher", logged_at as "loggedAt" from log_entries
     where teacher_id = $1 and course_id = $2 and (id = $3 or corrects = $3) order by sequence`,
    [teacher, course, entry],
  );
  return z.array(writingSchema).parse(rows);
};
