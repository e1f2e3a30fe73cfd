import { error, fail, redirect } from '@sveltejs/kit';
import { makeVersion } from '$lib/server/fingerings/make-version.ts';
import {
  findVersion,
  labelSchema,
  labelVersion,
  listLabels,
  listVersions,
  putVersionAway,
  removeLabel,
  renameVersion,
  takeVersionBack,
} from '$lib/server/fingerings/versions.ts';
import { fieldsIn, textIn } from '$lib/server/forms.ts';
import {
  fingeringIdSchema,
  pieceIdSchema,
  studentIdSchema,
  type FingeringId,
  type PieceId,
} from '$lib/server/ids.ts';
import { withOwn } from '$lib/server/own.ts';
import { versionNameSchema } from '$lib/versions/kept-way.ts';
import { findPiece } from '$lib/server/pieces/pieces.ts';
import { listStudents } from '$lib/server/students/students.ts';
import type { Actions, PageServerLoad } from './$types';

const pieceOf = (text: string): PieceId => {
  const piece = pieceIdSchema.safeParse(text);
  if (!piece.success) error(404, 'There is no such piece.');
  return piece.data;
};
const versionOf = (fields: URLSearchParams): FingeringId => {
  const version = fingeringIdSchema.safeParse(textIn(fields, 'version'));
  if (!version.success) error(404, 'There is no such version.');
  return version.data;
};

export const load: PageServerLoad = async ({ params, locals }) => {
  const id = pieceOf(params.piece);
  const found = await withOwn(locals, async (client, teacher) => {
    const piece = await findPiece(client, teacher, id);
    if (!piece) return undefined;
    const versions = await listVersions(client, teacher, id);
    const labels = [];
    for (const version of versions)
      labels.push([version.id, await listLabels(client, teacher, version.id)] as const);
    const students = await listStudents(client, teacher);
    return { piece, versions, labels, students: students.filter(({ archivedAt }) => archivedAt === null) };
  });
  if (!found) error(404, 'There is no such piece. It may have been deleted in another window.');
  return found;
};

const NAMELESS = 'A version has a name of 1 to 100 letters.';

export const actions: Actions = {
  create: async ({ request, params, locals }) => {
    const fields = await fieldsIn(request);
    const piece = pieceOf(params.piece);
    const name = versionNameSchema.safeParse(textIn(fields, 'name'));
    const origin = fingeringIdSchema.safeParse(textIn(fields, 'origin'));
    const student = studentIdSchema.safeParse(textIn(fields, 'student'));
    const made = await makeVersion(locals, piece, {
      name: name.data,
      origin: origin.data,
      student: student.data,
    });
    if (made === 'nameless') return fail(400, { problem: NAMELESS });
    if (!made) error(404, 'There is no such version or student any more.');
    redirect(303, `/pieces/${params.piece}/${made}`);
  },

  rename: async ({ request, locals }) => {
    const fields = await fieldsIn(request);
    const name = versionNameSchema.safeParse(textIn(fields, 'name'));
    if (!name.success) return fail(400, { problem: NAMELESS });
    const isDone = await withOwn(locals, (client, teacher) =>
      renameVersion(client, teacher, versionOf(fields), name.data),
    );
    if (!isDone) error(404, 'There is no such version.');
    return { done: 'Renamed.' };
  },

  away: async ({ request, params, locals }) => {
    const fields = await fieldsIn(request);
    const version = versionOf(fields);
    const { outcome, name } = await withOwn(locals, async (client, teacher) => ({
      outcome: await putVersionAway(client, teacher, version),
      name: (await findVersion(client, teacher, pieceOf(params.piece), version))?.name ?? '',
    }));
    if (outcome === 'missing') error(404, 'There is no such version.');
    if (outcome === 'last')
      return fail(409, {
        problem: 'A piece keeps one version at least. Delete the piece in the library instead.',
      });
    return { away: { version, name } };
  },

  back: async ({ request, locals }) => {
    const version = versionOf(await fieldsIn(request));
    if (!(await withOwn(locals, (client, teacher) => takeVersionBack(client, teacher, version))))
      error(404, 'There is no such version.');
    return { done: 'Taken back.' };
  },

  label: async ({ request, locals }) => {
    const fields = await fieldsIn(request);
    const label = labelSchema.safeParse(textIn(fields, 'label'));
    if (!label.success) return fail(400, { problem: 'A label has 1 to 100 letters.' });
    const isDone = await withOwn(locals, (client, teacher) =>
      labelVersion(client, teacher, versionOf(fields), label.data),
    );
    if (!isDone) error(404, 'There is no such version.');
    return { done: 'Labelled.' };
  },

  unlabel: async ({ request, locals }) => {
    const fields = await fieldsIn(request);
    const revision = Number(textIn(fields, 'revision'));
    if (!Number.isInteger(revision)) error(400, 'There is no such revision.');
    await withOwn(locals, (client, teacher) => removeLabel(client, teacher, versionOf(fields), revision));
    return { done: 'The label is gone.' };
  },
};
