import Papa from 'papaparse';
import { workName } from '@oculon/core';
import { namedGoals } from '$lib/practice/course-of.ts';
import { studentNamed, taughtCourse } from '$lib/server/courses/taught.ts';
import { wording } from '$lib/words.ts';
import type { RequestHandler } from './$types';

/** The log of a student as a table, the first day first. */
export const GET: RequestHandler = async ({ params, locals }) => {
  const { course, entries } = await taughtCourse(locals, studentNamed(params.student), async () => ({}));
  const named = namedGoals(course.view);
  const rows = entries.map((entry) => ({
    day: entry.day,
    what: workName(wording, named, entry.work),
    kind: entry.work.kind,
    minutes: entry.minutes ?? '',
    tempo: entry.tempo ?? '',
    outcome: entry.outcome ?? '',
    felt: entry.felt ?? '',
    pain: entry.pain ?? '',
    remark: entry.remark,
    writtenBy: entry.byTeacher ? 'teacher' : 'student',
    corrected: entry.isCorrected ? 'yes' : 'no',
  }));
  const columns = [
    'day',
    'what',
    'kind',
    'minutes',
    'tempo',
    'outcome',
    'felt',
    'pain',
    'remark',
    'writtenBy',
    'corrected',
  ];
  // A spreadsheet must not take a remark for a formula.
  const text = Papa.unparse({ fields: columns, data: rows }, { escapeFormulae: true });
  return new Response(`${text}\r\n`, {
    headers: {
      'content-type': 'text/csv; charset=utf-8',
      'content-disposition': `attachment; filename="logbook.csv"`,
    },
  });
};
