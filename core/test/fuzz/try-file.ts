import type { ImportProblem } from '../../src/formats/import-problem.ts';
import { findingSaid, problemSaid, repairSaid } from '../../src/testing/words.ts';
import {
  EMPTY_FINGERING,
  marksOf,
  planJson,
  planPiece,
  readMusicXml,
  readSourceFile,
  setupFor,
  wantedMarks,
  writeMusicXml,
} from '../../src/index.ts';

/** What became of a file. */
export type Trial = 'refused' | 'planned';

/** Signs that a message is none; what it quotes from the file may be anything. */
const isSenseless = (message: string): boolean =>
  /undefined|\bNaN (ms|quarters|semitones)|\[object|Bar [:,]/.test(message.replaceAll(/“[^”]*”/g, ''));

/**
 * Everything that is done with a file: read, planned, written out, exported and read again. Throws where the product would,
 * and where what it says or gives is no answer: a message without sense, times that are no times, an export that cannot be
 * read.
 */
export const tryFile = (bytes: Uint8Array): Trial => {
  const text = readSourceFile(bytes);
  const read = text.ok ? readMusicXml(text.value) : text;
  if (!text.ok || !read.ok) {
    const message = problemSaid((read as { error: ImportProblem }).error);
    if (message.length < 20 || isSenseless(message)) throw new Error(`no message: ${message}`);
    return 'refused';
  }
  const { score, marks, repairs } = read.value;
  for (const message of repairs.map(repairSaid))
    if (isSenseless(message)) throw new Error(`no repair: ${message}`);
  for (const note of score.notes)
    if (!Number.isInteger(note.onset) || note.onset < 0 || !Number.isInteger(note.duration))
      throw new Error(`no time: ${note.id}`);
  if (new Set(score.notes.map(({ id }) => id)).size !== score.notes.length) throw new Error('ids twice');
  const plan = planPiece(score, EMPTY_FINGERING, setupFor(score));
  JSON.stringify(planJson(plan, { parse: 0, left: 0, right: 0 }, findingSaid));
  void plan.technique.guides;
  const written = writeMusicXml(text.value, marksOf(plan), { signs: wantedMarks(plan, marks) });
  if (!written.ok) throw new Error(`not written: ${written.error.code}`);
  const again = readMusicXml(written.value);
  if (!again.ok) throw new Error(`not read again: ${again.error.code}`);
  if (again.value.score.notes.length !== score.notes.length) throw new Error('other notes after the export');
  return 'planned';
};
