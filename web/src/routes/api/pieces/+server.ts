import { json } from '@sveltejs/kit';
import { MAX_SOURCE_BYTES, type ImportProblem } from '@oculon/core';
import { database } from '$lib/server/database/database.ts';
import { withDatabase } from '$lib/server/database/trouble.ts';
import { importPiece } from '$lib/server/pieces/import-piece.ts';
import { visitorIn } from '$lib/server/own.ts';
import { readBody } from '$lib/server/read-body.ts';
import { readScoreApart } from '$lib/server/reading/pool.ts';
import { problemWords } from '$lib/words.ts';
import type { RequestHandler } from './$types';

const FIRST_NAME = 'piece.musicxml';

/** The name that the browser sends along; one that cannot be read is no reason to refuse the piece. */
const fileNameIn = (headers: Headers): string => {
  try {
    return decodeURIComponent(headers.get('x-file-name') ?? FIRST_NAME);
  } catch {
    return FIRST_NAME;
  }
};

const statusOf = ({ code }: ImportProblem): number =>
  code === 'too-large' || code === 'too-much-work' ? 413 : code === 'busy' ? 503 : 422;

/** The problem as the page is told of it, with the parts to choose from where there are several. */
const told = (problem: ImportProblem) => ({
  code: problem.code,
  message: problemWords(problem),
  ...(problem.code === 'choose-part' && { parts: problem.values.parts }),
});

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
    : json(told(imported.error), { status: statusOf(imported.error) });
};
