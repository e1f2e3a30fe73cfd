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

/** What an element is scrolled in: the nearest pane that scrolls, or the window. */
const scrollerOf = (element: Element): Element => {
  for (let each = element.parentElement; each; each = each.parentElement)
    if (/auto|scroll/.test(getComputedStyle(each).overflowY) && each.scrollHeight > each.clientHeight)
      return each;
  return document.documentElement;
};

const isWhollyInView = (element: Element): boolean => {
  const scroller = scrollerOf(element);
  const isWindow = scroller === document.documentElement;
  const view = scroller.getBoundingClientRect();
  const { top, bottom } = element.getBoundingClientRect();
  const { scrollMarginTop, scrollMarginBottom } = getComputedStyle(element);
  return (
    top >= (isWindow ? parseFloat(scrollMarginTop) || 0 : view.top) &&
    bottom <=
      (isWindow ? innerHeight - (parseFloat(scrollMarginBottom) || 0) : Math.min(view.bottom, innerHeight))
  );
};

/**
 * Turns the page while it plays: when the line to be seen is not wholly in view, the line that is played comes to the top, with
 * as many after it as there is room for. At once, as a page is turned: what glides cannot be read meanwhile, and every picture
 * of the way is drawn.
 */
export const turnPage = (toSee: Element | null | undefined, played: Element | null | undefined): void => {
  if (!toSee || isWhollyInView(toSee)) return;
  (played ?? toSee).scrollIntoView({ block: 'start', inline: 'nearest', behavior: 'instant' });
};
