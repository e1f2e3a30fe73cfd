import { humanText } from '@oculon/core';
import * as z from 'zod/mini';
import { lessonSchema, LONGEST_REMARKS } from '../lesson/lesson.ts';
import { LINK_DAYS } from './handout.ts';

/** What a teacher asks for when handing out. */
export const handoutRequestSchema = z.strictObject({
  lesson: lessonSchema,
  recipient: humanText(0, 100),
  remarks: z.string().check(z.maxLength(LONGEST_REMARKS)),
  days: z.int().check(z.minimum(LINK_DAYS.least), z.maximum(LINK_DAYS.most)),
  /** One of the teacher's students; nothing for somebody by name alone. */
  student: z._default(z.nullable(z.uuid()), null),
  /** Planned for that student's hand and instrument, from their own version where there is one. */
  ownHand: z._default(z.boolean(), false),
});
export type HandoutRequest = z.infer<typeof handoutRequestSchema>;

/** What is given in place of what a link shows. */
export const renewalRequestSchema = z.pick(handoutRequestSchema, { lesson: true, remarks: true });
export type RenewalRequest = z.infer<typeof renewalRequestSchema>;
