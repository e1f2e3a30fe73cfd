import { later, weekdayOf, type Day } from './days.ts';
import { AT_THE_FOOT, isReached, type Ladder, type LadderPlace } from './ladder.ts';
import { dueAfter, type Meeting } from './meetings.ts';
import { roomForSpots, sessionOf, type SessionPart } from './session.ts';

/** A spot on its way: what it is, and what the log tells of it. */
export interface PractisedSpot {
  readonly piece: string;
  readonly spot: string;
  /** What makes the hardest first: the larger, the harder. */
  readonly effort: number;
  readonly ladder: Ladder;
  readonly place?: LadderPlace;
  readonly meetings?: readonly Meeting[];
  /** The day on which it was first clean at its target. */
  readonly reached?: Day;
  /** Not to be met before this day: it rests. */
  readonly restsUntil?: Day;
  /** The day on which it is to be met next, and not before; or on every day. */
  readonly pinned?: Day | 'always';
}

/** A piece with the day on which it is to be ready. */
export interface PieceGoal {
  readonly piece: string;
  readonly until: Day;
}

export interface PracticeWish {
  readonly from: Day;
  readonly goals: readonly PieceGoal[];
  readonly spots: readonly PractisedSpot[];
  /** Minutes on a day of practice. */
  readonly minutes: number;
  /** Weekdays of practice, Monday is 1. */
  readonly weekdays: readonly number[];
  /** How many days are planned, at most. */
  readonly days: number;
}

/** A spot as it is met in a session, with the rung that is tried. */
export interface PlannedMeeting {
  readonly piece: string;
  readonly spot: string;
  readonly rung: number;
  /** In quarters a minute. */
  readonly tempo: number;
  /** Why it is met that day. */
  readonly why: 'pinned' | 'new' | 'due' | 'goal-near' | 'kept-up';
}

export interface PlannedDay {
  readonly day: Day;
  readonly parts: readonly SessionPart<PlannedMeeting>[];
}

/** When a piece will be ready if everything goes well; `ready` is missing when the planned days do not suffice. */
export interface GoalForecast {
  readonly piece: string;
  readonly until: Day;
  readonly ready: Day | undefined;
  /** The goal cannot be kept: it moves to `ready`, or beyond what is planned. */
  readonly moves: boolean;
}

export interface PracticeCalendar {
  readonly days: readonly PlannedDay[];
  readonly goals: readonly GoalForecast[];
}

/** A spot as the planning goes on, all meetings ahead taken to go well. */
interface Course {
  readonly source: PractisedSpot;
  readonly until: Day;
  place: LadderPlace;
  meetings: Meeting[];
  reached: Day | undefined;
}

/** Each meeting that goes well climbs so many rungs. Our own assumption, until the log says otherwise. */
const RUNGS_A_MEETING = 1;
/** A spot that is behind its goal may be met on any day; otherwise it waits until it is due. */
const rungsLeft = ({ source: { ladder }, place }: Course): number => ladder.rungs.length - 1 - place.passed;

const DAYS_PER_WEEK = 7;
/** Days of practice from one day up to and with another. */
export const practiceDays = (from: Day, until: Day, weekdays: readonly number[]): number => {
  const days = Math.max(0, until - from + 1);
  const weeks = Math.floor(days / DAYS_PER_WEEK);
  const rest = Array.from({ length: days % DAYS_PER_WEEK }, (_, number) => weekdayOf(later(from, number)));
  return weeks * new Set(weekdays).size + rest.filter((weekday) => weekdays.includes(weekday)).length;
};

/** Whether a spot would miss its goal if it waited for its interval. */
const isPressed = (course: Course, today: Day, weekdays: readonly number[]): boolean =>
  course.reached === undefined &&
  rungsLeft(course) / RUNGS_A_MEETING >= practiceDays(later(today, 1), course.until, weekdays);

/** The next rung that is tried: the first that was not passed. */
const nextRung = ({ source: { ladder }, place }: Course): number =>
  Math.min(place.passed + 1, ladder.rungs.length - 1);

