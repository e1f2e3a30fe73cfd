import { error, json } from '@sveltejs/kit';
import * as z from 'zod';
import { markRead } from '$lib/server/handouts/questions.ts';
import { questionIdSchema } from '$lib/server/ids.ts';
import { withOwn } from '$lib/server/own.ts';
import { BODY_LIMITS, readJson } from '$lib/server/read-body.ts';
import type { RequestHandler } from './$types';

const changeSchema = z.strictObject({ read: z.boolean() });

/** Notes that a question was read, or that it was not. */
export const PATCH: RequestHandler = async ({ params, locals, request }) => {
  const question = questionIdSchema.safeParse(params.question);
  const change = changeSchema.safeParse(await readJson(request, BODY_LIMITS.names));
  if (!change.success) error(400, 'This change cannot be read.');
  const isThere =
    question.success &&
    (await withOwn(locals, (client, teacher) => markRead(client, teacher, question.data, change.data.read)));
  if (!isThere) error(404, 'There is no such question.');
  return json({ ok: true });
};
