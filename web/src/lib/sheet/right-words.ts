import type { RightTerm, RightWay } from '@oculon/core';
import { RIGHT_SCHOOL_NAMES } from './words.ts';

/** How a way of the right hand is called. */
export const wayName = ({ asked }: RightWay): string => {
  switch (asked.kind) {
    case 'plan':
      return 'as planned';
    case 'pattern':
      return [...asked.pattern].join('-');
    case 'school':
      return RIGHT_SCHOOL_NAMES[asked.school];
  }
};

/** A difference in price against the plan: `+0.8`, `−0.2`, `same`. */
export const differenceText = (price: number): string =>
  Math.abs(price) < 0.05 ? 'same' : `${price > 0 ? '+' : '−'}${Math.abs(price).toFixed(1)}`;

const TERM_WORDS: Readonly<Record<RightTerm, readonly [more: string, less: string]>> = {
  repeat: ['more repeated fingers', 'fewer repeated fingers'],
  crossing: ['more awkward crossings', 'fewer awkward crossings'],
  frame: ['the hand moves more', 'the hand stays more'],
  thumb: ['the thumb out of its strings', 'the thumb on its strings'],
  voice: ['voices with the other finger', 'voices with their own finger'],
  finger: ['more of the weak fingers', 'less of the weak fingers'],
  chord: ['chords lie less evenly', 'chords lie more evenly'],
  school: ['the order of the school is left', 'the order of the school is kept'],
  pattern: ['a pattern is left', 'a pattern is kept'],
};

const WORTH_NAMING = 0.15;

/** What becomes different for the right hand, in words, the largest first. */
export const rightTermWords = (terms: RightWay['terms']): string => {
  const words = (Object.entries(terms) as [RightTerm, number][])
    .filter(([, amount]) => Math.abs(amount) >= WORTH_NAMING)
    .sort(([, a], [, b]) => Math.abs(b) - Math.abs(a))
    .slice(0, 3)
    .map(([term, amount]) => TERM_WORDS[term][amount > 0 ? 0 : 1]);
  return words.length > 0 ? words.join(', ') : 'much the same for the hand';
};
