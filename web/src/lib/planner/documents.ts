import {
  correctMusicXml,
  marksOf,
  planJson,
  success,
  tablatureOf,
  wantedMarks,
  withTablatureStaff,
  writeMusicXml,
  type Correction,
  type ImportedScore,
  type NoteId,
  type Plan,
} from '@oculon/core';
import { findingWords } from '../words.ts';

/** What a piece was read from. */
interface ReadFrom {
  readonly source: string;
  readonly part: string | undefined;
  readonly marks: ImportedScore['marks'];
}

/** A plan in the file that the piece was read from, on request with a staff of six lines under its notes. */
export const musicXmlOf = (plan: Plan, { source, part, marks }: ReadFrom, hasTablature: boolean) => {
  const options = part === undefined ? {} : { part };
  const marked = writeMusicXml(source, marksOf(plan), { ...options, signs: wantedMarks(plan, marks) });
  const written =
    marked.ok && hasTablature
      ? withTablatureStaff(marked.value, tablatureOf(plan), plan.setup.guitar, options)
      : marked;
  return written.ok ? success(new TextEncoder().encode(written.value)) : written;
};

export const jsonOf = (plan: Plan, ms: Parameters<typeof planJson>[1]): string =>
  JSON.stringify(planJson(plan, ms, findingWords), null, 1);

/** The file that a piece was read from with one note corrected. */
export const correctedXml = ({ source, part }: ReadFrom, note: NoteId, correction: Correction) => {
  const corrected = correctMusicXml(source, note, correction, part === undefined ? {} : { part });
  return corrected.ok ? success(new TextEncoder().encode(corrected.value)) : corrected;
};
