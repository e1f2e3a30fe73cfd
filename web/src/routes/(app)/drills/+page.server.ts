import { listInstruments } from '$lib/server/instruments/instruments.ts';
import { withOwn } from '$lib/server/own.ts';
import { listStudents, setupOf } from '$lib/server/students/students.ts';
import type { PageServerLoad } from './$types';

/** The students for whose hand and instrument a drill may be planned. */
export const load: PageServerLoad = async ({ locals }) =>
  withOwn(locals, async (client, teacher) => {
    const instruments = await listInstruments(client, teacher);
    const students = await listStudents(client, teacher);
    return {
      students: students
        .filter(({ archivedAt }) => archivedAt === null)
        .map((student) => ({
          id: student.id,
          name: student.name,
          language: student.language,
          noteNames: student.noteNames,
          setup: setupOf(
            student,
            instruments.find(({ id }) => id === student.instrumentId),
          ),
        })),
    };
  });
