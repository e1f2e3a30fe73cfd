import { withOwn } from '$lib/server/own.ts';
import { listPieces } from '$lib/server/pieces/pieces.ts';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals }) => ({
  pieces: await withOwn(locals, listPieces),
});
