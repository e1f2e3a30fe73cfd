import { error } from '@sveltejs/kit';
import { listEdits } from './fingerings.ts';
import { findVersion, listVersions } from './versions.ts';
import { listHandouts } from '../handouts/handouts.ts';
import { listQuestions } from '../handouts/questions.ts';
import type { Queryable } from '../database/database.ts';
import { fingeringIdSchema, pieceIdSchema, type FingeringId, type PieceId, type TeacherId } from '../ids.ts';
import { withOwn } from '../own.ts';
import { TYPED_ENDING } from '../../typing/typed-file.ts';
import { findPiece, findReading } from '../pieces/pieces.ts';
import { findStudent } from '../students/students.ts';

/** A version that another was made from, as it stands now. */
const originOf = async (client: Queryable, teacher: TeacherId, piece: PieceId, id: FingeringId) => {
  const origin = await findVersion(client, teacher, piece, id);
  if (!origin) return undefined;
  const edits = await listEdits(client, teacher, id, 0);
  return { name: origin.name, edits: edits.map(({ edit }) => edit) };
};

/** What a page needs to open a version of a piece; answers 404 for what the teacher does not have. */
export const openVersion = async (
  params: { readonly piece: string; readonly fingering: string },
  locals: App.Locals,
) => {
  const [piece, fingering] = [
    pieceIdSchema.safeParse(params.piece),
    fingeringIdSchema.safeParse(params.fingering),
  ];
  if (!piece.success || !fingering.success) error(404, 'There is no such piece.');
  const found = await withOwn(locals, async (client, teacher) => {
    const version = await findVersion(client, teacher, piece.data, fingering.data);
    return (
      version && {
        version,
        piece: await findPiece(client, teacher, piece.data),
        reading: await findReading(client, teacher, piece.data),
        edits: await listEdits(client, teacher, fingering.data, 0),
        handouts: await listHandouts(client, teacher, fingering.data),
        versions: await listVersions(client, teacher, piece.data),
        questions: await listQuestions(client, teacher, fingering.data),
        origin: version.originId ? await originOf(client, teacher, piece.data, version.originId) : undefined,
        student: version.studentId ? await findStudent(client, teacher, version.studentId) : undefined,
      }
    );
  });
  if (!found?.piece || !found.reading)
    error(404, 'There is no such piece or version. It may have been deleted in another window.');
  const { version, edits, student } = found;
  return {
    piece: found.piece,
    version: {
      name: version.name,
      student: version.studentName,
      isAway: version.deletedAt !== null,
    },
    handouts: found.handouts,
    questions: found.questions,
    /** The other versions of the piece, the last touched first. */
    others: found.versions
      .filter(({ id, deletedAt }) => deletedAt === null && id !== version.id)
      .map(({ id, name }) => ({ id, name })),
    /** The version it was made from, when it is for a student: what differs is told against it. */
    origin: student && found.origin,
    /** How the student is spoken to, when it is for one. */
    speech: student && { language: student.language, noteNames: student.noteNames },
    part: found.reading.partId,
    digest: found.reading.digest,
    /** Whether the piece was typed in here and can be corrected as text. */
    isTyped: found.reading.fileName.endsWith(TYPED_ENDING),
    fingering: version.id,
    // Counted from the edits read, so that one saved in between is not skipped.
    revision: edits.at(-1)?.revision ?? 0,
    edits: edits.map((each) => each.edit),
    // What was saved is not adopted again from what the browser kept.
    editIds: edits.map((each) => each.id),
  };
};
