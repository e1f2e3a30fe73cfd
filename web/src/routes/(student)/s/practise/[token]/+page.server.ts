import { allInShort, standingsAfter } from '@oculon/core';
import { openedByLink } from '$lib/server/by-link.ts';
import { openCourse } from '$lib/server/courses/courses.ts';
import { listEntries } from '$lib/server/courses/log-entries.ts';
import { database } from '$lib/server/database/database.ts';
import { withDatabase } from '$lib/server/database/trouble.ts';
import type { OpenedCourse } from '$lib/practice/course-content.ts';
import type { PageServerLoad } from './$types';

/** A student sees so much of the log on their page; the rest is told by where they stand. */
const SHOWN_DAYS = 60;
const MS_PER_DAY = 86_400_000;

export const load: PageServerLoad = async (event): Promise<OpenedCourse> => {
  const { id, teacherId, teacher, view } = await openedByLink(event, openCourse);
  // Taken before the log is read: what comes in between is told twice rather than not at all.
  const now = new Date();
  const entries = await withDatabase(() => listEntries(database(), teacherId, id));
  const since = new Date(now.getTime() - SHOWN_DAYS * MS_PER_DAY).toISOString().slice(0, 10);
  const [before, shown] = [
    entries.filter(({ day }) => day < since),
    entries.filter(({ day }) => day >= since),
  ];
  return {
    course: view,
    teacher,
    entries: shown,
    before: allInShort(standingsAfter(new Map(), before)),
    asOf: now.toISOString(),
  };
};
