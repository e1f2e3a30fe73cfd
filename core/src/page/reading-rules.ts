/** Rules by which a reader fills in what is not written: handbook §9. Amounts are our own values, found on the studies. */

/** Up to this position an open string is played open when its pitch comes; higher up it is stopped. */
export const OPEN_UP_TO = 3;
/** A shift further than this, in frets, is not found from a digit alone: which place it means has to be thought about. */
export const FAR_SHIFT = 3;
/** The hand moves so far, in frets, that a reader wants to be told which finger arrives. */
export const TOLD_SHIFT = 1;
/** Two ways to read a shift that differ by no more than this make a reader stop. */
export const TOO_CLOSE = 1;

/** What a reader would rather not assume: the least sum is read. */
export const ASSUMPTIONS = {
  /** As it was just before, or the first time. */
  asBefore: 0,
  /** Open in a low position, stopped in its place in a high one. */
  expected: 0.1,
  /** The other of the two. */
  unexpected: 1,
  /** A finger that is not above its own fret, for each fret. */
  outOfPlace: 1.5,
  /** The hand has moved, for each fret. */
  moved: 1,
  /** It has moved although another finger lies where it was. */
  movedFromFinger: 1,
  /** A note that is still held is given up. */
  cutsHeld: 3,
  /** A place on a string that is known from its sign, with a finger that is not. */
  unknownFinger: 4,
  /** The string that a circled number has set for the run. */
  inRun: -2,
} as const;
