import type { Score } from '@oculon/core';
import type { SystemPlan } from '../engraving/breaks.ts';

/** Brings the line into view that is played; in its last bar already the next one, as one turns a page early. */
export const turnTo = (
  holder: HTMLElement,
  { bars }: Score,
  systems: readonly SystemPlan[],
  tick: number,
): void => {
  const bar = bars.findLast(({ start }) => start <= tick)?.index ?? 0;
  const place = systems.findLastIndex(({ first }) => first <= bar);
  const system = systems[place];
  if (!system) return;
  const isLastBar = bar === system.first + system.widths.length - 1 && system.widths.length > 1;
  const shown = systems[isLastBar ? place + 1 : place] ?? system;
  holder
    .querySelector(`[data-first-bar="${shown.first + 1}"]`)
    ?.scrollIntoView({ block: 'nearest', behavior: 'smooth' });
};
