import { goalContent, type GoalWork } from '../courses/goal-content.ts';
import { handoutContent, type HandoutWork } from '../handouts/handout-content.ts';
import { beyondHand as ofVersion, type OtherHandWork } from './beyond-hand.ts';
import { readScore } from './read-score.ts';

/** What a thread of the pool does: reads a score, makes what a student's pages show, or tells what is beyond a hand. */
export default ({ content, part }: { content: Uint8Array; part: string | undefined }) =>
  readScore(content, part);

export const handout = (work: HandoutWork) => handoutContent(work);
export const beyondHand = (work: OtherHandWork) => ofVersion(work);
export const goal = (work: GoalWork) => goalContent(work);
