import { error, json } from '@sveltejs/kit';
import { handoutRequestSchema } from '$lib/handouts/handout-request.ts';
import { listEdits } from '$lib/server/fingerings/fingerings.ts';
import { insertHandout } from '$lib/server/handouts/handouts.ts';
import { sourceOfVersion } from '$lib/server/handouts/version-source.ts';
import { fingeringIdSchema } from '$lib/server/ids.ts';
import { withOwn } from '$lib/server/own.ts';
import { BODY_LIMITS, readJson } from '$lib/server/read-body.ts';
import { makeHandoutApart } from '$lib/server/reading/pool.ts';
import type { RequestHandler } from './$types';

/** Makes a student's page of a version as it stands, and gives the link that opens it. */
export const POST: RequestHandler = async ({ params, locals, request, url }) => {
  const fingering = fingeringIdSchema.safeParse(params.fingering);
  const wanted = handoutRequestSchema.safeParse(await readJson(request, BODY_LIMITS.handout));
  if (!wanted.success) error(400, 'What is to be handed out cannot be read.');
  const found =
    fingering.success &&
    (await withOwn(locals, async (client, teacher) => {
      const version = await sourceOfVersion(client, teacher, fingering.data);
      return version && { version, edits: await listEdits(client, teacher, fingering.data, 0) };
    }));
  if (!found) error(404, 'There is no such version.');
  const { version, edits } = found;
  // Made outside the transaction: planning takes its time.
  const content = await makeHandoutApart({
    source: new Uint8Array(version.content),
    part: version.partId,
    edits: edits.map(({ edit }) => edit),
    title: version.title,
    composer: version.composer,
    lesson: wanted.data.lesson,
  });
  if (!content) error(503, 'The page could not be made. Nothing was given out; try again in a moment.');
  const token = await withOwn(locals, (client, teacher) =>
    insertHandout(
      client,
      teacher,
      version.id,
      version.studentId,
      edits.at(-1)?.revision ?? 0,
      wanted.data,
      content,
    ),
  );
  return json({ link: `${url.origin}/s/${token}` }, { status: 201 });
};