/** Whether the teacher wants a spot to be met today; undefined where nothing is wanted of this day. */
const isWanted = ({ source: { pinned }, meetings }: Course, today: Day): boolean | undefined => {
  if (pinned === undefined || pinned === 'always') return pinned && true;
  if ((meetings.at(-1)?.day ?? -Infinity) >= pinned) return undefined;
  return today >= pinned;
};

const why = (course: Course, today: Day, weekdays: readonly number[]): PlannedMeeting['why'] => {
  if (isWanted(course, today)) return 'pinned';
  if (course.reached !== undefined) return 'kept-up';
  if (course.meetings.length === 0) return 'new';
  return dueAfter(course.meetings, today, course.reached) > today && isPressed(course, today, weekdays)
    ? 'goal-near'
    : 'due';
};

/**
 * A calendar of sessions: on every day of practice the spots that are due, those of the nearest goal first and the hardest
 * of them, as many as the minutes allow; what finds no room comes the next day. A spot whose goal is near is met before it
 * is due. What the teacher wants of a day comes first. It is told when each piece will be ready, and which goals move.
 */
export const calendarOf = (wish: PracticeWish): PracticeCalendar => {
  const { from, goals, minutes, weekdays } = wish;
  const untilOf = new Map(goals.map(({ piece, until }) => [piece, until]));
  const courses = wish.spots.map((source): Course => {
    const place = source.place ?? AT_THE_FOOT;
    const reached = isReached(source.ladder, place) ? (source.reached ?? from) : undefined;
    return {
      source,
      until: untilOf.get(source.piece) ?? later(from, wish.days),
      place,
      meetings: [...(source.meetings ?? [])],
      reached,
    };
  });
  const days: PlannedDay[] = [];
  for (let number = 0; number < wish.days; number += 1) {
    const today = later(from, number);
    if (!weekdays.includes(weekdayOf(today))) continue;
    const due = courses
      .filter(
        (course) =>
          (course.source.restsUntil === undefined || today >= course.source.restsUntil) &&
          (isWanted(course, today) ??
            (dueAfter(course.meetings, today, course.reached) <= today ||
              isPressed(course, today, weekdays))),
      )
      .sort(
        (a, b) =>
          Number(isWanted(b, today) ?? false) - Number(isWanted(a, today) ?? false) ||
          Number(a.reached !== undefined) - Number(b.reached !== undefined) ||
          a.until - b.until ||
          // Of one goal what was met longest ago comes first, so that none is always left out.
          (a.meetings.at(-1)?.day ?? -Infinity) - (b.meetings.at(-1)?.day ?? -Infinity) ||
          b.source.effort - a.source.effort,
      )
      .slice(0, roomForSpots(minutes))
      .sort((a, b) => b.source.effort - a.source.effort);
    const met = due.map((course): PlannedMeeting => {
      const rung = nextRung(course);
      return {
        piece: course.source.piece,
        spot: course.source.spot,
        rung,
        tempo: course.source.ladder.rungs[rung]!,
        why: why(course, today, weekdays),
      };
    });
    days.push({ day: today, parts: sessionOf(minutes, met) });
    for (const course of due) {
      course.meetings = [...course.meetings, { day: today, isClean: true }];
      course.place = {
        ...AT_THE_FOOT,
        passed: Math.min(course.place.passed + RUNGS_A_MEETING, course.source.ladder.rungs.length - 1),
      };
      if (course.reached === undefined && isReached(course.source.ladder, course.place))
        course.reached = today;
    }
  }
  return {
    days,
    goals: goals.map(({ piece, until }): GoalForecast => {
      const own = courses.filter(({ source }) => source.piece === piece);
      const open = own.some(({ reached }) => reached === undefined);
      const ready = open ? undefined : later(from, Math.max(0, ...own.map(({ reached }) => reached! - from)));
      return { piece, until, ready, moves: ready === undefined || ready > until };
    }),
  };
};
