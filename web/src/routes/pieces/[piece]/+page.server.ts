import { error } from '@sveltejs/kit';
import { database } from '$lib/server/database/database.ts';
import { withDatabase } from '$lib/server/database/trouble.ts';
import { findFingering, listEdits } from '$lib/server/fingerings/fingerings.ts';
import { pieceIdSchema } from '$lib/server/ids.ts';
import { findPiece, findReading } from '$lib/server/pieces/pieces.ts';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ params, locals }) => {
  const id = pieceIdSchema.safeParse(params.piece);
  if (!id.success) error(404, 'There is no such piece.');
  const client = database();
  const [piece, reading, fingering] = await withDatabase(() =>
    Promise.all([
      findPiece(client, locals.teacher, id.data),
      findReading(client, locals.teacher, id.data),
      findFingering(client, locals.teacher, id.data),
    ]),
  );
  if (!piece || !reading || !fingering)
    error(404, 'There is no such piece. It may have been deleted in another window.');
  const edits = await withDatabase(() => listEdits(client, locals.teacher, fingering.id, 0));
  return {
    piece,
    part: reading.partId,
    fingering: fingering.id,
    // Counted from the edits read, so that one saved in between is not skipped.
    revision: edits.at(-1)?.revision ?? 0,
    edits: edits.map((each) => each.edit),
    // What was saved is not adopted again from what the browser kept.
    editIds: edits.map((each) => each.id),
  };
};
