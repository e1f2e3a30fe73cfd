import type { Fingering, Score } from '@oculon/core';
import * as Comlink from 'comlink';
import type { Source } from './source.ts';
import { fingeringMessage, type OpenAnswer, type PlannerApi } from './api.ts';

export interface Planner {
  readonly api: Comlink.Remote<PlannerApi>;
  /** What this planner made of a file that it was told to read before it was taken; undefined when it was another one, or none. */
  readonly readBefore: (source: Source, part: string) => Promise<OpenAnswer> | undefined;
  /** Gives the planner back; one that is still at work is ended, an idle one waits for the next piece. */
  readonly release: (isBusy: boolean) => void;
}

/** A version that is likely to be opened next. */
export interface LikelyVersion {
  readonly part: string;
  readonly source: Source;
  readonly fingering: Fingering;
}

interface IdlePlanner {
  readonly worker: Worker;
  readonly api: Comlink.Remote<PlannerApi>;
  /** The file is known by how it came: the same piece may have been corrected since. */
  reading?: { readonly source: Source; readonly part: string; readonly answer: Promise<OpenAnswer> };
}

/** Files larger than this, in bytes, are only read ahead: planning them would keep the next piece waiting. */
const LARGEST_PLANNED = 400_000;

let idle: IdlePlanner | undefined;

const startWorker = (): IdlePlanner => {
  const worker = new Worker(new URL('./worker.ts', import.meta.url), { type: 'module' });
  return { worker, api: Comlink.wrap<PlannerApi>(worker) };
};

/** Starts the planner ahead of the first piece, so that opening one does not wait for its code. */
export const startPlanner = (): void => {
  idle ??= startWorker();
};

/** Starts the planner when none is waiting; answers a little score when there was something to get ready. */
export const readyPlanner = async (): Promise<Score | undefined> => {
  if (idle) return undefined;
  startPlanner();
  return idle!.api.exercise();
};

const readOne = async ({ part, source, fingering }: LikelyVersion): Promise<void> => {
  const file = await source;
  const planner = idle;
  if (!file || !planner) return;
  // The page keeps its copy, in case the planner is needed for something else.
  const bytes = new Uint8Array(file.slice(0));
  const isSmall = bytes.length <= LARGEST_PLANNED;
  planner.reading = { source, part, answer: planner.api.open(Comlink.transfer(bytes, [bytes.buffer]), part) };
  const planned = isSmall && planner.api.planAhead(fingeringMessage(fingering), fingering.setup);
  await Promise.all([planner.reading.answer, planned]);
};

let likely: LikelyVersion | undefined;
let isReading = false;

/**
 * Has the planner that waits read and plan a version which somebody points at or goes to, while its page is still on the way. Of
 * several that follow each other quickly the last is read. Nothing depends on it: what fails here is done when the page opens.
 */
export const readAhead = async (version: LikelyVersion): Promise<void> => {
  likely = version;
  if (isReading) return;
  isReading = true;
  while (likely) {
    const next = likely;
    likely = undefined;
    await readOne(next).catch(() => undefined);
  }
  isReading = false;
};

/** The planner in a worker of its own, for one piece at a time. */
export const takePlanner = (): Planner => {
  const { worker, api, reading } = idle ?? startWorker();
  idle = undefined;
  return {
    api,
    readBefore: (source, part) =>
      reading?.source === source && reading.part === part ? reading.answer : undefined,
    release: (isBusy) => {
      if (isBusy || idle) worker.terminate();
      else idle = { worker, api };
    },
  };
};
