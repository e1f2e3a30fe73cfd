import { error, json } from '@sveltejs/kit';
import { database } from '$lib/server/database/database.ts';
import { withDatabase } from '$lib/server/database/trouble.ts';
import { appendEdits, listEdits } from '$lib/server/fingerings/fingerings.ts';
import { fingeringIdSchema } from '$lib/server/ids.ts';
import { visitorIn, withOwn } from '$lib/server/own.ts';
import { saveSeconds } from '$lib/server/metrics.ts';
import { BODY_LIMITS, readJson } from '$lib/server/read-body.ts';
import { revisionSchema, saveRequestSchema } from '$lib/document/saving.ts';
import type { RequestHandler } from './$types';

/** Appends edits; 409 with what came in between when they were made on an older revision. */
export const POST: RequestHandler = async ({ params, locals, request }) => {
  const timed = saveSeconds.startTimer();
  const fingering = fingeringIdSchema.safeParse(params.fingering);
  const body = saveRequestSchema.safeParse(await readJson(request, BODY_LIMITS.edits));
  if (!body.success) error(400, 'These edits cannot be read.');
  const outcome = fingering.success
    ? await withDatabase(() =>
        appendEdits(database(), visitorIn(locals).teacher, fingering.data, body.data.base, body.data.edits),
      )
    : undefined;
  timed({ outcome: outcome?.kind ?? 'missing' });
  if (!outcome) error(404, 'There is no such fingering.');
  return json(outcome, { status: outcome.kind === 'saved' ? 200 : 409 });
};

/** Edits after the revision `?since=`. */
export const GET: RequestHandler = async ({ params, locals, url }) => {
  const fingering = fingeringIdSchema.safeParse(params.fingering);
  const since = revisionSchema.safeParse(Number(url.searchParams.get('since') ?? 0));
  if (!since.success) error(400, 'There is no such revision.');
  if (!fingering.success) error(404, 'There is no such fingering.');
  return json({
    edits: await withOwn(locals, (client, teacher) => listEdits(client, teacher, fingering.data, since.data)),
  });
};
