import { calendarOf, type PlannedMeeting, type PracticeCalendar } from './calendar.ts';
import { gentler, wishOf, type Course, type CourseGoal, type Progress } from './course.ts';
import { weekdayOf, type Day } from './days.ts';
import type { DrillName } from './drills/catalogue.ts';
import { onNewDay, tempoAt } from './ladder.ts';
import { spotKey, workKey, type LogEntry, type Work } from './log/entry.ts';
import { NEVER_MET, placeOn } from './log/standing.ts';
import type { SessionPart } from './session.ts';
import { DRILLS_FOR, type SpotDrill } from './spot-drills.ts';
import type { SpotKind } from './spots.ts';

/** What a student does next: something to practise, or a break. */
export type SessionStep =
  | { readonly kind: 'break'; readonly minutes: number }
  | {
      readonly kind: 'warm-up';
      readonly minutes: number;
      readonly drill: DrillName | undefined;
      readonly goal: string | undefined;
    }
  | {
      readonly kind: 'drill';
      readonly minutes: number;
      readonly goal: string;
      readonly spot: string;
      readonly drill: SpotDrill;
      readonly tempo: number;
    }
  | {
      readonly kind: 'climb';
      readonly minutes: number;
      readonly goal: string;
      readonly spot: string;
      /** The rung on which one begins, and the one that is to be passed. */
      readonly rung: number;
      readonly toward: number;
      readonly why: PlannedMeeting['why'];
      readonly again: boolean;
    }
  | { readonly kind: 'piece'; readonly minutes: number; readonly goal: string };

/** What a step is logged as; nothing for a break. */
export const workOf = (step: SessionStep): Work | undefined => {
  if (step.kind === 'break') return undefined;
  if (step.kind === 'warm-up') return { kind: 'warm-up' };
  if (step.kind === 'piece') return { kind: 'piece', goal: step.goal };
  const { goal, spot } = step;
  return { kind: 'spot', goal, spot, drill: step.kind === 'drill' ? step.drill : null };
};

/** What warms the hands up for a kind of difficulty, at its easiest. Our own choice. */
export const WARM_UP_FOR: Readonly<Record<SpotKind, DrillName>> = {
  shift: 'scale-on-one-string',
  stretch: 'finger-pairs',
  barre: 'finger-pairs',
  'held-voice': 'finger-pairs',
  'finger-change': 'finger-pairs',
  crossing: 'right-orders',
  repetition: 'right-orders',
  coordination: 'scale-in-position',
  slur: 'finger-pairs',
  damping: 'right-orders',
};

/** Shares of a meeting that go to a drill before the ladder is climbed; our own value. */
const DRILL_SHARE = 1 / 3;
/** A drill of less than this is not worth turning the page for, in minutes; our own value. */
const LEAST_DRILL = 1;

/** The drill whose turn it is: the easiest that did not go well yet; none once all did. */
const nextDrill = (
  kind: SpotKind,
  available: readonly SpotDrill[],
  done: readonly SpotDrill[],
): SpotDrill | undefined =>
  DRILLS_FOR[kind].find((drill) => available.includes(drill) && !done.includes(drill));

/** A day of practice for a student, as it is gone through. */
export interface TodaysSession {
  readonly steps: readonly SessionStep[];
  /** Whether today is a day of practice; on others the steps are what one could do. */
  readonly isPlanned: boolean;
}

export interface SessionAsked {
  readonly course: Course;
  /** What was logged before today: what happens today does not turn the day over. */
  readonly progress: Progress;
  readonly today: Day;
  /** When each piece was last played through, by goal. */
  readonly played: ReadonlyMap<string, Day>;
  /** Which drills of a spot there are notes for. */
  readonly drillsOf: (goal: string, spot: string) => readonly SpotDrill[];
  readonly isGentle: boolean;
}

