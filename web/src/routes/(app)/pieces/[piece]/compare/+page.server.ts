import { error } from '@sveltejs/kit';
import { listEdits } from '$lib/server/fingerings/fingerings.ts';
import { findVersion } from '$lib/server/fingerings/versions.ts';
import { fingeringIdSchema, pieceIdSchema } from '$lib/server/ids.ts';
import { withOwn } from '$lib/server/own.ts';
import { findPiece, findReading } from '$lib/server/pieces/pieces.ts';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ params, locals, url }) => {
  const piece = pieceIdSchema.safeParse(params.piece);
  const one = fingeringIdSchema.safeParse(url.searchParams.get('one'));
  const other = fingeringIdSchema.safeParse(url.searchParams.get('other'));
  if (!piece.success || !one.success || !other.success) error(404, 'There are no such versions to compare.');
  const found = await withOwn(locals, async (client, teacher) => {
    const versions = [];
    for (const id of [one.data, other.data]) {
      const version = await findVersion(client, teacher, piece.data, id);
      if (!version) return undefined;
      const edits = await listEdits(client, teacher, id, 0);
      versions.push({ id, name: version.name, edits: edits.map(({ edit }) => edit) });
    }
    const [own, reading] = [
      await findPiece(client, teacher, piece.data),
      await findReading(client, teacher, piece.data),
    ];
    return own && reading && { piece: own, part: reading.partId, one: versions[0]!, other: versions[1]! };
  });
  if (!found) error(404, 'There are no such versions to compare.');
  return found;
};
