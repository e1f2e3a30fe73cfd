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
  /** One of the teacher's students; nothing for somebody by name alone. */
  student: z.uuid().nullable().default(null),
  /** Planned for that student's hand and instrument, from their own version where there is one. */
  ownHand: z.boolean().default(false),
});
export type HandoutRequest = z.infer<typeof handoutRequestSchema>;

/** What is given in place of what a link shows. */
export const renewalRequestSchema = handoutRequestSchema.pick({ lesson: true, remarks: true });
export type RenewalRequest = z.infer<typeof renewalRequestSchema>;
