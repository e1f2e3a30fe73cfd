import type { Score } from '@oculon/core';
import * as Comlink from 'comlink';
import type { PlannerApi } from './api.ts';

export interface Planner {
  readonly api: Comlink.Remote<PlannerApi>;
  /** Gives the planner back; one that is still at work is ended, an idle one waits for the next piece. */
  readonly release: (isBusy: boolean) => void;
}

let idle: { readonly worker: Worker; readonly api: Comlink.Remote<PlannerApi> } | undefined;

const startWorker = () => {
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

/** The planner in a worker of its own, for one piece at a time. */
export const takePlanner = (): Planner => {
  const { worker, api } = idle ?? startWorker();
  idle = undefined;
  return {
    api,
    release: (isBusy) => {
      if (isBusy || idle) worker.terminate();
      else idle = { worker, api };
    },
  };
};
