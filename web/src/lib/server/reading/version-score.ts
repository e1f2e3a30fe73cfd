import {
  applyEdits,
  EMPTY_FINGERING,
  readMusicXml,
  readSourceFile,
  type Edit,
  type Fingering,
  type ImportedScore,
  type Score,
} from '@oculon/core';
import { scoreAsRead } from '../../planner/setup.ts';

/** A version as it is kept: the file of its piece, and what was decided. */
export interface KeptVersion {
  readonly source: Uint8Array;
  readonly part: string | undefined;
  readonly edits: readonly Edit[];
}

/** A version read again: the score in its octave, and the teacher's document. */
export interface ReadVersion {
  readonly score: Score;
  readonly fingering: Fingering;
  readonly marks: ImportedScore['marks'];
}

/** Reads a kept version; undefined when its source is no score any more. */
export const readVersion = ({ source, part, edits }: KeptVersion): ReadVersion | undefined => {
  const text = readSourceFile(source);
  const read = text.ok ? readMusicXml(text.value, part === undefined ? {} : { part }) : text;
  if (!read.ok) return undefined;
  const fingering = applyEdits(EMPTY_FINGERING, edits);
  return { score: scoreAsRead(read.value.score, fingering.setup), fingering, marks: read.value.marks };
};
