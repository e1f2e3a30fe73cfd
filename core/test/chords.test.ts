import { describe, expect, it } from 'vitest';
import { STANDARD_GUITAR } from '../src/instrument/guitar.ts';
import { leftCosts } from '../src/left/hand/schools.ts';
import { handOf } from '../src/left/hand/hand.ts';
import { chordShapes, judgeChord, rankFingerings, TUNING_KEYS } from './chords.ts';

// The open dataset `@tombatossals/chords-db` (MIT), 2069 shapes with fingers. Floors are what was reached; they only
// ever rise. `docs/evaluation.md` tells where the two disagree and which side is right.
const verdicts = chordShapes().map((shape) => judgeChord(shape, rankFingerings(shape)));
const reported = verdicts.filter(({ shape }) => !TUNING_KEYS.has(shape.key));
const share = <T>(all: readonly T[], isGood: (each: T) => boolean): number =>
  all.filter(isGood).length / all.length;

describe('chord shapes of the dataset', () => {
  it('has 2069 shapes, of which a hand can hold all but one', () => {
    expect(verdicts).toHaveLength(2069);
    const impossible = verdicts.filter(({ ranked }) => ranked.length === 0);
    expect(impossible.map(({ shape }) => shape.name)).toEqual(['C 9 (4)']);
  });

  it('never pays a hand for setting a shape: the search counts on it', () => {
    const bare = { ...leftCosts('balanced'), height: 0, highOnLowString: 0 };
    const least = chordShapes().map((shape) =>
      Math.min(
        Infinity,
        ...rankFingerings(shape, STANDARD_GUITAR, handOf('medium'), bare).map(({ cost }) => cost),
      ),
    );
    expect(Math.min(...least)).toBeGreaterThanOrEqual(0);
  });

  it('agrees with our fingers on the half that was not tuned on', () => {
    expect(share(reported, ({ rank }) => rank === 1)).toBeGreaterThan(0.885);
    expect(share(reported, ({ rank }) => rank !== undefined && rank <= 3)).toBeGreaterThan(0.97);
    const notes = reported.reduce((sum, { shape }) => sum + shape.notes.length, 0);
    expect(reported.reduce((sum, { sameFingers }) => sum + sameFingers, 0) / notes).toBeGreaterThan(0.955);
  });

  it('agrees on shapes whose form it was never tuned on', () => {
    const forms = new Set(
      verdicts.filter(({ shape }) => TUNING_KEYS.has(shape.key)).map(({ shape }) => shape.form),
    );
    const unseen = reported.filter(({ shape }) => !forms.has(shape.form));
    expect(unseen.length).toBeGreaterThan(300);
    expect(share(unseen, ({ rank }) => rank === 1)).toBeGreaterThan(0.84);
  });
});
