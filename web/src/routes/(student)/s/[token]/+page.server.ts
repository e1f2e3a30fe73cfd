import { fail } from '@sveltejs/kit';
import { humanText } from '@oculon/core';
import * as z from 'zod';
import { LONGEST_QUESTION, type OpenedHandout } from '$lib/handouts/handout.ts';
import { openedByLink } from '$lib/server/by-link.ts';
import { database } from '$lib/server/database/database.ts';
import { withDatabase } from '$lib/server/database/trouble.ts';
import { handoutAskedOf, openHandout } from '$lib/server/handouts/handouts.ts';
import { insertQuestion } from '$lib/server/handouts/questions.ts';
import type { Actions, PageServerLoad } from './$types';

const questionSchema = z.object({
  bar: z.coerce.number().int().min(0),
  question: humanText(1, LONGEST_QUESTION),
});

export const load: PageServerLoad = (event): Promise<OpenedHandout> => openedByLink(event, openHandout);

export const actions: Actions = {
  ask: async (event) => {
    const { id, teacherId, bars } = await openedByLink(event, handoutAskedOf);
    const asked = questionSchema.safeParse(Object.fromEntries(await event.request.formData()));
    if (!asked.success || asked.data.bar >= bars) return fail(400, { trouble: 'unreadable' as const });
    const { bar, question } = asked.data;
    const isKept = await withDatabase(() => insertQuestion(database(), teacherId, id, bar, question));
    return isKept ? { asked: bar } : fail(429, { trouble: 'too-many' as const });
  },
};
