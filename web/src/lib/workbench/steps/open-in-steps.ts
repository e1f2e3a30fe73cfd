import { COMFORTABLE_LEVEL } from '@oculon/core';
import type { Workbench } from '../workbench.svelte.ts';
import { WORK_STEPS, type WorkStep } from './work-steps.ts';

/** How much is open in each step; undefined before there is a plan. */
export const openInSteps = (
  { planned: { plan }, findings }: Workbench,
  questions: number,
): Readonly<Record<WorkStep, number>> | undefined => {
  if (!plan) return undefined;
  const counts = Object.fromEntries(WORK_STEPS.map((step) => [step, findings.of(step).length]));
  return {
    ...(counts as Record<WorkStep, number>),
    hard: plan.difficulty.filter(({ level }) => level > COMFORTABLE_LEVEL).length,
    'hand-over': questions,
  };
};
