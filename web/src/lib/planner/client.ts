import type { Fingering, Score } from '@oculon/core';
import * as Comlink from 'comlink';
import type { Source, SourceFile } from './source.ts';
import { fingeringMessage, type OpenAnswer, type PlannerApi } from './api.ts';

/** A part of a file, as the planner reads it. */
export interface SourcePart {
  readonly digest: string;
  readonly part: string;
}

export interface Planner {
  readonly api: Omit<Comlink.Remote<PlannerApi>, 'open'>;
  /** Has it read a part of a file. */
  readonly open: (file: SourceFile, part: string) => Promise<OpenAnswer>;
  /** Has it read music that no piece has. */
  readonly openBytes: (bytes: Uint8Array<ArrayBuffer>, part?: string) => Promise<OpenAnswer>;
  /** What this planner made of a file that lies open in it; undefined when another one does, or none. */
  readonly hasOpen: (wanted: SourcePart) => Promise<OpenAnswer> | undefined;
  /** Gives the planner back; one that is still at work is ended, an idle one waits for the next piece. */
  readonly release: (isBusy: boolean) => void;
}

/** A version that is likely to be opened next. */
export interface LikelyVersion {
  readonly part: string;
  readonly source: Source;
  readonly fingering: Fingering;
}

interface PlannerWorker {
  readonly worker: Worker;
  readonly api: Comlink.Remote<PlannerApi>;
  /** What lies open in it. */
  reading?: SourcePart & { readonly answer: Promise<OpenAnswer> };
}

/** Files larger than this, in bytes, are only read ahead: planning them would keep the next piece waiting. */
const LARGEST_PLANNED = 400_000;

let idle: PlannerWorker | undefined;

const startWorker = (): PlannerWorker => {
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

const openBytes = (
  planner: PlannerWorker,
  bytes: Uint8Array<ArrayBuffer>,
  part: string | undefined,
): Promise<OpenAnswer> => {
  delete planner.reading;
  return planner.api.open(Comlink.transfer(bytes, [bytes.buffer]), part);
};

const openFile = (
  planner: PlannerWorker,
  { bytes, digest }: SourceFile,
  part: string,
): Promise<OpenAnswer> => {
  // The page keeps its copy: it may be needed again.
  const answer = openBytes(planner, new Uint8Array(bytes.slice(0)), part);
  const reading = { digest, part, answer };
  planner.reading = reading;
  answer.catch(() => {
    if (planner.reading === reading) delete planner.reading;
  });
  return answer;
};

const hasOpen = ({ reading }: PlannerWorker, wanted: SourcePart): Promise<OpenAnswer> | undefined =>
  reading?.digest === wanted.digest && reading.part === wanted.part ? reading.answer : undefined;

const readOne = async ({ part, source, fingering }: LikelyVersion): Promise<void> => {
  const file = await source;
  const planner = idle;
  if (!file || !planner) return;
  const opened = hasOpen(planner, { digest: file.digest, part }) ?? openFile(planner, file, part);
  const isSmall = file.bytes.byteLength <= LARGEST_PLANNED;
  const planned = isSmall && planner.api.planAhead(fingeringMessage(fingering), fingering.setup);
  await Promise.all([opened, planned]);
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
  const planner = idle ?? startWorker();
  idle = undefined;
  return {
    api: planner.api,
    open: (file, part) => openFile(planner, file, part),
    openBytes: (bytes, part) => openBytes(planner, bytes, part),
    hasOpen: (wanted) => hasOpen(planner, wanted),
    release: (isBusy) => {
      if (isBusy || idle) planner.worker.terminate();
      else idle = planner;
    },
  };
};
