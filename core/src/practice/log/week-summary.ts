import type { Course } from '../course.ts';
import { practiceDays } from '../calendar.ts';
import { readDay, type Day } from '../days.ts';
import { spotKey, type LogEntry, type Pain } from './entry.ts';
import { standsStill } from './spot-record.ts';
import { NEVER_MET, placeOn, standingsAfter } from './standing.ts';

/** A spot of which something is said. */
export interface ToldSpot {
  readonly goal: string;
  readonly spot: string;
}

/** What a span of days brought, for whoever teaches. Tempi in quarters a minute. */
export interface WeekSummary {
  readonly from: Day;
  readonly until: Day;
  readonly minutes: number;
  /** Days on which something was logged, and days of practice that were agreed on. */
  readonly days: number;
  readonly agreedDays: number;
  readonly climbed: readonly (ToldSpot & {
    readonly from: number | undefined;
    readonly to: number;
    readonly reached: boolean;
  })[];
  readonly still: readonly (ToldSpot & { readonly at: number | undefined })[];
  /** Spots that were never met in these days. */
  readonly notMet: readonly ToldSpot[];
  readonly pains: readonly { readonly day: Day; readonly pain: Pain }[];
  readonly hard: readonly ToldSpot[];
  readonly remarks: readonly { readonly day: Day; readonly remark: string }[];
}

/** What the days from one to another brought, from the whole log (`entries`, corrected ones left out). */
export const weekSummary = (
  course: Course,
  entries: readonly LogEntry[],
  from: Day,
  until: Day,
): WeekSummary => {
  const dayOf = ({ day }: LogEntry): Day => readDay(day)!;
  const own = entries.filter((entry) => dayOf(entry) >= from && dayOf(entry) <= until);
  const before = standingsAfter(
    new Map(),
    entries.filter((entry) => dayOf(entry) < from),
  );
  const after = standingsAfter(before, own);
  const spots = course.goals
    .filter(({ state }) => state === 'learning' || state === 'polished')
    .flatMap(({ id, spots: all, wishes }) =>
      all
        .filter(({ spot }) => wishes[spot.id]?.kind !== 'left-out')
        .map(({ spot, ladder }) => ({ goal: id, spot: spot.id, ladder, key: spotKey(id, spot.id) })),
    );
  const standingIn = (all: typeof after, key: string) => all.get(key) ?? NEVER_MET;
  const told = ({ goal, spot }: ToldSpot): ToldSpot => ({ goal, spot });
  const metIn = new Set(
    own.flatMap(({ work }) => (work.kind === 'spot' ? [spotKey(work.goal, work.spot)] : [])),
  );
  return {
    from,
    until,
    minutes: own.reduce((sum, { minutes }) => sum + (minutes ?? 0), 0),
    days: new Set(own.map(({ day }) => day)).size,
    agreedDays: practiceDays(from, until, course.weekdays),
    climbed: spots.flatMap((each) => {
      const [was, is] = [before, after].map((all) => placeOn(each.ladder, standingIn(all, each.key)).passed);
      if (is! <= was!) return [];
      const { rungs } = each.ladder;
      return [{ ...told(each), from: rungs[was!], to: rungs[is!]!, reached: is === rungs.length - 1 }];
    }),
    still: spots.flatMap((each) => {
      const standing = standingIn(after, each.key);
      if (!metIn.has(each.key) || !standsStill(each.ladder, standing)) return [];
      return [{ ...told(each), at: each.ladder.rungs[placeOn(each.ladder, standing).passed] }];
    }),
    notMet: spots.filter(({ key }) => !metIn.has(key)).map(told),
    pains: own.flatMap((entry) => (entry.pain === null ? [] : [{ day: dayOf(entry), pain: entry.pain }])),
    hard: spots
      .filter(({ goal, spot }) =>
        own.some(
          ({ work, felt }) =>
            felt === 'hard' && work.kind === 'spot' && work.goal === goal && work.spot === spot,
        ),
      )
      .map(told),
    remarks: own
      .map((entry) => ({ day: dayOf(entry), remark: entry.remark }))
      .filter(
        ({ day, remark }, index, all) =>
          remark !== '' && all.findIndex((each) => each.day === day && each.remark === remark) === index,
      ),
  };
};
