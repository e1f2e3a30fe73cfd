import { error, fail, type RequestEvent } from '@sveltejs/kit';
import { humanText } from '@oculon/core';
import * as z from 'zod';
import { LONGEST_QUESTION, type OpenedHandout } from '$lib/handouts/handout.ts';
import { database } from '$lib/server/database/database.ts';
import { withDatabase } from '$lib/server/database/trouble.ts';
import { openHandout } from '$lib/server/handouts/handouts.ts';
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

/** The page of a link. One that opens nothing says so alike, whether it was revoked, is over or never was. */
const opened = async (event: RequestEvent, token: string) => {
  const counts: readonly Counted[] = [['pages', addressOf(event)]];
  return withDatabase(async () => {
    if ((await throttleHere().wait(counts)) > 0)
      error(429, 'Too many links that open nothing were tried from here. Try again in a quarter of an hour.');
    const handout = tokenSchema.safeParse(token).success ? await openHandout(database(), token) : undefined;
    if (!handout) {
      await throttleHere().fail(counts);
      error(404, 'This link opens nothing any more. Ask your teacher for a new one.');
    }
    return handout;
  });
};

export const load: PageServerLoad = async (event): Promise<OpenedHandout> => {
  event.setHeaders({ 'referrer-policy': 'no-referrer', 'x-robots-tag': 'noindex, nofollow' });
  const { content, lesson, recipient, remarks, teacher, givenAt, endsAt } = await opened(
    event,
    event.params.token,
  );
  return {
    content,
    lesson,
    recipient,
    remarks,
    teacher,
    givenAt: givenAt.toISOString(),
    endsAt: endsAt.toISOString(),
  };
};

export const actions: Actions = {
  ask: async (event) => {
    const handout = await opened(event, event.params.token);
    const asked = questionSchema.safeParse(Object.fromEntries(await event.request.formData()));
    if (!asked.success || asked.data.bar >= handout.bars)
      return fail(400, { trouble: 'unreadable' as const });
    const isKept = await withDatabase(() =>
      insertQuestion(database(), handout.teacherId, handout.id, asked.data.bar, asked.data.question),
    );
    return isKept ? { asked: asked.data.bar } : fail(429, { trouble: 'too-many' as const });
  },
};
