import { error, json } from '@sveltejs/kit';
import * as z from 'zod';
import { database } from '$lib/server/database.ts';
import { saveSetup } from '$lib/server/fingerings.ts';
import { fingeringIdSchema } from '$lib/server/ids.ts';
import { setupChoiceSchema } from '$lib/planner/setup.ts';
import type { RequestHandler } from './$types';

const bodySchema = z.strictObject({ setup: setupChoiceSchema });

/** Keeps hand, instrument and schools with the fingering. */
export const PATCH: RequestHandler = async ({ params, locals, request }) => {
  const fingering = fingeringIdSchema.safeParse(params.fingering);
  const body = bodySchema.safeParse(await request.json().catch(() => undefined));
  if (!body.success) error(400, 'This setup cannot be read.');
  if (!fingering.success || !(await saveSetup(database(), locals.teacher, fingering.data, body.data.setup)))
    error(404, 'There is no such fingering.');
  return json({ ok: true });
};
