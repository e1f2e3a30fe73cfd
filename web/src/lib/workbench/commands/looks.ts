import type { Lane } from '../lanes/lane.ts';
import type { WorkStep } from '../steps/work-steps.ts';
import type { Command } from './command.ts';

/** Goes on to the next step of the work, or back. */
export const stepBy =
  (direction: 1 | -1): Command =>
  ({ view }, onlyAsk) =>
    view.stepBy(direction, onlyAsk);

export const goToStep =
  (step: WorkStep): Command =>
  ({ view }, onlyAsk) => {
    if (view.step === step) return false;
    if (!onlyAsk) view.step = step;
    return true;
  };

export const zoomBy =
  (direction: 1 | -1): Command =>
  ({ view }, onlyAsk) =>
    view.zoomBy(direction, onlyAsk);

export const toggleLane =
  (lane: Lane): Command =>
  ({ view }, onlyAsk) => {
    if (!onlyAsk) view.toggleLane(lane);
    return true;
  };

export const turnLayout: Command = ({ view }, onlyAsk) => {
  if (!onlyAsk) view.layout = view.layout === 'page' ? 'line' : 'page';
  return true;
};
