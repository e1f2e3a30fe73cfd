import { json } from '@sveltejs/kit';
import { MAX_SOURCE_BYTES } from '@oculon/core';
import { database } from '$lib/server/database.ts';
import { importPiece } from '$lib/server/import-piece.ts';
import type { RequestHandler } from './$types';

/** Imports the score file in the body; `x-file-name` carries its name, `?part=` the part to read. */
export const POST: RequestHandler = async ({ request, locals, url }) => {
  const length = Number(request.headers.get('content-length') ?? 0);
  if (length > MAX_SOURCE_BYTES)
    return json(
      {
        code: 'too-large',
        message: `The file is larger than ${MAX_SOURCE_BYTES / 1024 / 1024} MB. Export the guitar part alone.`,
      },
      { status: 413 },
    );
  let fileName = 'piece.musicxml';
  try {
    fileName = decodeURIComponent(request.headers.get('x-file-name') ?? fileName);
  } catch {
    // A name that cannot be read is no reason to refuse the piece.
  }
  const content = new Uint8Array(await request.arrayBuffer());
  const imported = await importPiece(
    database(),
    locals.teacher,
    fileName,
    content,
    url.searchParams.get('part') ?? undefined,
  );
  return imported.ok ? json(imported.value, { status: 201 }) : json(imported.error, { status: 422 });
};
