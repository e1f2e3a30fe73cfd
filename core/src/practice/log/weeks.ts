import { later, readDay, weekdayOf, type Day } from '../days.ts';
import type { LogEntry } from './entry.ts';

const DAYS_PER_WEEK = 7;

/** The Monday of the week in which a day lies. */
export const mondayOf = (day: Day): Day => later(day, 1 - weekdayOf(day));

/** Minutes of a week, and the days on which something was logged. */
export interface PractisedWeek {
  readonly monday: Day;
  readonly minutes: number;
  readonly days: number;
}

/** Week after week from the first of some entries up to a day; weeks without practice are told as well. */
export const weeksOf = (entries: readonly LogEntry[], until: Day): readonly PractisedWeek[] => {
  const days = entries.map(({ day }) => readDay(day)!);
  if (days.length === 0) return [];
  const last = mondayOf(until);
  const weeks = new Map<Day, { minutes: number; days: Set<Day> }>();
  for (
    let monday = mondayOf(days.reduce((a, b) => (b < a ? b : a)));
    monday <= last;
    monday = later(monday, DAYS_PER_WEEK)
  )
    weeks.set(monday, { minutes: 0, days: new Set() });
  entries.forEach(({ minutes }, index) => {
    const week = weeks.get(mondayOf(days[index]!));
    if (!week) return;
    week.minutes += minutes ?? 0;
    week.days.add(days[index]!);
  });
  return [...weeks].map(([monday, week]) => ({ monday, minutes: week.minutes, days: week.days.size }));
};
