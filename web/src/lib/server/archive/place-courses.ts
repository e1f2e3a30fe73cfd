import type { LogEntry } from '@oculon/core';
import type { Queryable } from '../database/database.ts';
import type { TeacherId } from '../ids.ts';
import type { Collected } from './collect.ts';

type Course = Collected['archive']['courses'][number];
type Rename = (id: string) => string;

/** Puts courses, their logs and notes into an account whose students and versions are there already, under new ids. */
export const placeCourses = async (
  client: Queryable,
  teacher: TeacherId,
  { archive, files }: Collected,
  idOf: Rename,
): Promise<void> => {
  const versions = new Set(archive.pieces.flatMap((piece) => piece.versions.map(({ id }) => id)));
  const orNull = (id: string | null): string | null => (id === null ? null : idOf(id));
  for (const course of archive.courses) {
    await client.query(
      `insert into courses (teacher_id, id, student_id, created_at) values ($1, $2, $3, $4)`,
      [teacher, idOf(course.id), idOf(course.studentId), course.createdAt],
    );
    for (const { versionId, ...goal } of course.goals)
      await client.query(
        `insert into course_goals (teacher_id, course_id, id, fingering_id, state, until, tempo, revision, practised,
           sheets, wishes, created_at, cut_at, removed_at)
         values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12, $13, $14)`,
        [
          teacher,
          idOf(course.id),
          idOf(goal.id),
          versionId !== null && versions.has(versionId) ? idOf(versionId) : null,
          goal.state,
          goal.until,
          goal.tempo,
          goal.revision,
          JSON.stringify(goal.practised),
          new TextDecoder().decode(files.get(goal.sheets)),
          JSON.stringify(goal.wishes),
          goal.createdAt,
          goal.cutAt,
          goal.removedAt,
        ],
      );
    await placeLog(client, teacher, course, idOf);
  }
  for (const { studentId, goalId, bar, body, madeAt, doneAt } of archive.notes)
    await client.query(
      `insert into lesson_notes (teacher_id, student_id, goal_id, bar, body, made_at, done_at)
       values ($1, $2, $3, $4, $5, $6, $7)`,
      [teacher, idOf(studentId), orNull(goalId), bar, body, madeAt, doneAt],
    );
};

/** The goal that an entry names has a new id as well. */
const renamed = (entry: LogEntry, idOf: Rename): LogEntry =>
  entry.work.kind === 'warm-up' ? entry : { ...entry, work: { ...entry.work, goal: idOf(entry.work.goal) } };

const placeLog = async (
  client: Queryable,
  teacher: TeacherId,
  { id, log }: Course,
  idOf: Rename,
): Promise<void> => {
  const rows = log.map(({ entry, ...row }) => ({ ...row, entry: renamed(entry, idOf) }));
  // In order, one after the other: corrections come after what they correct.
  await client.query(
    `insert into log_entries (teacher_id, course_id, id, practised_on, entry, corrects, withdrawn, by_teacher, logged_at)
     select $1, $2, (row ->> 'id')::uuid, (row -> 'entry' ->> 'day')::date, row -> 'entry',
       (row ->> 'corrects')::uuid, (row ->> 'withdrawn')::boolean, (row ->> 'byTeacher')::boolean,
       (row ->> 'loggedAt')::timestamptz
     from jsonb_array_elements($3::jsonb) with ordinality as kept (row, place) order by place`,
    [teacher, idOf(id), JSON.stringify(rows)],
  );
};
