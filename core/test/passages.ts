import { BARRE } from './passages/barres.ts';
import { BELLS } from './passages/bells.ts';
import { CHORD_CHANGES } from './passages/chord-changes.ts';
import { FIRST_POSITION } from './passages/first-position.ts';
import { GRIPS } from './passages/grips.ts';
import { HELD_NOTES } from './passages/held-notes.ts';
import { LINES } from './passages/lines.ts';
import { MOVEMENT } from './passages/movement.ts';
import type { Passage } from './passages/passage.ts';
import { PHRASES } from './passages/phrases.ts';
import { RINGING } from './passages/ringing.ts';
import { TWO_VOICES } from './passages/two-voices.ts';
import { CHORDS as REPORTED_CHORDS } from './passages/reported/chords.ts';
import { FIRST_POSITION as REPORTED_FIRST_POSITION } from './passages/reported/first-position.ts';
import { LINES as REPORTED_LINES } from './passages/reported/lines.ts';
import { VOICES as REPORTED_VOICES } from './passages/reported/voices.ts';

/** Passages that may be looked at while tuning. */
export const TUNED_ON: readonly Passage[] = [
  ...FIRST_POSITION,
  ...GRIPS,
  ...HELD_NOTES,
  ...RINGING,
  ...BARRE,
  ...MOVEMENT,
  ...BELLS,
  ...CHORD_CHANGES,
  ...TWO_VOICES,
  ...PHRASES,
  ...LINES,
];

/** Passages that were written after the last tuning and are only reported. */
export const REPORTED: readonly Passage[] = [
  ...REPORTED_FIRST_POSITION,
  ...REPORTED_CHORDS,
  ...REPORTED_VOICES,
  ...REPORTED_LINES,
];
