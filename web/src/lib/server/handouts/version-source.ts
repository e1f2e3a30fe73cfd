import * as z from 'zod';
import type { Queryable } from '../database/database.ts';
import {
  fingeringIdSchema,
  pieceIdSchema,
  studentIdSchema,
  type FingeringId,
  type TeacherId,
} from '../ids.ts';

const sourceSchema = z.object({
  id: fingeringIdSchema,
  pieceId: pieceIdSchema,
  studentId: studentIdSchema.nullable(),
  title: z.string(),
  composer: z.string(),
  partId: z.string(),
  content: z.instanceof(Uint8Array),
});

/** A version with the file of its piece; undefined when the teacher has none such. */
export const sourceOfVersion = async (
  client: Queryable,
  teacher: TeacherId,
  fingering: FingeringId,
): Promise<z.infer<typeof sourceSchema> | undefined> => {
  const { rows } = await client.query(
    `select version.id, version.piece_id as "pieceId", version.student_id as "studentId", piece.title, piece.composer,
       source.part_id as "partId", source.content
     from fingerings as version
     join pieces as piece on piece.teacher_id = version.teacher_id and piece.id = version.piece_id
     join sources as source on source.teacher_id = piece.teacher_id and source.piece_id = piece.id
     where version.teacher_id = $1 and version.id = $2 and version.deleted_at is null`,
    [teacher, fingering],
  );
  return sourceSchema.optional().parse(rows[0]);
};
