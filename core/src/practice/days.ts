import * as z from 'zod/mini';
import type { Branded } from '../music/branded.ts';

/** A day of the calendar, counted from 1 January 1970; no hours, no time zones. */
export type Day = Branded<number, 'Day'>;

const MS_PER_DAY = 86_400_000;
const DAYS_PER_WEEK = 7;
/** 1 January 1970 was a Thursday. */
const FIRST_WEEKDAY = 4;

export const day = (number: number): Day => number as Day;
export const later = (from: Day, days: number): Day => day(from + days);

/** `2026-11-26` as a day; undefined for what is no date of the calendar. */
export const readDay = (text: string): Day | undefined => {
  const found = /^(\d{4})-(\d{2})-(\d{2})$/.exec(text);
  if (!found) return undefined;
  const [year, month, date] = [Number(found[1]), Number(found[2]), Number(found[3])] as const;
  const at = new Date(Date.UTC(year, month - 1, date));
  // What is no date of the calendar is moved on to one that is.
  const isDate = at.getUTCDate() === date && at.getUTCMonth() === month - 1 && at.getUTCFullYear() === year;
  return isDate ? day(at.getTime() / MS_PER_DAY) : undefined;
};

/** Days that are kept lie between these: others were mistyped, and days between them and now are counted one by one. */
const KEPT_DAYS = { first: '2000-01-01', last: '2199-12-31' } as const;

/** A day as it is kept and sent; what this takes, `readDay` reads. */
export const dayTextSchema = z.iso.date({ error: 'Choose a day.' }).check(
  z.refine((text) => text >= KEPT_DAYS.first && text <= KEPT_DAYS.last, {
    error: `Choose a day from ${KEPT_DAYS.first} to ${KEPT_DAYS.last}.`,
  }),
);

/** The day by a clock and in its own time zone. */
export const dayByClock = (now: Date): Day =>
  day(Date.UTC(now.getFullYear(), now.getMonth(), now.getDate()) / MS_PER_DAY);

export const dayText = (of: Day): string => new Date(of * MS_PER_DAY).toISOString().slice(0, 10);

/** Monday is 1, Sunday 7, as ISO 8601 counts. */
export const weekdayOf = (of: Day): number =>
  ((((of + FIRST_WEEKDAY - 1) % DAYS_PER_WEEK) + DAYS_PER_WEEK) % DAYS_PER_WEEK) + 1;
