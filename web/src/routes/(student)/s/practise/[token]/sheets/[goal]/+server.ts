import { error, json } from '@sveltejs/kit';
import { openedByLink } from '$lib/server/by-link.ts';
import { courseBehind } from '$lib/server/courses/courses.ts';
import { findSheets } from '$lib/server/courses/goals.ts';
import { asTeacher, database } from '$lib/server/database/database.ts';
import { withDatabase } from '$lib/server/database/trouble.ts';
import { goalIdSchema } from '$lib/server/ids.ts';
import type { RequestHandler } from './$types';

/** The music of a goal, for whoever practises it. */
export const GET: RequestHandler = async (event) => {
  const { id, teacherId } = await openedByLink(event, courseBehind);
  const goal = goalIdSchema.safeParse(event.params.goal);
  const sheets =
    goal.success &&
    (await withDatabase(() =>
      asTeacher(database(), teacherId, (client) => findSheets(client, teacherId, id, goal.data)),
    ));
  if (!sheets) error(404, 'This piece is no longer in the plan.');
  return json(sheets);
};
