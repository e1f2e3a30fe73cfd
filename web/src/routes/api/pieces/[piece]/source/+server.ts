import { error } from '@sveltejs/kit';
import { database } from '$lib/server/database/database.ts';
import { withDatabase } from '$lib/server/database/trouble.ts';
import { pieceIdSchema } from '$lib/server/ids.ts';
import { findSource } from '$lib/server/pieces/pieces.ts';
import type { RequestHandler } from './$types';

/** The file as it came. */
export const GET: RequestHandler = async ({ params, locals }) => {
  const piece = pieceIdSchema.safeParse(params.piece);
  const source = piece.success
    ? await withDatabase(() => findSource(database(), locals.teacher, piece.data))
    : undefined;
  if (!source) error(404, 'There is no such piece.');
  return new Response(new Uint8Array(source.content), {
    headers: {
      'content-type': 'application/octet-stream',
      'content-disposition': `attachment; filename*=UTF-8''${encodeURIComponent(source.fileName)}`,
    },
  });
};
