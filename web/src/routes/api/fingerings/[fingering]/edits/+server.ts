import { error, json } from '@sveltejs/kit';
import { database } from '$lib/server/database.ts';
import { appendEdits, listEdits } from '$lib/server/fingerings.ts';
import { fingeringIdSchema } from '$lib/server/ids.ts';
import { saveRequestSchema } from '$lib/workbench/saving.ts';
import type { RequestHandler } from './$types';

/** Appends edits; 409 with what came in between when they were made on an older revision. */
export const POST: RequestHandler = async ({ params, locals, request }) => {
  const fingering = fingeringIdSchema.safeParse(params.fingering);
  const body = saveRequestSchema.safeParse(await request.json().catch(() => undefined));
  if (!body.success) error(400, 'These edits cannot be read.');
  const outcome = fingering.success
    ? await appendEdits(database(), locals.teacher, fingering.data, body.data.base, body.data.edits)
    : undefined;
  if (!outcome) error(404, 'There is no such fingering.');
  return json(outcome, { status: outcome.kind === 'saved' ? 200 : 409 });
};

/** Edits after the revision `?since=`. */
export const GET: RequestHandler = async ({ params, locals, url }) => {
  const fingering = fingeringIdSchema.safeParse(params.fingering);
  const since = Number(url.searchParams.get('since') ?? 0);
  if (!fingering.success || !Number.isInteger(since)) error(404, 'There is no such fingering.');
  return json({ edits: await listEdits(database(), locals.teacher, fingering.data, since) });
};
