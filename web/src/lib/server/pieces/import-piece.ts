import { failure, readable, shortened, success, type ImportProblem, type Result } from '@oculon/core';
import type pg from 'pg';
import { asTeacher } from '../database/database.ts';
import { insertFingering } from '../fingerings/fingerings.ts';
import { repairWords } from '../../words.ts';
import type { PieceId, TeacherId } from '../ids.ts';
import { findTeacher } from '../teachers/teachers.ts';
import { insertPiece, replaceSource, type NewPiece, type ToldRepair } from './pieces.ts';
import type { ScoreReader } from '../reading/read-score.ts';

export interface ImportedPiece {
  readonly id: PieceId;
  /** What was mended while reading, as it is said. */
  readonly repairs: readonly ToldRepair[];
}

/** Longest names, in code points, as the database has room for them. */
const LONGEST_NAME = 300;
const LONGEST_FILE_NAME = 400;

const titleFromFile = (fileName: string): string =>
  fileName
    .replace(/\.(musicxml|xml|mxl)$/i, '')
    .replaceAll(/[_-]+/g, ' ')
    .trim() || 'Untitled';

/** Reads a score file into what is kept of a piece, or says what is wrong with it. */
const pieceFrom = async (
  fileName: string,
  content: Uint8Array,
  read: ScoreReader,
  part: string | undefined,
): Promise<Result<{ readonly piece: NewPiece; readonly repairs: readonly ToldRepair[] }, ImportProblem>> => {
  const facts = await read(content, part);
  if (!facts.ok) return failure(facts.error);
  const { title, composer, keyFifths, repairs, ...rest } = facts.value;
  const name = shortened(readable(fileName), LONGEST_FILE_NAME) || 'piece.musicxml';
  return success({
    piece: {
      ...rest,
      title: shortened(readable(title) || titleFromFile(name), LONGEST_NAME),
      composer: shortened(readable(composer), LONGEST_NAME),
      keyFifths: Math.max(-14, Math.min(14, keyFifths)),
      fileName: name,
      content,
      repairs: repairs.map((repair) => ({ code: repair.code, message: readable(repairWords(repair)) })),
    },
    repairs: repairs.map((repair) => ({ code: repair.code, message: repairWords(repair) })),
  });
};

/** Reads a score file and keeps it with an empty fingering, or says what is wrong with it. */
export const importPiece = async (
  pool: pg.Pool,
  teacher: TeacherId,
  fileName: string,
  content: Uint8Array,
  read: ScoreReader,
  part?: string,
): Promise<Result<ImportedPiece, ImportProblem>> => {
  const made = await pieceFrom(fileName, content, read, part);
  if (!made.ok) return made;
  const { piece, repairs } = made.value;
  const id = await asTeacher(pool, teacher, async (client) => {
    const inserted = await insertPiece(client, teacher, piece);
    const maker = await findTeacher(client, teacher);
    await insertFingering(client, teacher, inserted, maker?.name ?? '');
    return inserted;
  });
  return success({ id, repairs });
};

/**
 * Reads a score file as another source of a piece, in place of the one with the digest `from`; its fingerings stay, and what
 * was decided of notes that are still written holds. `changed` when the piece was corrected elsewhere meanwhile, `none` when
 * the teacher has no such piece.
 */
export const correctPiece = async (
  pool: pg.Pool,
  teacher: TeacherId,
  id: PieceId,
  fileName: string,
  content: Uint8Array,
  read: ScoreReader,
  {
    from,
    part,
    keepsName = false,
  }: { readonly from: string; readonly part?: string; readonly keepsName?: boolean },
): Promise<Result<ImportedPiece, ImportProblem> | 'changed' | 'none'> => {
  const made = await pieceFrom(fileName, content, read, part);
  if (!made.ok) return made;
  const { piece, repairs } = made.value;
  const outcome = await asTeacher(pool, teacher, (client) =>
    replaceSource(client, teacher, id, piece, { from, keepsName }),
  );
  return outcome === 'replaced' ? success({ id, repairs }) : outcome;
};
