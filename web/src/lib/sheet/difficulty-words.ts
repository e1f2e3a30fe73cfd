import type { BarDifficulty } from '@oculon/core';

const HARDEST = 3;
const WORTH_NAMING = 4;

/** A level in words: `easy (1.2)`. */
export const difficultyWords = ({ level, left, right, comfortableTempo }: BarDifficulty): string => {
  const word = level < 2.5 ? 'easy' : level < 5 ? 'moderate' : level < 6.5 ? 'demanding' : 'hard';
  const hand = Math.abs(left - right) < 0.5 ? 'both hands' : left > right ? 'left hand' : 'right hand';
  const tempo =
    comfortableTempo === undefined || level <= 5
      ? ''
      : `, comfortable up to ♩ = ${Math.round(comfortableTempo)}`;
  return `${word} (${level.toFixed(1)} of 10), ${hand}${tempo}`;
};

/** The bars to practise first, the hardest first; none when all are easy. */
export const hardestBars = (bars: readonly BarDifficulty[]): readonly BarDifficulty[] =>
  bars
    .filter(({ level }) => level >= WORTH_NAMING)
    .toSorted((a, b) => b.level - a.level)
    .slice(0, HARDEST);
