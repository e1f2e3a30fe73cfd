import { STEPS } from '@oculon/core';
import type { Note } from './score-types.ts';

/** What ledger lines reach out from under a note and the one before it, in px. */
export const BEFORE_LEDGER = 9;
/** What the ledger lines of a note take of the room for the digit of the next one, in px. */
export const AFTER_LEDGER = 5;

/** The nearest notes below and above the staff that need a ledger line, in steps above C0. */
const [BELOW, ABOVE] = [4 * STEPS.length, 5 * STEPS.length + STEPS.indexOf('A')];

/** Where a note stands, in steps above C0. */
const lineOf = ({ written: { octave, step } }: Note): number => octave * STEPS.length + STEPS.indexOf(step);

export const isOnLedger = (note: Note): boolean => {
  const line = lineOf(note);
  return line <= BELOW || line >= ABOVE;
};

/** Whether two notes of a chord lie a step apart, so that their digits stand side by side. */
export const hasSecond = (notes: readonly Note[]): boolean => {
  const lines = notes.map(lineOf).toSorted((a, b) => a - b);
  return lines.some((line, index) => index > 0 && line - lines[index - 1]! <= 1);
};
