import { BARRES } from './passages/textures/barres.ts';
import { FRESH_PATTERNS } from './passages/textures/fresh-patterns.ts';
import { FURTHER_PATTERNS } from './passages/textures/further-patterns.ts';
import { LAST_PATTERNS } from './passages/textures/last-patterns.ts';
import { NEWEST_PATTERNS } from './passages/textures/newest-patterns.ts';
import { LATER_LINES } from './passages/textures/later-lines.ts';
import { LATER_PATTERNS } from './passages/textures/later-patterns.ts';
import { BROKEN_CHORDS } from './passages/textures/broken-chords.ts';
import { PARALLELS } from './passages/textures/parallels.ts';
import { TEXTURED_CHORDS } from './passages/textures/chords.ts';
import { TEXTURED_LINES } from './passages/textures/lines.ts';
import type { TexturedPassage } from './passages/textures/texture.ts';
import { TUNES } from './passages/textures/tunes.ts';
import { PLAIN_PATTERNS } from './passages/textures/plain-patterns.ts';
import { UNSEEN_LINES } from './passages/textures/unseen-lines.ts';
import { UNSEEN_PATTERNS } from './passages/textures/unseen-patterns.ts';
import { VOICES } from './passages/textures/voices.ts';

/** Those that may be looked at while tuning. */
export const TEXTURED_TUNED_ON: readonly TexturedPassage[] = [
  ...BROKEN_CHORDS,
  ...TUNES,
  ...PARALLELS,
  ...BARRES,
  ...VOICES,
  ...TEXTURED_LINES,
  ...TEXTURED_CHORDS,
  ...LATER_PATTERNS,
  ...LATER_LINES,
];

/** Those that were written after the tuning, and are only reported. */
export const TEXTURED_REPORTED: readonly TexturedPassage[] = [
  ...UNSEEN_PATTERNS,
  ...UNSEEN_LINES,
  ...LAST_PATTERNS,
  ...FRESH_PATTERNS,
  ...NEWEST_PATTERNS,
  ...FURTHER_PATTERNS,
  ...PLAIN_PATTERNS,
];

export const TEXTURED: readonly TexturedPassage[] = [...TEXTURED_TUNED_ON, ...TEXTURED_REPORTED];
