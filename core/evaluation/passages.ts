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

export const PASSAGES: readonly Passage[] = [
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

/** FNV-1a, 32 bits: a lot that nobody can influence but by renaming a passage. */
const lot = (text: string): number => {
  let hash = 0x811c9dc5;
  for (const letter of text) hash = Math.imul(hash ^ letter.codePointAt(0)!, 0x01000193) >>> 0;
  return hash;
};

/** Whether a passage may be looked at while tuning; the others are only reported. */
export const isForTuning = ({ name }: Passage): boolean => lot(name) % 2 === 0;
