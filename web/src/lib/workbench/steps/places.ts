import type { Note, Score } from '@oculon/core';

/** The first note struck at a tick. */
export const noteAt = (score: Score | undefined, onset: number): Note | undefined =>
  score?.notes.find((note) => note.onset === onset && note.tiedFrom === undefined);
