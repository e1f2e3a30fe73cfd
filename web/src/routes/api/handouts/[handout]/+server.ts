import { error, json } from '@sveltejs/kit';
import { revokeHandout } from '$lib/server/handouts/handouts.ts';
import { handoutIdSchema } from '$lib/server/ids.ts';
import { withOwn } from '$lib/server/own.ts';
import type { RequestHandler } from './$types';

/** Takes a link back. */
export const DELETE: RequestHandler = async ({ params, locals }) => {
  const handout = handoutIdSchema.safeParse(params.handout);
  const isRevoked =
    handout.success &&
    (await withOwn(locals, (client, teacher) => revokeHandout(client, teacher, handout.data)));
  if (!isRevoked) error(404, 'There is no such link.');
  return json({ ok: true });
};
