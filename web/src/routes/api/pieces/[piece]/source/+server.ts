import { error, json } from '@sveltejs/kit';
import { MAX_SOURCE_BYTES } from '@oculon/core';
import { database } from '$lib/server/database/database.ts';
import { withDatabase } from '$lib/server/database/trouble.ts';
import { pieceIdSchema } from '$lib/server/ids.ts';
import { visitorIn, withOwn } from '$lib/server/own.ts';
import { correctPiece } from '$lib/server/pieces/import-piece.ts';
import { findPiece, findSource } from '$lib/server/pieces/pieces.ts';
import { fileNameIn, statusOf, toldProblem } from '$lib/server/pieces/score-request.ts';
import { readBody } from '$lib/server/read-body.ts';
import { readScoreApart } from '$lib/server/reading/pool.ts';
import type { RequestHandler } from './$types';

/** The digest of the source that a request is about, from its entity tag (RFC 9110, 13.1.1). */
const digestIn = (request: Request): string | undefined =>
  /^"([0-9a-f]{64})"$/.exec(request.headers.get('if-match') ?? '')?.[1];

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
      etag: `"${source.digest}"`,
      'content-disposition': `attachment; filename*=UTF-8''${encodeURIComponent(source.fileName)}`,
    },
  });
};

/**
 * Gives the piece another source, such as one in which a note was corrected; its fingerings stay. `?part=` is the part to
 * read, with `?keep-name` it is called what it was. The source it takes the place of is named by its entity tag, so that of
 * two windows neither undoes what the other corrected.
 */
export const PUT: RequestHandler = async ({ params, locals, request, url }) => {
  const piece = pieceIdSchema.safeParse(params.piece);
  // Nobody has a file read for a piece that is not theirs.
  const isOwn =
    piece.success && (await withOwn(locals, (client, teacher) => findPiece(client, teacher, piece.data)));
  const content = await readBody(request, MAX_SOURCE_BYTES);
  const part = url.searchParams.get('part');
  if (!isOwn) error(404, 'There is no such piece.');
  const from = digestIn(request);
  if (from === undefined)
    return json(
      { code: 'no-source-named', message: 'Load the page again before you correct the piece.' },
      { status: 428 },
    );
  const corrected = await withDatabase(() =>
    correctPiece(
      database(),
      visitorIn(locals).teacher,
      piece.data,
      fileNameIn(request.headers),
      content,
      readScoreApart,
      { from, ...(part !== null && { part }), keepsName: url.searchParams.has('keep-name') },
    ),
  );
  if (corrected === 'none') error(404, 'There is no such piece.');
  if (corrected === 'changed')
    return json(
      {
        code: 'changed-meanwhile',
        message:
          'This piece was corrected in another window since you opened it here. Nothing was changed now. Load the page again and correct it there.',
      },
      { status: 412 },
    );
  return corrected.ok
    ? json(corrected.value)
    : json(toldProblem(corrected.error), { status: statusOf(corrected.error) });
};
