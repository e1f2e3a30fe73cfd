import { quartersText } from '../music/time.ts';
import { pitchName } from '../music/pitch.ts';
import type { Note, Score } from '../score/score.ts';

/** Index of the bar that contains a moment. */
const barAt = (score: Score, onset: number): number => {
  let low = 0;
  let high = score.bars.length - 1;
  while (low < high) {
    const middle = (low + high + 1) >> 1;
    if (score.bars[middle]!.start <= onset) low = middle;
    else high = middle - 1;
  }
  return low;
};

/** A moment as our formats write it: the bar, counted from 1, and quarters from its start as a fraction. */
export const placeOf = (score: Score, onset: number): { readonly bar: number; readonly beat: string } => {
  const index = barAt(score, onset);
  return { bar: index + 1, beat: quartersText(onset - score.bars[index]!.start, score.ticksPerQuarter) };
};

/** A note as our formats name it: where it stands and what it sounds. */
export const noteAtPlace = (score: Score, note: Note) => {
  const bar = score.bars[note.bar]!;
  return {
    id: note.id,
    bar: note.bar + 1,
    number: bar.number,
    beat: quartersText(note.onset - bar.start, score.ticksPerQuarter),
    voice: note.voice,
    pitch: pitchName(note.sounding),
  };
};
