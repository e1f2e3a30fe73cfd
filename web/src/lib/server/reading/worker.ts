import { readScore } from './read-score.ts';

/** What a thread of the pool does. */
export default ({ content, part }: { content: Uint8Array; part: string | undefined }) =>
  readScore(content, part);
