import { changedText, wordingIn, type NotePlan, type NoteTaken } from '@oculon/core';
import { scoreOf, type HandoutContent, type PageChange } from '../../handouts/handout.ts';
import type { Lesson } from '../../lesson/lesson.ts';

const isAlike = (one: NoteTaken, other: NoteTaken): boolean =>
  one.finger === other.finger &&
  one.string === other.string &&
  one.fret === other.fret &&
  one.pluck === other.pluck;

/** What one page takes otherwise than another of the same piece, note by note in playing order, in the student's words. */
export const changedNotes = (
  before: HandoutContent,
  now: HandoutContent,
  { language, noteNames }: Pick<Lesson, 'language' | 'noteNames'>,
): readonly PageChange[] => {
  const known = new Map<string, NotePlan>(before.notes.map((note) => [note.id, note]));
  const wording = wordingIn(language, noteNames);
  const { notes } = scoreOf(now);
  return now.notes.flatMap((note, index): PageChange[] => {
    const old = known.get(note.id);
    if (!old || note.tied || isAlike(old, note)) return [];
    const { bar, sounding } = notes[index]!;
    return [{ bar, text: changedText(wording, sounding, old, note) }];
  });
};
