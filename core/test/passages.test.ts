import { describe, expect, it } from 'vitest';
import { judgePassage, marginsOf } from './judge-passage.ts';
import { REPORTED, TUNED_ON } from './passages.ts';
import { JUDGEMENTS } from './passages/judgements.ts';
import { HEADINGS } from './passages/passage.ts';
import { IS_WHOLE } from './programs.ts';

/** Costs of two plans are sums of many terms. */
const TOLERANCE = 1e-6;

// Accepted fingerings are common practice, no published source.
const PASSAGES = [...TUNED_ON, ...REPORTED];
const verdicts = new Map(PASSAGES.map((passage) => [passage, judgePassage(passage)]));

describe('passages with accepted fingerings', () => {
  it('are at least 120 reported ones, of every heading, with names of their own', () => {
    expect(REPORTED.length).toBeGreaterThanOrEqual(120);
    expect(new Set(REPORTED.map(({ heading }) => heading))).toEqual(new Set(HEADINGS));
    expect(new Set(PASSAGES.map(({ name }) => name)).size).toBe(PASSAGES.length);
  });

  it.each([
    ['tuned on', TUNED_ON],
    ['not tuned on', REPORTED],
  ])('come out within the accepted set: those %s', (_, passages) => {
    const of = passages.map((passage) => verdicts.get(passage)!);
    const agreeing = of.reduce((sum, verdict) => sum + verdict.agreeing, 0);
    const notes = of.reduce((sum, verdict) => sum + verdict.notes, 0);
    expect(agreeing / notes).toBeGreaterThan(0.95);
  });

  it('have a judgement wherever the planner disagrees, and only there', () => {
    const differing = PASSAGES.filter((passage) => {
      const { agreeing, notes } = verdicts.get(passage)!;
      return agreeing < notes;
    });
    expect(Object.keys(JUDGEMENTS).toSorted()).toEqual(differing.map(({ name }) => name).toSorted());
  });

  it('accept only what a hand can play, and nothing cheaper than the plan', () => {
    // Each passage is solved under each of its fingerings: all of them with `npm run evaluate`, every fourth here.
    for (const passage of PASSAGES.filter((_, index) => IS_WHOLE || index % 4 === 0))
      for (const margin of marginsOf(passage)) {
        expect(margin, passage.name).toBeLessThan(Infinity);
        expect(margin, passage.name).toBeGreaterThan(-TOLERANCE);
      }
  }, 120_000);
});
