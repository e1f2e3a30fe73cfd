import { BARRES } from './passages/textures/barres.ts';
import { BROKEN_CHORDS } from './passages/textures/broken-chords.ts';
import { PARALLELS } from './passages/textures/parallels.ts';
import { TEXTURED_CHORDS } from './passages/textures/chords.ts';
import { TEXTURED_LINES } from './passages/textures/lines.ts';
import type { TexturedPassage } from './passages/textures/texture.ts';
import { TUNES } from './passages/textures/tunes.ts';
import { VOICES } from './passages/textures/voices.ts';

export const TEXTURED: readonly TexturedPassage[] = [
  ...BROKEN_CHORDS,
  ...TUNES,
  ...PARALLELS,
  ...BARRES,
  ...VOICES,
  ...TEXTURED_LINES,
  ...TEXTURED_CHORDS,
];

/** A lot drawn from a name, the same every time. The hash is FNV-1a. */
const lotOf = (name: string): number => {
  let hash = 0x811c9dc5;
  for (const letter of name) hash = Math.imul(hash ^ letter.codePointAt(0)!, 0x01000193);
  return ((hash >>> 0) >> 7) & 1;
};

/** Half of the passages, dealt by lot: these may be looked at while tuning. */
export const TEXTURED_TUNED_ON = TEXTURED.filter(({ name }) => lotOf(name) === 0);
/** The other half is only reported. */
export const TEXTURED_REPORTED = TEXTURED.filter(({ name }) => lotOf(name) === 1);
