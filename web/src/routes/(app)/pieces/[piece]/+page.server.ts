import { error, redirect } from '@sveltejs/kit';
import { latestVersion } from '$lib/server/fingerings/versions.ts';
import { pieceIdSchema } from '$lib/server/ids.ts';
import { withOwn } from '$lib/server/own.ts';
import type { PageServerLoad } from './$types';

/** A piece opens at the version that was worked on last. */
export const load: PageServerLoad = async ({ params, locals }) => {
  const piece = pieceIdSchema.safeParse(params.piece);
  const version = piece.success
    ? await withOwn(locals, (client, teacher) => latestVersion(client, teacher, piece.data))
    : undefined;
  if (!version) error(404, 'There is no such piece. It may have been deleted in another window.');
  redirect(307, `/pieces/${params.piece}/${version}`);
};
