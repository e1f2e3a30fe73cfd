import { describe, expect, it } from 'vitest';
import { fretOffset, STANDARD_GUITAR } from '../instrument/guitar.ts';
import { planPiece } from '../plan/plan.ts';
import { decide, exampleScore, planVoices } from '../testing/planning.ts';

describe('shifts', () => {
  it('are measured along the neck and timed at the tempo', () => {
    const score = exampleScore({ voices: ['G4/4 B4/4 D5/2'], tempo: 60 });
    const plan = planPiece(
      score,
      decide(score, ['G4', 0, { finger: 1, string: 1 }], ['D5', 0, { finger: 1, string: 1 }]),
    );
    expect(plan.shifts.length).toBeGreaterThan(0);
    const offset = (position: number) => fretOffset(position, STANDARD_GUITAR.scaleLength);
    for (const { from, to, distance, window } of plan.shifts) {
      expect(distance).toBeCloseTo(Math.abs(offset(to) - offset(from)), 9);
      expect(window).toBeCloseTo(1000, 6);
    }
  });

  it('in a rest ride on the rest', () => {
    const score = exampleScore({ voices: ['F4/4 -/4 C5/2'], tempo: 90 });
    const plan = planPiece(
      score,
      decide(score, ['F4', 0, { string: 1, finger: 1 }], ['C5', 0, { string: 1, finger: 1 }]),
    );
    expect(plan.shifts.map((shift) => shift.rides)).toEqual(['rest']);
  });

  it('are none in a piece of open strings', () => {
    expect(planVoices(['E4/4 B3/4 G3/4 D3/4']).shifts).toEqual([]);
  });
});

describe('barres', () => {
  it('last as long as their notes', () => {
    const { barres, score } = planVoices(['F2+C3+F3+A3+C4+F4/2 E4/2']);
    expect(barres).toHaveLength(1);
    expect(barres[0]!.until / score.ticksPerQuarter).toBe(2);
  });

  it('are none where every finger has its own string', () => {
    expect(planVoices(['A2+E3+A3+C4+E4/1']).barres).toEqual([]);
  });
});
