import type { Queryable } from '../database/database.ts';
import type { TeacherId } from '../ids.ts';
import { grouped, timed } from './rows.ts';

/** What a teacher's students practise, with their logs and the notes of their lessons, in a stable order. */
export const collectCourses = async (client: Queryable, teacher: TeacherId) => {
  const rowsOf = async (sql: string) => (await client.query(sql, [teacher])).rows;
  const courses = await rowsOf(
    `select id, student_id as "studentId", ${timed('created_at')} as "createdAt"
     from courses where teacher_id = $1 order by created_at, id`,
  );
  const goals = await rowsOf(
    `select course_id as "courseId", id, fingering_id as "versionId", state, until::text, tempo::float8 as tempo,
       revision, practised, sheets::text as music, wishes, ${timed('created_at')} as "createdAt",
       ${timed('cut_at')} as "cutAt", ${timed('removed_at')} as "removedAt"
     from course_goals where teacher_id = $1 order by created_at, id`,
  );
  const log = await rowsOf(
    `select course_id as "courseId", id, entry, corrects, withdrawn, by_teacher as "byTeacher",
       ${timed('logged_at')} as "loggedAt"
     from log_entries where teacher_id = $1 order by course_id, sequence`,
  );
  const notes = await rowsOf(
    `select student_id as "studentId", goal_id as "goalId", bar, body, ${timed('made_at')} as "madeAt",
       ${timed('done_at')} as "doneAt"
     from lesson_notes where teacher_id = $1 order by made_at, id`,
  );
  const sheets = new Map<string, Uint8Array>();
  const withFiles = goals.map(({ music, ...goal }, index) => {
    const file = `sheets/${String(index + 1).padStart(4, '0')}`;
    sheets.set(file, new TextEncoder().encode(music));
    return { ...goal, sheets: file };
  });
  const [goalsOf, logOf] = [grouped(withFiles, 'courseId'), grouped(log, 'courseId')];
  return {
    courses: courses.map((course) => ({
      ...course,
      goals: goalsOf.get(course.id) ?? [],
      log: logOf.get(course.id) ?? [],
    })),
    notes,
    sheets,
  };
};
