import { humanText } from '@oculon/core';
import * as z from 'zod';
import type { Queryable } from '../database/database.ts';
import {
  goalIdSchema,
  lessonNoteIdSchema,
  type GoalId,
  type LessonNoteId,
  type StudentId,
  type TeacherId,
} from '../ids.ts';

export const noteTextSchema = humanText(1, 1000);

const noteSchema = z.object({
  id: lessonNoteIdSchema,
  goalId: goalIdSchema.nullable(),
  /** Counted from 0. */
  bar: z.int().nullable(),
  body: z.string(),
  madeAt: z.date(),
  doneAt: z.date().nullable(),
});
export type LessonNote = z.infer<typeof noteSchema>;

/** Notes of a student's lessons, what is open first and the latest of it before. */
export const listNotes = async (
  client: Queryable,
  teacher: TeacherId,
  student: StudentId,
): Promise<LessonNote[]> => {
  const { rows } = await client.query(
    `select id, goal_id as "goalId", bar, body, made_at as "madeAt", done_at as "doneAt" from lesson_notes
     where teacher_id = $1 and student_id = $2 order by done_at nulls first, made_at desc limit 200`,
    [teacher, student],
  );
  return z.array(noteSchema).parse(rows);
};

export interface NewNote {
  readonly student: StudentId;
  readonly goal: GoalId | null;
  readonly bar: number | null;
  readonly body: string;
}

/** Keeps a note; false when the teacher has no such student or goal. */
export const insertNote = async (
  client: Queryable,
  teacher: TeacherId,
  { student, goal, bar, body }: NewNote,
): Promise<boolean> => {
  const { rowCount } = await client.query(
    `insert into lesson_notes (teacher_id, student_id, goal_id, bar, body)
     select $1, student.id, $3, $4, $5 from students as student
     where teacher_id = $1 and id = $2 and ($3::uuid is null or exists
       (select 1 from course_goals as goal join courses as course
          on course.teacher_id = goal.teacher_id and course.id = goal.course_id
        where goal.teacher_id = $1 and goal.id = $3 and course.student_id = student.id))`,
    [teacher, student, goal, bar, body],
  );
  return rowCount === 1;
};

/** Ticks a note off, or takes that back. */
export const markNote = async (
  client: Queryable,
  teacher: TeacherId,
  note: LessonNoteId,
  isDone: boolean,
): Promise<boolean> => {
  const { rowCount } = await client.query(
    `update lesson_notes set done_at = case when $3 then coalesce(done_at, now()) end where teacher_id = $1 and id = $2`,
    [teacher, note, isDone],
  );
  return rowCount === 1;
};

/** Deletes a note. */
export const deleteNote = async (
  client: Queryable,
  teacher: TeacherId,
  note: LessonNoteId,
): Promise<boolean> => {
  const { rowCount } = await client.query(`delete from lesson_notes where teacher_id = $1 and id = $2`, [
    teacher,
    note,
  ]);
  return rowCount === 1;
};
