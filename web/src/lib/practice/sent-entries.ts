import { logEntrySchema } from '@oculon/core';
import * as z from 'zod/mini';

/** Entries sent at once, at most: a student who was offline for long sends several times. */
export const MOST_SENT = 200;

/** An entry on its way to the log. One that corrects another names it; withdrawn, it takes it out. */
export const sentEntrySchema = z
  .extend(logEntrySchema, { corrects: z.nullable(z.uuid()), withdrawn: z.boolean() })
  .check(
    z.refine(({ corrects, withdrawn }) => corrects !== null || !withdrawn, {
      error: 'Nothing is withdrawn.',
    }),
  );
export type SentEntry = z.infer<typeof sentEntrySchema>;

export const sentEntriesSchema = z.object({
  entries: z.array(sentEntrySchema).check(z.minLength(1), z.maxLength(MOST_SENT)),
});

const MS_PER_DAY = 86_400_000;
/** Whether an entry is of a day that has begun nowhere yet: east of the server it may be tomorrow. */
export const isAhead = ({ day }: Pick<SentEntry, 'day'>, now = Date.now()): boolean =>
  day > new Date(now + MS_PER_DAY).toISOString().slice(0, 10);
