import { barLabel, quartersText, type Note, type Score } from '@oculon/core';

/** The first note struck at a tick. */
export const noteAt = (score: Score | undefined, onset: number): Note | undefined =>
  score?.notes.find((note) => note.onset === onset && note.tiedFrom === undefined);

/** A moment as it is said: `bar 3, beat 1/2`; beats are quarters from the start of the bar, counted from 0. */
export const placeWords = (score: Score, onset: number): string => {
  const bar = score.bars.findLast((each) => each.start <= onset) ?? score.bars[0]!;
  return `bar ${barLabel(bar)}, beat ${quartersText(onset - bar.start, score.ticksPerQuarter)}`;
};
