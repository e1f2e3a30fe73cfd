import { error, json } from '@sveltejs/kit';
import { handoutRequestSchema } from '$lib/handouts/handout-request.ts';
import { makePage, pageBasis, revisionOf } from '$lib/server/handouts/given-page.ts';
import { insertHandout } from '$lib/server/handouts/handouts.ts';
import { fingeringIdSchema, studentIdSchema } from '$lib/server/ids.ts';
import { withOwn } from '$lib/server/own.ts';
import { BODY_LIMITS, readJson } from '$lib/server/read-body.ts';
import type { RequestHandler } from './$types';

/** Makes a student's page of a version as it stands, and gives the link that opens it. */
export const POST: RequestHandler = async ({ params, locals, request, url }) => {
  const fingering = fingeringIdSchema.safeParse(params.fingering);
  const wanted = handoutRequestSchema.safeParse(await readJson(request, BODY_LIMITS.handout));
  if (!wanted.success) error(400, 'What is to be handed out cannot be read.');
  const student = wanted.data.student === null ? null : studentIdSchema.parse(wanted.data.student);
  const { ownHand } = wanted.data;
  const basis =
    fingering.success &&
    (await withOwn(locals, (client, teacher) =>
      pageBasis(client, teacher, { fingering: fingering.data, student, ownHand }),
    ));
  if (!basis) error(404, 'There is no such version or student.');
  // Made outside the transaction: planning takes its time.
  const content = await makePage(basis, wanted.data.lesson);
  if (!content) error(503, 'The page could not be made. Nothing was given out; try again in a moment.');
  const token = await withOwn(locals, (client, teacher) =>
    insertHandout(client, teacher, {
      fingering: basis.version.id,
      student: basis.student,
      revision: revisionOf(basis),
      ownHand,
      request: wanted.data,
      content,
    }),
  );
  return json({ link: `${url.origin}/s/${token}` }, { status: 201 });
};
