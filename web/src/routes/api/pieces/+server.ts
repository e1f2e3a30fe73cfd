import { json } from '@sveltejs/kit';
import { MAX_SOURCE_BYTES } from '@oculon/core';
import { database } from '$lib/server/database/database.ts';
import { withDatabase } from '$lib/server/database/trouble.ts';
import { importPiece } from '$lib/server/pieces/import-piece.ts';
import { fileNameIn, statusOf, toldProblem } from '$lib/server/pieces/score-request.ts';
import { visitorIn } from '$lib/server/own.ts';
import { readBody } from '$lib/server/read-body.ts';
import { readScoreApart } from '$lib/server/reading/pool.ts';
import type { RequestHandler } from './$types';

/** Imports the score file in the body; `x-file-name` carries its name, `?part=` the part to read. */
export const POST: RequestHandler = async ({ request, locals, url }) => {
  const content = await readBody(request, MAX_SOURCE_BYTES);
  const imported = await withDatabase(() =>
    importPiece(
      database(),
      visitorIn(locals).teacher,
      fileNameIn(request.headers),
      content,
      readScoreApart,
      url.searchParams.get('part') ?? undefined,
    ),
  );
  return imported.ok
    ? json(imported.value, { status: 201 })
    : json(toldProblem(imported.error), { status: statusOf(imported.error) });
};
