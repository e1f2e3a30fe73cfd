import { error, json } from '@sveltejs/kit';
import { isAhead, sentEntriesSchema } from '$lib/practice/sent-entries.ts';
import { openedByLink } from '$lib/server/by-link.ts';
import { courseBehind } from '$lib/server/courses/courses.ts';
import { keepEntries } from '$lib/server/courses/log-entries.ts';
import { asTeacher, database } from '$lib/server/database/database.ts';
import { withDatabase } from '$lib/server/database/trouble.ts';
import { BODY_LIMITS, readJson } from '$lib/server/read-body.ts';
import type { RequestHandler } from './$types';

/** Takes what a student logged into their own log, and no other: the link says whose it is. */
export const POST: RequestHandler = async (event) => {
  const { id, teacherId } = await openedByLink(event, courseBehind);
  const sent = sentEntriesSchema.safeParse(await readJson(event.request, BODY_LIMITS.log));
  if (!sent.success) error(400, 'What was logged cannot be read.');
  const ahead = sent.data.entries.find((entry) => isAhead(entry));
  if (ahead) error(400, `The ${ahead.day} lies ahead: look at the clock of this device.`);
  const isKept = await withDatabase(() =>
    asTeacher(database(), teacherId, (client) =>
      keepEntries(client, teacherId, id, sent.data.entries, 'student'),
    ),
  );
  if (!isKept) error(429, 'That is more than a log can take. Try again in an hour.');
  return json({ at: new Date().toISOString() });
};
