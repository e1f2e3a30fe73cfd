import type { ImportProblem, Repair } from '../formats/import-problem.ts';
import type { Finding } from '../review/finding.ts';
import { findingText } from '../wording/finding-words.ts';
import { problemText, repairText } from '../wording/reading-words.ts';
import { wordingIn } from '../wording/languages.ts';

const english = wordingIn('en');

/** What a reader of English is told. */
export const problemSaid = (problem: ImportProblem): string => problemText(english, problem);
export const repairSaid = (repair: Repair): string => repairText(english, repair);
export const findingSaid = (finding: Finding): string => findingText(english, finding);
