import { database } from '$lib/server/database/database.ts';
import { withDatabase } from '$lib/server/database/trouble.ts';
import { listPieces } from '$lib/server/pieces/pieces.ts';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals }) => ({
  pieces: await withDatabase(() => listPieces(database(), locals.teacher)),
});
