import { error } from '@sveltejs/kit';
import { pieceIdSchema } from '$lib/server/ids.ts';
import { withOwn } from '$lib/server/own.ts';
import { findPiece, findSource } from '$lib/server/pieces/pieces.ts';
import { typedIn } from '$lib/typing/typed-file.ts';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ params, locals }) => {
  const id = pieceIdSchema.safeParse(params.piece);
  const found = id.success
    ? await withOwn(locals, async (client, teacher) => ({
        piece: await findPiece(client, teacher, id.data),
        source: await findSource(client, teacher, id.data),
      }))
    : undefined;
  if (!found?.piece || !found.source) error(404, 'There is no such piece.');
  const typed = typedIn(new TextDecoder().decode(found.source.content));
  if (typed === undefined)
    error(404, 'This piece was not typed in here. Correct it in your notation program and import it again.');
  return { piece: { id: found.piece.id, title: found.piece.title, digest: found.source.digest, typed } };
};
