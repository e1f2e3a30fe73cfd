import { describe, expect, it } from 'vitest';
import { exampleScore } from '../testing/planning.ts';
import { placeText } from './place-words.ts';
import { wordingIn } from './languages.ts';

const places = (score: ReturnType<typeof exampleScore>): string[] =>
  score.notes.map(({ onset }) => placeText(wordingIn('en'), score, onset));

// Players count beats from 1: common practice, no published source.
describe('places in a piece', () => {
  it('are counted from 1, with halves and thirds', () => {
    expect(places(exampleScore({ voices: ['C4/8 D4/8 E4/4 F4/8t G4/8t A4/8t B4/4'] }))).toEqual([
      'bar 1, beat 1',
      'bar 1, beat 1½',
      'bar 1, beat 2',
      'bar 1, beat 3',
      'bar 1, beat 3⅓',
      'bar 1, beat 3⅔',
      'bar 1, beat 4',
    ]);
  });

  it('of an upbeat count toward the bar whose end it is', () => {
    const score = exampleScore({ voices: ['E4/4 | C4/2 D4/2'], pickup: true });
    expect(places(score)).toEqual(['bar 0, beat 4', 'bar 1, beat 1', 'bar 1, beat 3']);
  });

  it('in eighths follow the time signature', () => {
    const score = exampleScore({ voices: ['C4/4. E4/4.'], meter: { beats: 6, beatType: 8 } });
    expect(places(score)).toEqual(['bar 1, beat 1', 'bar 1, beat 4']);
  });
});
