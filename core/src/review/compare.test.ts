import { describe, expect, it } from 'vitest';
import { planPiece } from '../plan/plan.ts';
import { decide, exampleScore, planVoices } from '../testing/planning.ts';
import { compareFingerings } from './compare.ts';

describe('two fingerings of one piece', () => {
  const score = exampleScore({ voices: ['C4/4 D4/4 E4/4 G4/4'], tempo: 90 });
  const plain = planPiece(score).performance;

  it('are the same as themselves', () => {
    expect(compareFingerings(plain, plain).differences).toEqual([]);
  });

  it('differ where one hand takes a note otherwise, and nowhere else', () => {
    const other = planPiece(score, decide(score, ['E4', 0, { string: 2, finger: 4 }])).performance;
    const { differences, sounds } = compareFingerings(plain, other);
    expect(sounds).toBe(4);
    const found = differences.find(({ note }) => note === 2)!;
    expect(found).toMatchObject({
      bar: 0,
      one: { string: 1, finger: 0 },
      other: { string: 2, finger: 4, fret: 5 },
    });
    const plucked = planPiece(score, decide(score, ['C4', 0, { pluck: 'a' }])).performance;
    const right = compareFingerings(plain, plucked).differences;
    expect(right.map(({ note }) => note)).toContain(0);
    expect(right.every(({ one, other: there }) => one.string === there.string)).toBe(true);
  });

  it('of two pieces are refused', () => {
    expect(() => compareFingerings(plain, planVoices(['C4/2 D4/2']).performance)).toThrow(RangeError);
  });
});
