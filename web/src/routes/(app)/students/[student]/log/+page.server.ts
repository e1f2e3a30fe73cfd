import { error, fail } from '@sveltejs/kit';
import { dayByClock, later, weekSummary, weeksOf } from '@oculon/core';
import { courseFrom, recordsOf } from '$lib/practice/course-of.ts';
import { isAhead, sentEntrySchema } from '$lib/practice/sent-entries.ts';
import { courseOf } from '$lib/server/courses/courses.ts';
import { keepEntries, listWritings } from '$lib/server/courses/log-entries.ts';
import { entryIn } from '$lib/server/courses/entry-form.ts';
import { progressOf, studentNamed, taughtCourse } from '$lib/server/courses/taught.ts';
import { fieldsIn, problemsOf } from '$lib/server/forms.ts';
import { withOwn } from '$lib/server/own.ts';
import type { Actions, PageServerLoad } from './$types';

/** Entries on a page of the log. */
const ON_A_PAGE = 25;
const DAYS_A_WEEK = 7;

export const load: PageServerLoad = async ({ params, locals, url }) => {
  const { course, entries, writings } = await taughtCourse(
    locals,
    studentNamed(params.student),
    async (client, teacher, { id }) => {
      const asked = sentEntrySchema.shape.id.safeParse(url.searchParams.get('entry'));
      return { writings: asked.success ? await listWritings(client, teacher, id, asked.data) : [] };
    },
  );
  const { view } = course;
  const today = dayByClock(new Date());
  const pages = Math.max(1, Math.ceil(entries.length / ON_A_PAGE));
  const asked = Math.trunc(Number(url.searchParams.get('page') ?? 1)) || 1;
  const page = Math.min(pages, Math.max(1, asked));
  const newest = entries.toReversed();
  const { standings } = progressOf(view, entries);
  const taught = courseFrom(view);
  return {
    student: params.student,
    course: view,
    today,
    page,
    pages,
    all: entries.length,
    entries: newest.slice((page - 1) * ON_A_PAGE, page * ON_A_PAGE),
    writings,
    weeks: weeksOf(entries, today),
    week: weekSummary(taught, entries, later(today, 1 - DAYS_A_WEEK), today),
    records: recordsOf(taught, standings),
  };
};

export const actions: Actions = {
  write: async ({ request, params, locals }) => {
    const entry = sentEntrySchema.safeParse(entryIn(await fieldsIn(request)));
    if (!entry.success) return fail(400, { problems: problemsOf(entry.error) });
    if (isAhead(entry.data))
      return fail(400, { problems: { day: 'The day lies ahead: choose one that has begun.' } });
    const isKept = await withOwn(locals, async (client, teacher) => {
      const course = await courseOf(client, teacher, studentNamed(params.student));
      return course && keepEntries(client, teacher, course.id, [entry.data], 'teacher');
    });
    if (isKept === undefined) error(404, 'There is no such student.');
    if (!isKept) return fail(400, { problems: { day: 'This log is full.' } });
    const { corrects, withdrawn } = entry.data;
    return {
      ...(withdrawn && { takenOut: entry.data }),
      done: withdrawn
        ? 'Taken out.'
        : corrects === null
          ? 'Written.'
          : 'Corrected. What stood there before is kept.',
    };
  },
};
