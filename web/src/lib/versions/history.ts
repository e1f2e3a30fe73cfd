import * as z from 'zod/mini';
import { editSchema, humanText } from '@oculon/core';
import { revisionSchema } from '../document/saving.ts';

/** Every revision of a version, as the server tells it: what was done, and when it was saved. */
export const historySchema = z.object({
  revisions: z.array(z.object({ revision: revisionSchema, at: z.iso.datetime(), edit: editSchema })),
  labels: z.array(z.object({ revision: revisionSchema, label: z.string() })),
});
export type SavedHistory = z.infer<typeof historySchema>;

/** A name for a revision; null takes it off. */
export const revisionLabelSchema = z.strictObject({
  revision: revisionSchema,
  label: z.nullable(humanText(1, 100)),
});
export type RevisionLabelChange = z.infer<typeof revisionLabelSchema>;
