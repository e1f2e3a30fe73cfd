import { describe, expect, it } from 'vitest';
import { isForTuning, judgePassage, PASSAGES } from './passages.ts';
import { HEADINGS } from './passages/passage.ts';

// Accepted fingerings are common practice, no published source.
const verdicts = PASSAGES.map(judgePassage);
const agreement = (all: typeof verdicts): number =>
  all.reduce((sum, { agreeing }) => sum + agreeing, 0) / all.reduce((sum, { notes }) => sum + notes, 0);

describe('passages with accepted fingerings', () => {
  it('are at least 120, of every heading, with names of their own', () => {
    expect(PASSAGES.length).toBeGreaterThanOrEqual(120);
    expect(new Set(PASSAGES.map((each) => each.heading))).toEqual(new Set(HEADINGS));
    expect(new Set(PASSAGES.map((each) => each.name)).size).toBe(PASSAGES.length);
  });

  it('come out within the accepted set on the half that was not tuned on', () => {
    const reported = verdicts.filter(({ passage }) => !isForTuning(passage));
    expect(reported.length).toBeGreaterThan(PASSAGES.length / 3);
    expect(agreement(reported)).toBeGreaterThan(0.9);
  });
});
