import { beatText } from '../score/place.ts';
import { barLabel, type Score } from '../score/score.ts';
import type { Wording } from './wording.ts';

/** A moment within a sentence: `bar 3, beat 2½`. `onset` is in ticks from the start of the piece. */
export const placeText = ({ say }: Wording, score: Score, onset: number): string => {
  const bar = score.bars.findLast((each) => each.start <= onset) ?? score.bars[0]!;
  return say('place.bar-beat-within', {
    bar: barLabel(bar),
    beat: beatText(bar, onset - bar.start, score.ticksPerQuarter),
  });
};
