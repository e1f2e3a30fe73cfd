import { STEPS } from '@oculon/core';
import type { Note } from './score-types.ts';

/** What ledger lines reach out from under a note and the one before it, in px. */
export const BEFORE_LEDGER = 9;

/** The nearest notes below and above the staff that need a ledger line, in steps above C0. */
const [BELOW, ABOVE] = [4 * STEPS.length, 5 * STEPS.length + STEPS.indexOf('A')];

export const isOnLedger = ({ written: { octave, step } }: Note): boolean => {
  const line = octave * STEPS.length + STEPS.indexOf(step);
  return line <= BELOW || line >= ABOVE;
};
