import { error, json } from '@sveltejs/kit';
import { renewalRequestSchema } from '$lib/handouts/handout-request.ts';
import { changedNotes } from '$lib/server/handouts/changed-notes.ts';
import { makePage, pageBasis, revisionOf } from '$lib/server/handouts/given-page.ts';
import { findGiven, renewHandout, revokeHandout } from '$lib/server/handouts/handouts.ts';
import { handoutIdSchema } from '$lib/server/ids.ts';
import { withOwn } from '$lib/server/own.ts';
import { BODY_LIMITS, readJson } from '$lib/server/read-body.ts';
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

/** Lets a link show its version as it stands now, and tells how many notes are taken otherwise than before. */
export const PUT: RequestHandler = async ({ params, locals, request }) => {
  const handout = handoutIdSchema.safeParse(params.handout);
  const wanted = renewalRequestSchema.safeParse(await readJson(request, BODY_LIMITS.handout));
  if (!wanted.success) error(400, 'What is to be handed out cannot be read.');
  const found =
    handout.success &&
    (await withOwn(locals, async (client, teacher) => {
      const given = await findGiven(client, teacher, handout.data);
      const basis = given && (await pageBasis(client, teacher, given));
      return basis && { given, basis };
    }));
  if (!found || !handout.success) error(404, 'There is no such link, or it opens nothing any more.');
  const { given, basis } = found;
  // In the words in which it was given, whatever the teacher looks at.
  const { language, noteNames } = given.lesson;
  const lesson = { ...wanted.data.lesson, language, noteNames };
  const content = await makePage(basis, lesson);
  if (!content) error(503, 'The page could not be made. The link shows what it did; try again in a moment.');
  const changes = changedNotes(given.content, content, lesson);
  const isDone = await withOwn(locals, (client, teacher) =>
    renewHandout(client, teacher, handout.data, {
      fingering: basis.version.id,
      revision: revisionOf(basis),
      request: { ...wanted.data, lesson },
      content,
      changes,
    }),
  );
  if (!isDone) error(404, 'There is no such link, or it opens nothing any more.');
  return json({ changed: changes.length });
};
