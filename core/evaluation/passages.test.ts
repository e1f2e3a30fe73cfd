import { describe, expect, it } from 'vitest';
import { judgePassage, marginsOf } from './judge-passage.ts';
import { isForTuning, PASSAGES } from './passages.ts';
import { JUDGEMENTS } from './passages/judgements.ts';
import { HEADINGS } from './passages/passage.ts';

/** Margins may be a hair below nothing where a price is rounded. */
const TOLERANCE = 1e-6;

// Accepted fingerings are common practice, no published source.
const verdicts = PASSAGES.map(judgePassage);
const agreement = (all: typeof verdicts): number =>
  all.reduce((sum, { agreeing }) => sum + agreeing, 0) / all.reduce((sum, { notes }) => sum + notes, 0);
const differing = verdicts.filter(({ agreeing, notes }) => agreeing < notes);

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

  it('have a judgement wherever the planner disagrees, and only there', () => {
    expect(Object.keys(JUDGEMENTS).sort()).toEqual(differing.map(({ passage }) => passage.name).sort());
  });

  it('are accepted only as hands can play them, and never cheaper than the plan', () => {
    for (const passage of PASSAGES)
      for (const margin of marginsOf(passage)) {
        expect(margin, passage.name).toBeLessThan(Infinity);
        expect(margin, passage.name).toBeGreaterThan(-TOLERANCE);
      }
  }, 120_000);
});
