import * as z from 'zod';

/** Ids as the database knows them, branded so that one cannot stand in for another. */
export const teacherIdSchema = z.uuid().brand<'TeacherId'>();
export const pieceIdSchema = z.uuid().brand<'PieceId'>();
export const fingeringIdSchema = z.uuid().brand<'FingeringId'>();
export type TeacherId = z.infer<typeof teacherIdSchema>;
export type PieceId = z.infer<typeof pieceIdSchema>;
export type FingeringId = z.infer<typeof fingeringIdSchema>;
