import { error, json } from '@sveltejs/kit';
import { insertVersion, pieceOfVersion } from '$lib/server/fingerings/versions.ts';
import { fingeringIdSchema } from '$lib/server/ids.ts';
import { withOwn } from '$lib/server/own.ts';
import { BODY_LIMITS, readJson } from '$lib/server/read-body.ts';
import { findTeacher } from '$lib/server/teachers/teachers.ts';
import { keptWaySchema } from '$lib/versions/kept-way.ts';
import type { RequestHandler } from './$types';

/** Makes a version of a version, with some notes taken otherwise. */
export const POST: RequestHandler = async ({ params, locals, request }) => {
  const origin = fingeringIdSchema.safeParse(params.fingering);
  const wanted = keptWaySchema.safeParse(await readJson(request, BODY_LIMITS.edits));
  if (!wanted.success) error(400, 'This way cannot be read.');
  const made =
    origin.success &&
    (await withOwn(locals, async (client, teacher) => {
      const piece = await pieceOfVersion(client, teacher, origin.data);
      const maker = await findTeacher(client, teacher);
      return (
        piece &&
        insertVersion(client, teacher, piece, {
          name: wanted.data.name,
          maker: maker?.name ?? '',
          origin: origin.data,
          beyond: wanted.data.choices,
        })
      );
    }));
  if (!made) error(404, 'There is no such version.');
  return json({ fingering: made }, { status: 201 });
};
