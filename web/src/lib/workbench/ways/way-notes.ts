import { openPitch, type Choice, type Guitar, type NoteId, type NotePlan, type Score } from '@oculon/core';

/** How the notes would be taken in another way: as planned, but for what the way decides. */
export const notesOfWay = (
  score: Score,
  notes: readonly NotePlan[],
  guitar: Guitar,
  choices: readonly (readonly [NoteId, Choice])[],
): readonly NotePlan[] => {
  const decided = new Map(choices);
  return notes.map((note, index) => {
    const { string, finger } = decided.get(note.id) ?? {};
    if (string == null || finger == null) return note;
    return {
      ...note,
      string,
      finger,
      fret: score.notes[index]!.midi - openPitch(guitar, string),
      barre: false,
    };
  });
};
