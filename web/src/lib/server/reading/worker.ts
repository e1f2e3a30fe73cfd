import { handoutContent, type HandoutWork } from '../handouts/handout-content.ts';
import { readScore } from './read-score.ts';

/** What a thread of the pool does: reads a score, or makes what a student's page shows. */
export default ({ content, part }: { content: Uint8Array; part: string | undefined }) =>
  readScore(content, part);

export const handout = (work: HandoutWork) => handoutContent(work);
