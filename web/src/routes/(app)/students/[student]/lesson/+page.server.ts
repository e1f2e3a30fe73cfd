import { error, fail } from '@sveltejs/kit';
import { allInShort, dayByClock, later, weekSummary, type Day } from '@oculon/core';
import * as z from 'zod';
import { courseFrom, recordsOf } from '$lib/practice/course-of.ts';
import {
  deleteNote,
  insertNote,
  listNotes,
  markNote,
  noteTextSchema,
} from '$lib/server/courses/lesson-notes.ts';
import { listBases } from '$lib/server/courses/goals.ts';
import { progressOf, studentNamed, taughtCourse } from '$lib/server/courses/taught.ts';
import { fieldsIn, problemsOf, textIn } from '$lib/server/forms.ts';
import { listStudentQuestions, markRead } from '$lib/server/handouts/questions.ts';
import { goalIdSchema, lessonNoteIdSchema, questionIdSchema } from '$lib/server/ids.ts';
import { withOwn } from '$lib/server/own.ts';
import type { Actions, PageServerLoad } from './$types';

/** A lesson a week: without notes of one before, so many days are looked back on. */
const DAYS_BETWEEN = 7;
/** Further back nothing is summed up. */
const MOST_DAYS = 28;

export const load: PageServerLoad = async ({ params, locals }) => {
  const student = studentNamed(params.student);
  const { course, entries, notes, questions, bases } = await taughtCourse(
    locals,
    student,
    async (client, teacher, { id }) => ({
      notes: await listNotes(client, teacher, student),
      questions: await listStudentQuestions(client, teacher, student),
      bases: await listBases(client, teacher, id),
    }),
  );
  const { view } = course;
  const today = dayByClock(new Date());
  // The lesson before is the last day on which something was noted, today left out.
  const before = notes.map(({ madeAt }) => dayByClock(madeAt)).filter((day) => day < today);
  const last = before.length > 0 ? (Math.max(...before) as Day) : undefined;
  const since =
    last === undefined ? later(today, -DAYS_BETWEEN) : (Math.max(last, later(today, -MOST_DAYS)) as Day);
  const progress = progressOf(view, entries);
  const taught = courseFrom(view);
  return {
    student: params.student,
    course: view,
    standings: allInShort(progress.standings),
    rests: progress.rests,
    today,
    since,
    hadLesson: last !== undefined,
    summary: weekSummary(taught, entries, since, today),
    still: recordsOf(taught, progress.standings).flatMap(({ goal, state, spot, ladder, record }) =>
      record.standsStill && state === 'learning'
        ? [{ goal, spot: spot.id, kind: spot.kind, at: ladder.rungs[record.passed] }]
        : [],
    ),
    notes,
    questions,
    bases,
  };
};

const noteSchema = z.object({
  goal: z.union([z.literal('').transform(() => null), goalIdSchema]),
  bar: z.union([z.literal('').transform(() => null), z.coerce.number().int().min(0)]),
  body: noteTextSchema,
});

export const actions: Actions = {
  note: async ({ request, params, locals }) => {
    const fields = await fieldsIn(request);
    // A list without choices sends nothing.
    const note = noteSchema.safeParse({
      goal: textIn(fields, 'goal'),
      bar: textIn(fields, 'bar'),
      body: textIn(fields, 'body'),
    });
    if (!note.success) return fail(400, { problems: problemsOf(note.error) });
    const isKept = await withOwn(locals, (client, teacher) =>
      insertNote(client, teacher, { ...note.data, student: studentNamed(params.student) }),
    );
    if (!isKept) error(404, 'There is no such student or piece.');
    return { done: 'Noted.' };
  },
  done: async ({ request, locals }) => {
    const fields = await fieldsIn(request);
    const note = lessonNoteIdSchema.safeParse(textIn(fields, 'note'));
    const isDone = textIn(fields, 'done') === 'yes';
    const isKept =
      note.success &&
      (await withOwn(locals, (client, teacher) => markNote(client, teacher, note.data, isDone)));
    if (!isKept) error(404, 'There is no such note any more.');
    return {};
  },
  drop: async ({ request, locals }) => {
    const note = lessonNoteIdSchema.safeParse(textIn(await fieldsIn(request), 'note'));
    const isGone =
      note.success && (await withOwn(locals, (client, teacher) => deleteNote(client, teacher, note.data)));
    if (!isGone) error(404, 'There is no such note any more.');
    return { done: 'The note is gone.' };
  },
  read: async ({ request, locals }) => {
    const question = questionIdSchema.safeParse(textIn(await fieldsIn(request), 'question'));
    const isRead =
      question.success &&
      (await withOwn(locals, (client, teacher) => markRead(client, teacher, question.data, true)));
    if (!isRead) error(404, 'There is no such question any more.');
    return {};
  },
};
