import * as z from 'zod/mini';
import { EDIT_FORMAT, editSchema, readEdit } from '@oculon/core';

/** Ids of edits, chosen here and kept in small letters. */
const editId = z.uuid().check(z.toLowerCase());
/** Revisions as the database counts them. */
const revision = z.int().check(z.minimum(0), z.maximum(2_147_483_647));

/** An edit on its way to the server, with an id so that sending it twice does no harm. */
export const sentEditSchema = z.strictObject({ id: editId, edit: editSchema });
export type SentEdit = z.infer<typeof sentEditSchema>;

/** An edit as the server keeps it. */
export const savedEditSchema = z.object({ revision, id: editId, edit: editSchema });
export type SavedEdit = z.infer<typeof savedEditSchema>;

/** Most edits, and most bytes of them, that one request carries. */
export const MAX_EDITS_PER_REQUEST = 500;
export const MAX_REQUEST_BYTES = 200 * 1024;

/** Edits of an older page are read as they were written down then. */
export const saveRequestSchema = z
  .pipe(
    z.strictObject({
      base: revision,
      format: z._default(z.int().check(z.minimum(1), z.maximum(EDIT_FORMAT)), 1),
      edits: z
        .array(z.strictObject({ id: editId, edit: z.unknown() }))
        .check(z.minLength(1), z.maxLength(MAX_EDITS_PER_REQUEST)),
    }),
    z.transform(({ base, format, edits }, context) => ({
      base,
      edits: edits.map(({ id, edit }, index): SentEdit => {
        const read = format < EDIT_FORMAT ? readEdit(format, edit) : editSchema.safeParse(edit).data;
        if (!read)
          context.issues.push({ code: 'custom', input: edit, message: `edit ${index + 1} cannot be read` });
        return { id, edit: read! };
      }),
    })),
  )
  .check(
    z.refine(({ edits }) => new Set(edits.map(({ id }) => id)).size === edits.length, {
      error: 'the same edit twice',
    }),
  );

/** What became of a request to save. */
export const saveOutcomeSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('saved'), revision }),
  /**
   * Others saved in between: `since` are all edits after the revision `after`. That is the base the edits were made on, or
   * 0 where the server knows less than that: then its whole truth follows.
   */
  z.object({ kind: z.literal('behind'), revision, after: revision, since: z.array(savedEditSchema) }),
]);
export type SaveOutcome = z.infer<typeof saveOutcomeSchema>;

export const revisionSchema = revision;
