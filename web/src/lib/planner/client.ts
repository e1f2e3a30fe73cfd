import * as Comlink from 'comlink';
import type { PlannerApi } from './api.ts';

export interface Planner {
  readonly api: Comlink.Remote<PlannerApi>;
  readonly close: () => void;
}

/** Starts the planner in a worker of its own. */
export const startPlanner = (): Planner => {
  const worker = new Worker(new URL('./worker.ts', import.meta.url), { type: 'module' });
  return { api: Comlink.wrap<PlannerApi>(worker), close: () => worker.terminate() };
};
