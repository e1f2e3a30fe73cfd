import { error } from '@sveltejs/kit';
import { pieceIdSchema } from '$lib/server/ids.ts';
import { withOwn } from '$lib/server/own.ts';
import { findSource } from '$lib/server/pieces/pieces.ts';
import type { RequestHandler } from './$types';

/** The file as it came. */
export const GET: RequestHandler = async ({ params, locals }) => {
  const piece = pieceIdSchema.safeParse(params.piece);
  const source = piece.success
    ? await withOwn(locals, (client, teacher) => findSource(client, teacher, piece.data))
    : undefined;
  if (!source) error(404, 'There is no such piece.');
  return new Response(new Uint8Array(source.content), {
    headers: {
      'content-type': 'application/octet-stream',
      'content-disposition': `attachment; filename*=UTF-8''${encodeURIComponent(source.fileName)}`,
    },
  });
};
