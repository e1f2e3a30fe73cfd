import { failure, readable, shortened, success, type ImportProblem, type Result } from '@oculon/core';
import type pg from 'pg';
import { asTeacher } from '../database/database.ts';
import { insertFingering } from '../fingerings/fingerings.ts';
import { repairWords } from '../../words.ts';
import type { PieceId, TeacherId } from '../ids.ts';
import { findTeacher } from '../teachers/teachers.ts';
import { insertPiece, type ToldRepair } from './pieces.ts';
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

/** Reads a score file and keeps it with an empty fingering, or says what is wrong with it. */
export const importPiece = async (
  pool: pg.Pool,
  teacher: TeacherId,
  fileName: string,
  content: Uint8Array,
  read: ScoreReader,
  part?: string,
): Promise<Result<ImportedPiece, ImportProblem>> => {
  const facts = await read(content, part);
  if (!facts.ok) return failure(facts.error);
  const { title, composer, keyFifths, repairs, ...rest } = facts.value;
  const name = shortened(readable(fileName), LONGEST_FILE_NAME) || 'piece.musicxml';
  const id = await asTeacher(pool, teacher, async (client) => {
    const piece = await insertPiece(client, teacher, {
      ...rest,
      title: shortened(readable(title) || titleFromFile(name), LONGEST_NAME),
      composer: shortened(readable(composer), LONGEST_NAME),
      keyFifths: Math.max(-14, Math.min(14, keyFifths)),
      fileName: name,
      content,
      repairs: repairs.map((repair) => ({ code: repair.code, message: readable(repairWords(repair)) })),
    });
    const maker = await findTeacher(client, teacher);
    await insertFingering(client, teacher, piece, maker?.name ?? '');
    return piece;
  });
  return success({
    id,
    repairs: repairs.map((repair) => ({ code: repair.code, message: repairWords(repair) })),
  });
};
