import { error } from '@sveltejs/kit';
import { restsAfter, standingsAfter, type Progress } from '@oculon/core';
import type pg from 'pg';
import type { CourseView, LoggedEntry } from '../../practice/course-content.ts';
import { studentIdSchema, type StudentId, type TeacherId } from '../ids.ts';
import { withOwn } from '../own.ts';
import { courseOf, type TaughtCourse } from './courses.ts';
import { listEntries } from './log-entries.ts';

/** The student that an address names. */
export const studentNamed = (text: string): StudentId => {
  const student = studentIdSchema.safeParse(text);
  if (!student.success) error(404, 'There is no such student.');
  return student.data;
};

/** A student's course and log, for whoever teaches them; with whatever else a page needs. */
export const taughtCourse = async <More extends object>(
  locals: App.Locals,
  student: StudentId,
  more: (client: pg.PoolClient, teacher: TeacherId, course: TaughtCourse) => Promise<More>,
) => {
  const found = await withOwn(locals, async (client, teacher) => {
    const course = await courseOf(client, teacher, student);
    if (!course) return undefined;
    const entries = await listEntries(client, teacher, course.id);
    return { course, entries, ...(await more(client, teacher, course)) };
  });
  if (!found) error(404, 'There is no such student.');
  return found;
};

/** How a student stands, by the whole log. */
export const progressOf = ({ goals }: CourseView, entries: readonly LoggedEntry[]): Progress => ({
  standings: standingsAfter(new Map(), entries),
  rests: restsAfter(
    entries,
    (goal, spot) =>
      goals.find(({ id }) => id === goal)?.practised.spots.find((each) => each.spot.id === spot)?.spot.kind,
  ),
});
