import {
  readMusicXml,
  readSourceFile,
  success,
  type ImportProblem,
  type Repair,
  type Result,
} from '@oculon/core';

/** What the library keeps of a score beside its file. */
export interface ScoreFacts {
  readonly title: string;
  readonly composer: string;
  readonly bars: number;
  readonly notes: number;
  readonly keyFifths: number;
  readonly keyMode: 'major' | 'minor' | null;
  readonly partId: string;
  readonly repairs: readonly Repair[];
}

export type ScoreReader = (
  content: Uint8Array,
  part: string | undefined,
) => Promise<Result<ScoreFacts, ImportProblem>>;

/** Reads a score file; takes as long as the file is large, so a server does it in a thread of its own. */
export const readScore = (
  content: Uint8Array,
  part: string | undefined,
): Result<ScoreFacts, ImportProblem> => {
  const text = readSourceFile(content);
  if (!text.ok) return text;
  const imported = readMusicXml(text.value, part === undefined ? {} : { part });
  if (!imported.ok) return imported;
  const { score, repairs, partId } = imported.value;
  return success({
    title: score.title,
    composer: score.composer,
    bars: score.bars.length,
    notes: score.notes.length,
    keyFifths: score.bars[0]!.key,
    keyMode: score.bars[0]!.mode ?? null,
    partId,
    repairs,
  });
};
