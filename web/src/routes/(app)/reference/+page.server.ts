import { listInstruments } from '$lib/server/instruments/instruments.ts';
import { withOwn } from '$lib/server/own.ts';
import { listStudents } from '$lib/server/students/students.ts';
import type { PageServerLoad } from './$types';

/** The instruments and hands for which something may be looked up. */
export const load: PageServerLoad = async ({ locals }) =>
  withOwn(locals, async (client, teacher) => {
    const students = await listStudents(client, teacher);
    return {
      instruments: await listInstruments(client, teacher),
      students: students
        .filter(({ archivedAt }) => archivedAt === null)
        .map(({ id, name, hand, spans, instrumentId }) => ({ id, name, hand, spans, instrumentId })),
    };
  });
