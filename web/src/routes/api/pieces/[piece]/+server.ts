import { error, json } from '@sveltejs/kit';
import * as z from 'zod';
import { database } from '$lib/server/database.ts';
import { pieceIdSchema } from '$lib/server/ids.ts';
import { deletePiece, renamePiece } from '$lib/server/pieces.ts';
import type { RequestHandler } from './$types';

const namesSchema = z.strictObject({
  title: z.string().trim().min(1).max(300),
  composer: z.string().trim().max(300),
});

export const PATCH: RequestHandler = async ({ params, locals, request }) => {
  const piece = pieceIdSchema.safeParse(params.piece);
  const names = namesSchema.safeParse(await request.json().catch(() => undefined));
  if (!names.success) error(400, 'A title of 1 to 300 letters is needed.');
  if (!piece.success || !(await renamePiece(database(), locals.teacher, piece.data, names.data)))
    error(404, 'There is no such piece.');
  return json({ ok: true });
};

export const DELETE: RequestHandler = async ({ params, locals }) => {
  const piece = pieceIdSchema.safeParse(params.piece);
  if (!piece.success || !(await deletePiece(database(), locals.teacher, piece.data)))
    error(404, 'There is no such piece.');
  return json({ ok: true });
};
