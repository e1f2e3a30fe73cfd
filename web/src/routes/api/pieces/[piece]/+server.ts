import { error, json } from '@sveltejs/kit';
import { humanText } from '@oculon/core';
import * as z from 'zod';
import { pieceIdSchema } from '$lib/server/ids.ts';
import { withOwn } from '$lib/server/own.ts';
import { deletePiece, renamePiece } from '$lib/server/pieces/pieces.ts';
import { BODY_LIMITS, readJson } from '$lib/server/read-body.ts';
import type { RequestHandler } from './$types';

const namesSchema = z.strictObject({ title: humanText(1, 300), composer: humanText(0, 300) });

export const PATCH: RequestHandler = async ({ params, locals, request }) => {
  const piece = pieceIdSchema.safeParse(params.piece);
  const names = namesSchema.safeParse(await readJson(request, BODY_LIMITS.names));
  if (!names.success) error(400, 'A title of 1 to 300 readable letters is needed.');
  const isRenamed =
    piece.success &&
    (await withOwn(locals, (client, teacher) => renamePiece(client, teacher, piece.data, names.data)));
  if (!isRenamed) error(404, 'There is no such piece.');
  return json({ ok: true });
};

export const DELETE: RequestHandler = async ({ params, locals }) => {
  const piece = pieceIdSchema.safeParse(params.piece);
  const isDeleted =
    piece.success && (await withOwn(locals, (client, teacher) => deletePiece(client, teacher, piece.data)));
  if (!isDeleted) error(404, 'There is no such piece.');
  return json({ ok: true });
};
