import { failure, type ChoiceChanges } from '@oculon/core';
import { Piscina } from 'piscina';
import { env } from '$env/dynamic/private';
import type { HandoutContent } from '../../handouts/handout.ts';
import type { GoalContent, GoalWork } from '../courses/goal-content.ts';
import type { HandoutWork } from '../handouts/handout-content.ts';
import { log } from '../log.ts';
import type { OtherHandWork } from './beyond-hand.ts';
import type { ScoreReader } from './read-score.ts';
import type { KeptVersion } from './version-score.ts';

/** Threads, and what each may take: a score of the largest size that is taken needs half of it. */
const THREADS = 2;
const MOST_MEMORY_MB = 1024;
const MOST_SECONDS = 40;
/** Scores that may wait for a thread. */
const MOST_WAITING = 20;
/** Threads without work end after so long, in ms. */
const IDLE = 60_000;

let pool: Piscina | undefined;

const threads = (): Piscina => {
  if (!env.OCULON_SCORE_READER)
    throw new Error('OCULON_SCORE_READER is not set; start Oculon with npm run demo.');
  return (pool ??= new Piscina({
    filename: env.OCULON_SCORE_READER,
    minThreads: 0,
    maxThreads: THREADS,
    maxQueue: MOST_WAITING,
    idleTimeout: IDLE,
    resourceLimits: { maxOldGenerationSizeMb: MOST_MEMORY_MB, stackSizeMb: 4 },
  }));
};

/** Reads a score in a thread with limits of time and memory; nobody else waits for it. */
export const readScoreApart: ScoreReader = async (content, part) => {
  const bytes = new Uint8Array(content);
  try {
    return (await threads().run(
      { content: bytes, part },
      { transferList: [bytes.buffer], signal: AbortSignal.timeout(MOST_SECONDS * 1000) },
    )) as Awaited<ReturnType<ScoreReader>>;
  } catch (cause) {
    log.warn({ err: cause, bytes: content.length }, 'score not read');
    if (/queue/i.test((cause as Error).message)) return failure({ code: 'busy', values: {} });
    return failure({ code: 'too-much-work', values: { seconds: MOST_SECONDS } });
  }
};

/** Has a version worked on in a thread; undefined when that took too long. */
const apart = async <T>(name: string, work: KeptVersion): Promise<T | undefined> => {
  try {
    return (await threads().run(work, { name, signal: AbortSignal.timeout(MOST_SECONDS * 1000) })) as
      T | undefined;
  } catch (cause) {
    log.warn({ err: cause, bytes: work.source.length, work: name }, 'version not worked on');
    return undefined;
  }
};

/** Makes what a student's page shows of a version. */
export const makeHandoutApart = (work: HandoutWork): Promise<HandoutContent | undefined> =>
  apart('handout', work);

/** What of a version's decisions another hand cannot do. */
export const beyondHandApart = (work: OtherHandWork): Promise<ChoiceChanges | undefined> =>
  apart('beyondHand', work);

/** Cuts from a version what a student practises. */
export const makeGoalApart = (work: GoalWork): Promise<GoalContent | undefined> => apart('goal', work);

export const closeScoreReaders = async (): Promise<void> => {
  const open = pool;
  pool = undefined;
  await open?.destroy();
};
