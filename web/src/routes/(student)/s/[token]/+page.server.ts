import { error, fail, type RequestEvent } from '@sveltejs/kit';
import { humanText } from '@oculon/core';
import * as z from 'zod';
import { LONGEST_QUESTION, type OpenedHandout } from '$lib/handouts/handout.ts';
import { database } from '$lib/server/database/database.ts';
import { withDatabase } from '$lib/server/database/trouble.ts';
import { handoutAskedOf, openHandout } from '$lib/server/handouts/handouts.ts';
import { insertQuestion } from '$lib/server/handouts/questions.ts';
import { addressOf, throttleHere } from '$lib/server/teachers/door.ts';
import type { Counted } from '$lib/server/teachers/throttle.ts';
import type { Actions, PageServerLoad } from './$types';

/** A token as it is made: nothing else is looked up. */
const tokenSchema = z.string().regex(/^[\w-]{20,64}$/);
const questionSchema = z.object({
  bar: z.coerce.number().int().min(0),
  question: humanText(1, LONGEST_QUESTION),
});

/** What a link opens. One that opens nothing says so alike, whether it was revoked, is over or never was. */
const opened = async <T>(
  event: RequestEvent,
  open: (pool: ReturnType<typeof database>, token: string) => Promise<T | undefined>,
): Promise<T> => {
  const token = tokenSchema.safeParse(event.params.token);
  const counts: readonly Counted[] = [['pages', addressOf(event)]];
  return withDatabase(async () => {
    if ((await throttleHere().wait(counts)) > 0)
      error(429, 'Too many links that open nothing were tried from here. Try again in a quarter of an hour.');
    const found = token.success ? await open(database(), token.data) : undefined;
    if (found === undefined) {
      await throttleHere().fail(counts);
      error(404, 'This link opens nothing any more. Ask your teacher for a new one.');
    }
    return found;
  });
};

export const load: PageServerLoad = async (event): Promise<OpenedHandout> => {
  event.setHeaders({ 'referrer-policy': 'no-referrer', 'x-robots-tag': 'noindex, nofollow' });
  return opened(event, openHandout);
};

export const actions: Actions = {
  ask: async (event) => {
    const { id, teacherId, bars } = await opened(event, handoutAskedOf);
    const asked = questionSchema.safeParse(Object.fromEntries(await event.request.formData()));
    if (!asked.success || asked.data.bar >= bars) return fail(400, { trouble: 'unreadable' as const });
    const { bar, question } = asked.data;
    const isKept = await withDatabase(() => insertQuestion(database(), teacherId, id, bar, question));
    return isKept ? { asked: bar } : fail(429, { trouble: 'too-many' as const });
  },
};
