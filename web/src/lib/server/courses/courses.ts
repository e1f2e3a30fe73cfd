import { LANGUAGES, NOTE_NAMES } from '@oculon/core';
import type pg from 'pg';
import * as z from 'zod';
import type { CourseView } from '../../practice/course-content.ts';
import type { Queryable } from '../database/database.ts';
import { courseIdSchema, teacherIdSchema, type CourseId, type StudentId, type TeacherId } from '../ids.ts';
import { hashOfToken, newToken } from '../teachers/tokens.ts';
import { listGoals } from './goals.ts';

const courseSchema = z.object({
  id: courseIdSchema,
  student: z.string(),
  language: z.enum(LANGUAGES),
  noteNames: z.enum(NOTE_NAMES),
  minutes: z.int(),
  weekdays: z.array(z.int()),
  linkGivenAt: z.date().nullable(),
  seenAt: z.date().nullable(),
});
type CourseRow = z.infer<typeof courseSchema>;

const COLUMNS = `course.id, student.name as student, student.language, student.note_names as "noteNames",
  student.minutes_a_day as minutes, student.days as weekdays, course.link_given_at as "linkGivenAt",
  course.seen_at as "seenAt"`;

/** A course as its teacher sees it. */
export interface TaughtCourse {
  readonly id: CourseId;
  readonly view: CourseView;
  readonly linkGivenAt: Date | null;
  readonly seenAt: Date | null;
}

const withGoals = async (client: Queryable, teacher: TeacherId, row: CourseRow): Promise<TaughtCourse> => {
  const { id, linkGivenAt, seenAt, ...about } = row;
  return { id, linkGivenAt, seenAt, view: { ...about, goals: await listGoals(client, teacher, id) } };
};

/** The course of a student; one is begun with the first that is asked for. Undefined when there is no such student. */
export const courseOf = async (
  client: Queryable,
  teacher: TeacherId,
  student: StudentId,
): Promise<TaughtCourse | undefined> => {
  const found = (await findCourse(client, teacher, student)) ?? (await beginCourse(client, teacher, student));
  return found && withGoals(client, teacher, found);
};

const findCourse = async (
  client: Queryable,
  teacher: TeacherId,
  student: StudentId,
): Promise<CourseRow | undefined> => {
  const { rows } = await client.query(
    `select ${COLUMNS} from courses as course
     join students as student on student.teacher_id = course.teacher_id and student.id = course.student_id
     where course.teacher_id = $1 and course.student_id = $2`,
    [teacher, student],
  );
  return courseSchema.optional().parse(rows[0]);
};

/** Begins a course; somebody else may have been quicker. */
const beginCourse = async (
  client: Queryable,
  teacher: TeacherId,
  student: StudentId,
): Promise<CourseRow | undefined> => {
  await client.query(
    `insert into courses (teacher_id, student_id) select teacher_id, id from students where teacher_id = $1 and id = $2
     on conflict on constraint courses_one_a_student do nothing`,
    [teacher, student],
  );
  return findCourse(client, teacher, student);
};

/** Gives a new link to a course, and gives its secret: it is not kept. A link of before opens nothing any more. */
export const giveCourseLink = async (
  client: Queryable,
  teacher: TeacherId,
  course: CourseId,
): Promise<string | undefined> => {
  const { token, hash } = newToken();
  const { rowCount } = await client.query(
    `update courses set token_hash = $3, link_given_at = now(), seen_at = null where teacher_id = $1 and id = $2`,
    [teacher, course, hash],
  );
  return rowCount === 1 ? token : undefined;
};

/** Lets the link of a course open nothing any more. */
export const revokeCourseLink = async (
  client: Queryable,
  teacher: TeacherId,
  course: CourseId,
): Promise<boolean> => {
  const { rowCount } = await client.query(
    `update courses set token_hash = null, link_given_at = null, seen_at = null where teacher_id = $1 and id = $2`,
    [teacher, course],
  );
  return rowCount === 1;
};

const linkedSchema = courseSchema.extend({ teacherId: teacherIdSchema, teacher: z.string() });

/** What makes a link open a course, whoever asks. */
const OPENS = `course.token_hash = $1 and teachers.id = course.teacher_id and teachers.deletion_due_at is null
  and student.teacher_id = course.teacher_id and student.id = course.student_id`;

/** A course as its link opens it. */
export interface LinkedCourse {
  readonly id: CourseId;
  readonly teacherId: TeacherId;
  readonly teacher: string;
  readonly view: CourseView;
}

/** The course that a link opens; it is noted that it was seen. */
export const openCourse = async (pool: pg.Pool, token: string): Promise<LinkedCourse | undefined> => {
  const { rows } = await pool.query(
    `update courses as course set seen_at = now() from teachers, students as student where ${OPENS}
     returning ${COLUMNS}, course.teacher_id as "teacherId", teachers.name as teacher`,
    [hashOfToken(token)],
  );
  const row = linkedSchema.optional().parse(rows[0]);
  if (!row) return undefined;
  const { teacherId, teacher, ...course } = row;
  const { id, view } = await withGoals(pool, teacherId, course);
  return { id, teacherId, teacher, view };
};

const ownerSchema = z.object({ id: courseIdSchema, teacherId: teacherIdSchema });

/** Whose course a link opens, for what is logged or fetched by it. */
export const courseBehind = async (
  pool: pg.Pool,
  token: string,
): Promise<z.infer<typeof ownerSchema> | undefined> => {
  const { rows } = await pool.query(
    `select course.id, course.teacher_id as "teacherId" from courses as course, teachers, students as student
     where ${OPENS}`,
    [hashOfToken(token)],
  );
  return ownerSchema.optional().parse(rows[0]);
};
