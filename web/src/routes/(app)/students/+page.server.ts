import { fail, redirect } from '@sveltejs/kit';
import { fieldsIn, problemsOf, textIn } from '$lib/server/forms.ts';
import { withOwn } from '$lib/server/own.ts';
import { insertStudent, listStudents, studentFields } from '$lib/server/students/students.ts';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals }) => ({ students: await withOwn(locals, listStudents) });

/** What a new student starts with; everything else is said on their own page. */
const NEW = {
  level: '',
  language: 'en',
  noteNames: 'letters',
  hand: 'medium',
  spans: {},
  instrumentId: null,
  minutesADay: 30,
  days: [1, 2, 3, 4, 5, 6, 7],
  notes: '',
} as const;

export const actions: Actions = {
  add: async ({ request, locals }) => {
    const name = textIn(await fieldsIn(request), 'name');
    const fields = studentFields.safeParse({ ...NEW, name });
    if (!fields.success) return fail(400, { name, problems: problemsOf(fields.error) });
    const student = await withOwn(locals, (client, teacher) => insertStudent(client, teacher, fields.data));
    redirect(303, `/students/${student}`);
  },
};
