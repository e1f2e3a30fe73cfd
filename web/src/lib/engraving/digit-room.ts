import { Modifier, StringNumber, type StaveNote } from 'vexflow/core';

/** Room in px for a digit before an accidental, with its clear ground. */
export const DIGIT_ROOM = 14;

/**
 * Keeps room for the digit that we write before the accidentals of a note: the engraver, which knows nothing of it, would set
 * the note before so near that they meet. It stands where a string number would, to the left of everything, and draws nothing.
 */
class DigitRoom extends StringNumber {
  constructor() {
    super('');
    this.setPosition(Modifier.Position.LEFT);
    this.setWidth(DIGIT_ROOM - 1);
  }

  override draw(): void {
    this.setRendered();
  }
}

export const keepDigitRoom = (note: StaveNote): void => {
  note.addModifier(new DigitRoom(), 0);
};

/** How much of what stands before a note is room for a digit, in px. */
export const digitRoomOf = (note: StaveNote): number =>
  (note.getModifierContext()?.getMembers(StringNumber.CATEGORY).length ?? 0) > 0 ? DIGIT_ROOM : 0;
