import { COMMAND_EN } from './en/command.ts';
import { DRILLS_EN } from './en/drills.ts';
import { FINDINGS_EN } from './en/findings.ts';
import { HANDS_EN } from './en/hands.ts';
import { LOG_EN } from './en/log.ts';
import { PRACTICE_EN } from './en/practice.ts';
import { READING_EN } from './en/reading.ts';
import { WALK_EN } from './en/walk.ts';
import { COMMAND_ES } from './es/command.ts';
import { DRILLS_ES } from './es/drills.ts';
import { FINDINGS_ES } from './es/findings.ts';
import { HANDS_ES } from './es/hands.ts';
import { LOG_ES } from './es/log.ts';
import { PRACTICE_ES } from './es/practice.ts';
import { READING_ES } from './es/reading.ts';
import { WALK_ES } from './es/walk.ts';
import type { Language } from './language.ts';

const EN = {
  ...FINDINGS_EN,
  ...READING_EN,
  ...HANDS_EN,
  ...COMMAND_EN,
  ...WALK_EN,
  ...DRILLS_EN,
  ...PRACTICE_EN,
  ...LOG_EN,
};

export type MessageKey = keyof typeof EN;
/** Messages in the format of ICU MessageFormat (Unicode, `messageformat.pdf` of ICU 4.x on), by key. */
export type Catalogue = Readonly<Record<MessageKey, string>>;

export const CATALOGUES: Readonly<Record<Language, Catalogue>> = {
  en: EN,
  es: {
    ...FINDINGS_ES,
    ...READING_ES,
    ...HANDS_ES,
    ...COMMAND_ES,
    ...WALK_ES,
    ...DRILLS_ES,
    ...PRACTICE_ES,
    ...LOG_ES,
  },
};
