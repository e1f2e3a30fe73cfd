/**
 * Widths of characters of a row over the music, in px at its size of 12 px in the heaviest weight used, rounded up; measured in
 * the font that ships. Others take the width of an ordinary letter.
 */
const WIDTHS: Readonly<Record<string, number>> = {
  I: 5,
  V: 8.5,
  X: 8.5,
  C: 8,
  ' ': 3,
  '(': 5,
  ')': 5,
  '/': 5,
  '½': 12,
  '⅓': 12,
  '⅔': 12,
  '¼': 12,
  '¾': 12,
};
const ORDINARY = 7;

/** How wide words over the music are drawn, in px: an estimate that needs no page to measure on. */
export const widthOfWords = (text: string): number =>
  [...text].reduce((sum, letter) => sum + (WIDTHS[letter] ?? ORDINARY), 0);
