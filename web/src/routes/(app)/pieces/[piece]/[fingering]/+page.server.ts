import { error } from '@sveltejs/kit';
import { listEdits } from '$lib/server/fingerings/fingerings.ts';
import { findVersion } from '$lib/server/fingerings/versions.ts';
import { fingeringIdSchema, pieceIdSchema } from '$lib/server/ids.ts';
import { withOwn } from '$lib/server/own.ts';
import { findPiece, findReading } from '$lib/server/pieces/pieces.ts';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ params, locals }) => {
  const [piece, fingering] = [
    pieceIdSchema.safeParse(params.piece),
    fingeringIdSchema.safeParse(params.fingering),
  ];
  if (!piece.success || !fingering.success) error(404, 'There is no such piece.');
  const found = await withOwn(locals, async (client, teacher) => {
    const version = await findVersion(client, teacher, piece.data, fingering.data);
    return (
      version && {
        version,
        piece: await findPiece(client, teacher, piece.data),
        reading: await findReading(client, teacher, piece.data),
        edits: await listEdits(client, teacher, fingering.data, 0),
      }
    );
  });
  if (!found?.piece || !found.reading)
    error(404, 'There is no such piece or version. It may have been deleted in another window.');
  const { version, edits } = found;
  return {
    piece: found.piece,
    version: {
      name: version.name,
      student: version.studentName,
      isAway: version.deletedAt !== null,
    },
    part: found.reading.partId,
    fingering: version.id,
    // Counted from the edits read, so that one saved in between is not skipped.
    revision: edits.at(-1)?.revision ?? 0,
    edits: edits.map((each) => each.edit),
    // What was saved is not adopted again from what the browser kept.
    editIds: edits.map((each) => each.id),
  };
};