/** What a student does on a day: the calendar's parts, with the drill whose turn it is before each ladder. */
export const todaysSession = (asked: SessionAsked): TodaysSession => {
  const { course, progress, today, isGentle } = asked;
  const isPlanned = course.weekdays.includes(weekdayOf(today));
  const plain = wishOf({ ...course, weekdays: [weekdayOf(today)] }, progress, today, 1);
  const wish = isGentle ? gentler(plain, progress.standings) : plain;
  const parts = calendarOf(wish).days[0]?.parts ?? [];
  const ladders = new Map(wish.spots.map((each) => [spotKey(each.piece, each.spot), each.ladder]));
  const kinds = new Map(
    course.goals.flatMap((goal) =>
      goal.spots.map(({ spot }) => [spotKey(goal.id, spot.id), spot.kind] as const),
    ),
  );
  const hardest = parts.flatMap((part) => (part.kind === 'spot' ? [part.spot] : []))[0];
  const warmUps = course.goals.filter(({ state }) => state === 'warm-up');
  const pieces = inTurn(course.goals, asked.played);
  let piecesBegun = 0;
  const meeting = (
    { piece, spot, rung, why }: PlannedMeeting,
    minutes: number,
    again: boolean,
  ): readonly SessionStep[] => {
    const key = spotKey(piece, spot);
    const standing = progress.standings.get(key) ?? NEVER_MET;
    const ladder = ladders.get(key)!;
    const begin = Math.min(onNewDay(placeOn(ladder, standing)).rung, rung);
    const drill = again
      ? undefined
      : nextDrill(kinds.get(key)!, asked.drillsOf(piece, spot), standing.drilled);
    const share = drill ? Math.round(minutes * DRILL_SHARE) : 0;
    const forDrill = share >= LEAST_DRILL ? share : 0;
    return [
      ...(drill && forDrill > 0
        ? [
            {
              kind: 'drill' as const,
              minutes: forDrill,
              goal: piece,
              spot,
              drill,
              tempo: tempoAt(ladder, begin),
            },
          ]
        : []),
      {
        kind: 'climb',
        minutes: minutes - forDrill,
        goal: piece,
        spot,
        rung: begin,
        toward: rung,
        why,
        again,
      },
    ];
  };
  const stepsOf = (part: SessionPart<PlannedMeeting>): readonly SessionStep[] => {
    const { minutes } = part;
    switch (part.kind) {
      case 'spot':
      case 'again':
        return meeting(part.spot, minutes, part.kind === 'again');
      case 'break':
        return [{ kind: 'break', minutes }];
      case 'warm-up': {
        const kind = hardest && kinds.get(spotKey(hardest.piece, hardest.spot));
        const goal = warmUps[today % Math.max(1, warmUps.length)]?.id;
        const drill = goal === undefined && kind ? WARM_UP_FOR[kind] : undefined;
        return [{ kind: 'warm-up', minutes, goal, drill }];
      }
      case 'pieces': {
        // A part that a break cuts in two is for two pieces, where there are two.
        const goal = pieces[piecesBegun % Math.max(1, pieces.length)];
        piecesBegun += 1;
        return goal === undefined ? [] : [{ kind: 'piece', minutes, goal }];
      }
    }
  };
  return { steps: parts.flatMap(stepsOf), isPlanned };
};

/** Pieces whose turn it is to be played through: what was not played for longest first, then what is due first. */
const inTurn = (goals: readonly CourseGoal[], played: ReadonlyMap<string, Day>): readonly string[] =>
  goals
    .filter(({ state }) => state === 'learning' || state === 'polished')
    .toSorted((a, b) => (played.get(a.id) ?? -1) - (played.get(b.id) ?? -1) || a.until - b.until)
    .map(({ id }) => id);

/** Which steps are done by what was logged today, one entry for one step. */
export const doneSteps = (steps: readonly SessionStep[], today: readonly LogEntry[]): readonly boolean[] => {
  const left = new Map<string, number>();
  for (const { work } of today) left.set(workKey(work), (left.get(workKey(work)) ?? 0) + 1);
  return steps.map((step) => {
    const work = workOf(step);
    if (!work) return false;
    const count = left.get(workKey(work)) ?? 0;
    left.set(workKey(work), count - 1);
    return count > 0;
  });
};

/** The days ahead of a course, as the log has it. */
export const daysAhead = (course: Course, progress: Progress, from: Day, days: number): PracticeCalendar =>
  calendarOf(wishOf(course, progress, from, days));
