import { describe, expect, it } from 'vitest';
import { chordShapes, judgeChord, rankFingerings, TUNING_KEYS } from './chords.ts';

// The open dataset `@tombatossals/chords-db` (MIT), 2069 shapes with fingers. Floors are what was reached; they only
// ever rise. `docs/evaluation.md` tells where the two disagree and which side is right.
const verdicts = chordShapes().map((shape) => judgeChord(shape, rankFingerings(shape)));
const reported = verdicts.filter(({ shape }) => !TUNING_KEYS.has(shape.key));
const share = <T>(all: readonly T[], isGood: (each: T) => boolean): number =>
  all.filter(isGood).length / all.length;

describe('chord shapes of the dataset', () => {
  it('has 2069 shapes, of which a hand can hold all but two', () => {
    expect(verdicts).toHaveLength(2069);
    const impossible = verdicts.filter(({ ranked }) => ranked.length === 0);
    expect(impossible.map(({ shape }) => shape.name)).toEqual(['C 9 (4)', 'E /G (2)']);
  });

  it('agrees with our fingers on the half that was not tuned on', () => {
    expect(share(reported, ({ rank }) => rank === 1)).toBeGreaterThan(0.865);
    expect(share(reported, ({ rank }) => rank !== undefined && rank <= 3)).toBeGreaterThan(0.95);
    const notes = reported.reduce((sum, { shape }) => sum + shape.notes.length, 0);
    expect(reported.reduce((sum, { sameFingers }) => sum + sameFingers, 0) / notes).toBeGreaterThan(0.945);
  });
});
