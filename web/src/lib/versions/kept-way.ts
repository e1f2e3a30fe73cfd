import * as z from 'zod/mini';
import { choiceSchema, humanText, noteIdSchema } from '@oculon/core';

export const versionNameSchema = humanText(1, 100);

/** More notes than a piece that can be opened has in one passage. */
const MOST_CHOICES = 5000;

/** Another way of a passage, to be kept as a version beside the one it was found in. */
export const keptWaySchema = z.strictObject({
  name: versionNameSchema,
  choices: z.array(z.tuple([noteIdSchema, choiceSchema])).check(z.minLength(1), z.maxLength(MOST_CHOICES)),
});
export type KeptWay = z.infer<typeof keptWaySchema>;
