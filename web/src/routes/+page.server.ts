import { database } from '$lib/server/database.ts';
import { listPieces } from '$lib/server/pieces.ts';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals }) => ({
  pieces: await listPieces(database(), locals.teacher),
});
