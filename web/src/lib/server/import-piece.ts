import {
  failure,
  readMusicXml,
  readSourceFile,
  success,
  type ImportProblem,
  type Repair,
  type Result,
} from '@oculon/core';
import type pg from 'pg';
import { inTransaction } from './database.ts';
import { insertFingering } from './fingerings.ts';
import type { PieceId, TeacherId } from './ids.ts';
import { insertPiece } from './pieces.ts';

export interface ImportedPiece {
  readonly id: PieceId;
  readonly repairs: readonly Repair[];
}

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
  part?: string,
): Promise<Result<ImportedPiece, ImportProblem>> => {
  const text = readSourceFile(content);
  if (!text.ok) return text;
  const imported = readMusicXml(text.value, part === undefined ? {} : { part });
  if (!imported.ok) return failure(imported.error);
  const { score, repairs, partId } = imported.value;
  const id = await inTransaction(pool, async (client) => {
    const piece = await insertPiece(client, teacher, {
      title: (score.title || titleFromFile(fileName)).slice(0, 300),
      composer: score.composer.slice(0, 300),
      bars: score.bars.length,
      notes: score.notes.length,
      keyFifths: Math.max(-14, Math.min(14, score.bars[0]!.key)),
      keyMode: score.bars[0]!.mode ?? null,
      fileName: fileName.slice(0, 400) || 'piece.musicxml',
      partId,
      content,
      repairs,
    });
    await insertFingering(client, teacher, piece);
    return piece;
  });
  return success({ id, repairs });
};
