import type { BarDifficulty } from '@oculon/core';

const HARDEST = 3;
const WORTH_NAMING = 4;

/** The bars to practise first, the hardest first; none when all are easy. */
export const hardestBars = (bars: readonly BarDifficulty[]): readonly BarDifficulty[] =>
  bars
    .filter(({ level }) => level >= WORTH_NAMING)
    .toSorted((a, b) => b.level - a.level)
    .slice(0, HARDEST);
