import type { BarDifficulty } from '@oculon/core';
import { describe, expect, it } from 'vitest';
import { difficultyWords } from '../../words.ts';
import { hardestBars } from './hardest-bars.ts';

const bar = (number: number, left: number, right: number, comfortableTempo?: number): BarDifficulty => ({
  bar: number,
  number: String(number + 1),
  left,
  right,
  level: Math.max(left, right),
  reasons: [],
  comfortableTempo,
});

describe('difficulty in words', () => {
  it('names level and hand, and the comfortable tempo only where it matters', () => {
    expect(difficultyWords(bar(0, 1, 0.2, 200))).toBe('easy (1.0 of 10), left hand');
    expect(difficultyWords(bar(0, 2, 7.2, 71.6))).toBe(
      'hard (7.2 of 10), right hand, comfortable up to ♩ = 72',
    );
    expect(difficultyWords(bar(0, 5.1, 5.3, 80))).toContain('both hands');
  });
  it('lists three bars at most, the hardest first, and no easy ones', () => {
    const bars = [bar(0, 5, 0), bar(1, 8, 0), bar(2, 1, 1), bar(3, 6, 6), bar(4, 0, 7)];
    expect(hardestBars(bars).map((each) => each.bar)).toEqual([1, 4, 3]);
    expect(hardestBars([bar(0, 1, 1)])).toEqual([]);
  });
});
