import { COMMAND_EN } from './en/command.ts';
import { DRILLS_EN } from './en/drills.ts';
import { FINDINGS_EN } from './en/findings.ts';
import { HANDS_EN } from './en/hands.ts';
import { LOG_EN } from './en/log.ts';
import { PRACTICE_EN } from './en/practice.ts';
import { READING_EN } from './en/reading.ts';
import { WALK_EN } from './en/walk.ts';

/** What is said, in English. */
export const ENGLISH = {
  ...FINDINGS_EN,
  ...READING_EN,
  ...HANDS_EN,
  ...COMMAND_EN,
  ...WALK_EN,
  ...DRILLS_EN,
  ...PRACTICE_EN,
  ...LOG_EN,
};
