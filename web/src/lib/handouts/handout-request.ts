import { humanText } from '@oculon/core';
import * as z from 'zod';
import { lessonSchema, LONGEST_REMARKS } from '../lesson/lesson.ts';
import { LINK_DAYS } from './handout.ts';

/** What a teacher asks for when handing out. */
export const handoutRequestSchema = z.strictObject({
  lesson: lessonSchema,
  recipient: humanText(0, 100),
  remarks: z.string().max(LONGEST_REMARKS),
  days: z.int().min(LINK_DAYS.least).max(LINK_DAYS.most),
});
export type HandoutRequest = z.infer<typeof handoutRequestSchema>;
