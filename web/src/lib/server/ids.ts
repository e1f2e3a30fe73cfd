import * as z from 'zod';

/** Ids as the database knows and prints them: in small letters, whoever writes them. */
const id = z.uuid().toLowerCase();

/** Branded so that one cannot stand in for another. */
export const teacherIdSchema = id.brand<'TeacherId'>();
export const sessionIdSchema = id.brand<'SessionId'>();
export const pieceIdSchema = id.brand<'PieceId'>();
export const fingeringIdSchema = id.brand<'FingeringId'>();
export const studentIdSchema = id.brand<'StudentId'>();
export const instrumentIdSchema = id.brand<'InstrumentId'>();
export const handoutIdSchema = id.brand<'HandoutId'>();
export const questionIdSchema = id.brand<'QuestionId'>();
export const courseIdSchema = id.brand<'CourseId'>();
export const goalIdSchema = id.brand<'GoalId'>();
export const lessonNoteIdSchema = id.brand<'LessonNoteId'>();
export type TeacherId = z.infer<typeof teacherIdSchema>;
export type SessionId = z.infer<typeof sessionIdSchema>;
export type PieceId = z.infer<typeof pieceIdSchema>;
export type FingeringId = z.infer<typeof fingeringIdSchema>;
export type StudentId = z.infer<typeof studentIdSchema>;
export type InstrumentId = z.infer<typeof instrumentIdSchema>;
export type HandoutId = z.infer<typeof handoutIdSchema>;
export type QuestionId = z.infer<typeof questionIdSchema>;
export type CourseId = z.infer<typeof courseIdSchema>;
export type GoalId = z.infer<typeof goalIdSchema>;
export type LessonNoteId = z.infer<typeof lessonNoteIdSchema>;
