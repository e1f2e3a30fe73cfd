import { quartersText } from '../music/time.ts';
import type { Score } from '../score/score.ts';

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
