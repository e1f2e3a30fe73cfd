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

/** The day on which a spot is due again; today for one that was never met. */
export const dueAfter = (meetings: readonly Meeting[], today: Day): Day => {
  const last = meetings.at(-1);
  return last === undefined ? today : later(last.day, intervalAfter(runOf(meetings)));
};
