import type { ChoicePreview } from '@oculon/core';
import { leftTermWords, rightTermWords } from '../../words.ts';
import type { PricedChoice } from '../choices.svelte.ts';

/** What a choice would bring about: what gets dearer or cheaper, and how many other notes give way. */
export const consequenceWords = (
  { hand }: Pick<PricedChoice, 'hand'>,
  { terms, rightTerms, notes }: ChoicePreview,
): string => {
  const others = Math.max(0, notes.length - 1);
  const said = hand === 'left' ? leftTermWords(terms) : rightTermWords(rightTerms);
  const count = others === 0 ? '' : `${others} other ${others === 1 ? 'note changes' : 'notes change'}`;
  return [said, count].filter(Boolean).join('; ') || 'nothing else changes';
};
