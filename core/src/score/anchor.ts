import type { NoteIndex, Score } from './score.ts';

/** The first notehead of a chord in its voice: all notes that are struck together are one place for a mark. */
export const anchorOf = (score: Score, note: NoteIndex): NoteIndex => {
  const { onset, voice, grace } = score.notes[note]!;
  let anchor = note;
  // Grace notes share an onset without being struck together.
  for (let at = note - 1; !grace && at >= 0 && score.notes[at]!.onset === onset; at -= 1)
    if (score.notes[at]!.voice === voice && !score.notes[at]!.grace) anchor = at;
  return anchor;
};
