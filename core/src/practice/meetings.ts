import { later, type Day } from './days.ts';

/** Days between meetings with a spot while it goes well; after a failure it begins anew. Our own, expanding intervals. */
export const INTERVALS = [1, 1, 2, 4, 7, 14] as const;

/** A meeting with a spot, and whether it went well. */
export interface Meeting {
  readonly day: Day;
  readonly isClean: boolean;
}

/** How many meetings in a row went well, the latest last. */
export const runOf = (meetings: readonly Meeting[]): number =>
  meetings.length - 1 - meetings.findLastIndex(({ isClean }) => !isClean);

/** Days to the next meeting after so many in a row that went well; 0 in a row: it has just failed. */
export const intervalAfter = (run: number): number =>
  INTERVALS[Math.min(Math.max(run - 1, 0), INTERVALS.length - 1)]!;

/**
 * A spot that is still climbing toward its target is met every other day at least: with intervals that widen from the first
 * clean meetings on, made-up students reached in eight weeks little of what they reached in three to five. Our own value.
 */
const MOST_WHILE_CLIMBING = 2;

/**
 * The day on which a spot is due again; today for one that was never met. Intervals widen once the target was reached, on
 * the day `reached`.
 */
export const dueAfter = (meetings: readonly Meeting[], today: Day, reached?: Day): Day => {
  const last = meetings.at(-1);
  if (last === undefined) return today;
  if (reached === undefined)
    return later(last.day, Math.min(MOST_WHILE_CLIMBING, intervalAfter(runOf(meetings))));
  return later(last.day, intervalAfter(runOf(meetings.filter(({ day }) => day >= reached))));
};
