import { later, type Day } from '../days.ts';
import { forecastOf, type TempoSeen } from '../forecast.ts';
import type { Ladder } from '../ladder.ts';
import { placeOn, reachedOn, type Standing } from './standing.ts';

/** Meetings in a row without a new rung after which a spot stands still. Handbook's practice model: three. */
export const STANDS_STILL_AFTER = 3;

/** When a spot will be at its target, in days of the calendar. */
export type SpotForecast =
  | { readonly kind: 'too-early'; readonly days: number; readonly needed: number }
  | { readonly kind: 'reached'; readonly day: Day }
  | { readonly kind: 'on-its-way'; readonly day: Day; readonly from: Day; readonly until: Day }
  | { readonly kind: 'not-at-this-pace' };

/** What the log tells of one spot. */
export interface SpotRecord {
  /** Best clean tempo by day. */
  readonly tempi: readonly { readonly day: Day; readonly tempo: number }[];
  readonly meetings: number;
  readonly cleanMeetings: number;
  /** The highest rung that was passed; −1 before the first. */
  readonly passed: number;
  readonly standsStill: boolean;
  readonly forecast: SpotForecast;
}

/** Whether the last meetings brought nothing new: no rung that had not been passed before them. */
export const standsStill = (ladder: Ladder, { meetings, clean }: Standing): boolean => {
  const since = meetings.at(-STANDS_STILL_AFTER);
  if (!since) return false;
  const before = clean.filter(({ day }) => day < since.day);
  const passed = (tempi: typeof clean): number =>
    placeOn(ladder, { meetings, clean: tempi, drilled: [] }).passed;
  return passed(clean) < ladder.rungs.length - 1 && passed(clean) <= passed(before);
};

/** The forecast counts days of practice; they are laid on the calendar at the pace that was kept so far. */
const onCalendar = (seen: Standing['clean'], target: number): SpotForecast => {
  const tempi = seen.map(({ tempo }, day): TempoSeen => ({ day, tempo }));
  const forecast = forecastOf(tempi, target);
  if (forecast.kind === 'reached') return { kind: 'reached', day: seen[forecast.day]!.day };
  if (forecast.kind !== 'on-its-way') return forecast;
  const [first, last] = [seen[0]!.day, seen.at(-1)!.day];
  const pace = (last - first) / (seen.length - 1);
  const dayOf = (practised: number): Day =>
    later(last, Math.max(1, Math.ceil((practised - (seen.length - 1)) * pace)));
  return {
    kind: 'on-its-way',
    day: dayOf(forecast.day),
    from: dayOf(forecast.from),
    until: dayOf(forecast.until),
  };
};

/** What the log tells of a spot on its ladder. */
export const spotRecord = (ladder: Ladder, standing: Standing): SpotRecord => {
  const target = ladder.rungs.at(-1)!;
  const reached = reachedOn(standing, target);
  return {
    tempi: standing.clean,
    meetings: standing.meetings.length,
    cleanMeetings: standing.meetings.filter(({ isClean }) => isClean).length,
    passed: placeOn(ladder, standing).passed,
    standsStill: standsStill(ladder, standing),
    forecast: reached === undefined ? onCalendar(standing.clean, target) : { kind: 'reached', day: reached },
  };
};
