import * as z from 'zod';
import { editSchema } from '@oculon/core';

/** An edit on its way to the server, with an id so that sending it twice does no harm. */
export const sentEditSchema = z.strictObject({ id: z.uuid(), edit: editSchema });
export type SentEdit = z.infer<typeof sentEditSchema>;

/** An edit as the server keeps it. */
export const savedEditSchema = z.object({ revision: z.int(), id: z.uuid(), edit: editSchema });
export type SavedEdit = z.infer<typeof savedEditSchema>;

/** Most edits that one request carries. */
export const MAX_EDITS_PER_REQUEST = 500;

export const saveRequestSchema = z.strictObject({
  base: z.int().min(0),
  edits: z.array(sentEditSchema).min(1).max(MAX_EDITS_PER_REQUEST),
});

/** What became of a request to save. */
export const saveOutcomeSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('saved'), revision: z.int() }),
  z.object({ kind: z.literal('behind'), revision: z.int(), since: z.array(savedEditSchema) }),
]);
export type SaveOutcome = z.infer<typeof saveOutcomeSchema>;
