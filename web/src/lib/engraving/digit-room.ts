import { GraceNote, Modifier, StringNumber, type StaveNote } from 'vexflow/core';
import { BEFORE_LEDGER, hasSecond, isOnLedger } from './staff-lines.ts';
import type { Note } from './score-types.ts';

/** Room in px for a digit before a note, with its clear ground; more before accidentals and where ledger lines reach out. */
const DIGIT = 18.5;
const BEFORE_ACCIDENTAL = 3;
/** A second digit beside the first. */
const BESIDE_DIGIT = 10;
/** A grace note is set nearer to what stands before it than others. */
const BEFORE_GRACE = 5;

/**
 * Keeps room for the digit that we write before a note: the engraver, which knows nothing of it, would set the note before so
 * near that they meet, as in triplets, before accidentals, and where ledger lines reach out. It stands where a string
 * number would, to the left of everything, and draws nothing.
 */
class DigitRoom extends StringNumber {
  constructor(room: number) {
    super('');
    this.setPosition(Modifier.Position.LEFT);
    // The engraver adds a pixel of its own.
    this.setWidth(room - 1);
  }

  override draw(): void {
    this.setRendered();
  }
}

export const keepDigitRoom = (drawn: StaveNote, notes: readonly Note[], hasAccidental: boolean): void => {
  const room =
    DIGIT +
    (hasAccidental ? BEFORE_ACCIDENTAL : 0) +
    (notes.some(isOnLedger) ? BEFORE_LEDGER : 0) +
    (hasSecond(notes) ? BESIDE_DIGIT : 0) +
    (drawn instanceof GraceNote ? BEFORE_GRACE : 0);
  drawn.addModifier(new DigitRoom(room), 0);
};

/** Keeps more room for the digit of a note. */
export const widenDigitRoom = (drawn: StaveNote, by: number): void => {
  for (const each of drawn.getModifiers()) if (each instanceof DigitRoom) each.setWidth(each.getWidth() + by);
};

/** How much of what stands before a note, in whichever voice, is room for digits; in px. */
export const digitRoomOf = (drawn: StaveNote): number => {
  const rooms = drawn.getModifierContext()?.getMembers(StringNumber.CATEGORY) ?? [];
  return rooms.length === 0 ? 0 : Math.max(...rooms.map((each) => each.getWidth() + 1));
};
