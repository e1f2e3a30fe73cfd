import { env } from '$env/dynamic/private';
import { withOwn } from '$lib/server/own.ts';
import { findTeacher } from '$lib/server/teachers/teachers.ts';
import type { LayoutServerLoad } from './$types';

/** Who is signed in, on every page beyond the door. */
export const load: LayoutServerLoad = async ({ locals }) => {
  const teacher = await withOwn(locals, findTeacher);
  return {
    teacher: {
      name: teacher?.name ?? '',
      email: teacher?.email ?? null,
      deletionDueAt: teacher?.deletionDueAt ?? null,
    },
    showsOutbox: env.OCULON_SHOW_OUTBOX === 'yes',
  };
};
