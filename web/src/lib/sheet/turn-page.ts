import type { Score } from '@oculon/core';
import type { SystemPlan } from '../engraving/breaks.ts';

/** The first bar of the line to be seen while a tick is played: in the last bar of a line already the next one. */
export const lineToSee = (
  { bars }: Score,
  systems: readonly SystemPlan[],
  tick: number,
): number | undefined => {
  const bar = bars.findLast(({ start }) => start <= tick)?.index ?? 0;
  const place = systems.findLastIndex(({ first }) => first <= bar);
  const system = systems[place];
  if (!system) return undefined;
  const isLastBar = bar === system.first + system.widths.length - 1 && system.widths.length > 1;
  return (systems[isLastBar ? place + 1 : place] ?? system).first;
};
