import { openVersion } from '$lib/server/fingerings/open-version.ts';
import { withOwn } from '$lib/server/own.ts';
import { listStudents } from '$lib/server/students/students.ts';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ params, locals }) => ({
  ...(await openVersion(params, locals)),
  /** To whom it can be given at once. */
  students: (await withOwn(locals, (client, teacher) => listStudents(client, teacher)))
    .filter(({ archivedAt }) => archivedAt === null)
    .map(({ id, name, language, noteNames }) => ({ id, name, language, noteNames })),
});
