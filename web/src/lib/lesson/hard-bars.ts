import { COMFORTABLE_LEVEL, type BarDifficulty } from '@oculon/core';

/** Letters for hard bars go so far. */
const LETTERS = 'ABCDEFGHIJ';

/** The hardest bars of a piece that are not comfortable, with a letter each, in the order of the bars. */
export const lettersOfHardBars = (difficulty: readonly BarDifficulty[]): ReadonlyMap<number, string> =>
  new Map(
    difficulty
      .filter(({ level }) => level > COMFORTABLE_LEVEL)
      .toSorted((a, b) => b.level - a.level)
      .slice(0, LETTERS.length)
      .toSorted((a, b) => a.bar - b.bar)
      .map(({ bar }, index) => [bar, LETTERS[index]!]),
  );
