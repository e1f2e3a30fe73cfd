import { COMMAND_ES } from './es/command.ts';
import { DRILLS_ES } from './es/drills.ts';
import { FINDINGS_ES } from './es/findings.ts';
import { HANDS_ES } from './es/hands.ts';
import { LOG_ES } from './es/log.ts';
import { PRACTICE_ES } from './es/practice.ts';
import { READING_ES } from './es/reading.ts';
import { WALK_ES } from './es/walk.ts';
import type { Catalogue } from './catalogue.ts';

/** What is said, in Spanish. */
export const SPANISH: Catalogue = {
  ...FINDINGS_ES,
  ...READING_ES,
  ...HANDS_ES,
  ...COMMAND_ES,
  ...WALK_ES,
  ...DRILLS_ES,
  ...PRACTICE_ES,
  ...LOG_ES,
};
