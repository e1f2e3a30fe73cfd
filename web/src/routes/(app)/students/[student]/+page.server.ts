import { error, fail, redirect } from '@sveltejs/kit';
import { fieldsIn, problemsOf, textIn } from '$lib/server/forms.ts';
import { makeVersion } from '$lib/server/fingerings/make-version.ts';
import { pieceIdSchema, studentIdSchema, type StudentId } from '$lib/server/ids.ts';
import { listInstruments } from '$lib/server/instruments/instruments.ts';
import { withOwn } from '$lib/server/own.ts';
import { readStudentForm } from '$lib/server/students/student-form.ts';
import { archiveStudent, deleteStudent, findStudent, updateStudent } from '$lib/server/students/students.ts';
import { listPieces } from '$lib/server/pieces/pieces.ts';
import { listVersionsFor, ownVersion } from '$lib/server/fingerings/versions.ts';
import type { Actions, PageServerLoad } from './$types';

const idOf = (text: string): StudentId => {
  const student = studentIdSchema.safeParse(text);
  if (!student.success) error(404, 'There is no such student.');
  return student.data;
};

export const load: PageServerLoad = async ({ params, locals }) => {
  const id = idOf(params.student);
  const found = await withOwn(locals, async (client, teacher) => {
    const student = await findStudent(client, teacher, id);
    return (
      student && {
        student,
        instruments: await listInstruments(client, teacher),
        versions: await listVersionsFor(client, teacher, id),
        pieces: (await listPieces(client, teacher)).map((piece) => ({ id: piece.id, title: piece.title })),
      }
    );
  });
  if (!found) error(404, 'There is no such student.');
  return found;
};

export const actions: Actions = {
  save: async ({ request, params, locals }) => {
    const fields = readStudentForm(await fieldsIn(request));
    if (!fields.success) return fail(400, { problems: problemsOf(fields.error) });
    const isKept = await withOwn(locals, (client, teacher) =>
      updateStudent(client, teacher, idOf(params.student), fields.data),
    );
    if (!isKept) error(404, 'There is no such student.');
    return { done: 'Kept.' };
  },
  version: async ({ request, params, locals }) => {
    const student = idOf(params.student);
    const piece = pieceIdSchema.safeParse(textIn(await fieldsIn(request), 'piece'));
    if (!piece.success) return fail(400, { problems: { piece: 'Choose a piece.' } });
    const origin = await withOwn(locals, (client, teacher) => ownVersion(client, teacher, piece.data));
    const made = origin && (await makeVersion(locals, piece.data, { origin, student }));
    if (!made) return fail(404, { problems: { piece: 'There is no such piece any more.' } });
    redirect(303, `/pieces/${piece.data}/${made}`);
  },
  archive: async ({ request, params, locals }) => {
    const isArchived = textIn(await fieldsIn(request), 'archived') === 'yes';
    const isDone = await withOwn(locals, (client, teacher) =>
      archiveStudent(client, teacher, idOf(params.student), isArchived),
    );
    if (!isDone) error(404, 'There is no such student.');
    return { done: isArchived ? 'Archived.' : 'Back among the students.' };
  },
  delete: async ({ request, params, locals }) => {
    const name = textIn(await fieldsIn(request), 'name').trim();
    const id = idOf(params.student);
    const isDeleted = await withOwn(locals, async (client, teacher) => {
      const student = await findStudent(client, teacher, id);
      return student?.name === name && (await deleteStudent(client, teacher, id));
    });
    if (!isDeleted) return fail(400, { problems: { confirm: 'Type the name as it stands above.' } });
    redirect(303, '/students');
  },
};
