import type { LeftTerm } from '../left/hand/costs.ts';
import type { BarDifficulty } from '../review/difficulty.ts';
import type { RightTerm } from '../right/search/costs.ts';
import type { MessageKey } from './catalogue.ts';
import { yesNo, type Wording } from './wording.ts';

/** Differences worth naming, the largest first; in units of effort. Our own values. */
const MOST_NAMED = 3;
const WORTH_NAMING = 0.15;

const differences = <Term extends string>(
  { say }: Wording,
  terms: Readonly<Partial<Record<Term, number>>>,
  key: (term: Term) => MessageKey,
): string => {
  const named = (Object.entries(terms) as [Term, number][])
    .filter(([, amount]) => Math.abs(amount) >= WORTH_NAMING)
    .sort(([, a], [, b]) => Math.abs(b) - Math.abs(a))
    .slice(0, MOST_NAMED)
    .map(([term, amount]) => say(key(term), { more: yesNo(amount > 0) }));
  return named.length > 0 ? named.join(', ') : say('terms.alike');
};

/** What becomes different for the left hand: `more shifting, easier hand`. */
export const leftTermsText = (wording: Wording, terms: Readonly<Partial<Record<LeftTerm, number>>>): string =>
  differences(wording, terms, (term) => `left-term.${term}`);

/** What becomes different for the right hand, the largest first. */
export const rightTermsText = (
  wording: Wording,
  terms: Readonly<Partial<Record<RightTerm, number>>>,
): string => differences(wording, terms, (term) => `right-term.${term}`);

/** Levels from which a bar is called moderate, demanding and hard, and a difference between hands worth naming. */
const LEVELS = { moderate: 2.5, demanding: 5, hard: 6.5, onlyOneHand: 0.5 } as const;

/** A level in words: `easy (1.2 of 10), left hand`. */
export const difficultyText = (
  { say }: Wording,
  { level, left, right, comfortableTempo }: BarDifficulty,
): string =>
  say('difficulty.bar', {
    word:
      level < LEVELS.moderate
        ? 'easy'
        : level < LEVELS.demanding
          ? 'moderate'
          : level < LEVELS.hard
            ? 'demanding'
            : 'hard',
    level,
    hand: Math.abs(left - right) < LEVELS.onlyOneHand ? 'both' : left > right ? 'left' : 'right',
    limited: yesNo(comfortableTempo !== undefined && level > LEVELS.demanding),
    tempo: comfortableTempo ?? 0,
  });
