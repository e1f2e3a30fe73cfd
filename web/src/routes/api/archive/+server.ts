import { error, json } from '@sveltejs/kit';
import { collect } from '$lib/server/archive/collect.ts';
import { MAX_ARCHIVE_BYTES, pack, unpack } from '$lib/server/archive/pack.ts';
import { place } from '$lib/server/archive/place.ts';
import { withOwn } from '$lib/server/own.ts';
import { readBody } from '$lib/server/read-body.ts';
import type { RequestHandler } from './$types';

/** Everything that is the teacher's, as one file. */
export const GET: RequestHandler = async ({ locals }) => {
  const now = new Date();
  const packed = await pack(await withOwn(locals, (client, teacher) => collect(client, teacher, now)));
  return new Response(new Uint8Array(packed), {
    headers: {
      'content-type': 'application/zip',
      'content-disposition': `attachment; filename="oculon-${now.toISOString().slice(0, 10)}.zip"`,
    },
  });
};

/** Takes such a file in, beside what is there. */
export const POST: RequestHandler = async ({ request, locals }) => {
  const unpacked = await unpack(await readBody(request, MAX_ARCHIVE_BYTES));
  if (!unpacked.ok) error(422, unpacked.error);
  return json(await withOwn(locals, (client, teacher) => place(client, teacher, unpacked.value)), {
    status: 201,
  });
};
