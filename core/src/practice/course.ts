import * as z from 'zod/mini';
import type { PieceGoal, PracticeWish, PractisedSpot } from './calendar.ts';
import { day, dayTextSchema, readDay, type Day } from './days.ts';
import { AT_THE_FOOT } from './ladder.ts';
import { spotKey } from './log/entry.ts';
import { REST, type Rests } from './log/rest.ts';
import { bestOf, NEVER_MET, placeOn, reachedOn, type Standings } from './log/standing.ts';
import type { PractisedPiece } from './practice-json.ts';

/** What is done with a piece: its spots are climbed; it is kept up; it warms the hands up; it rests. */
export const GOAL_STATES = ['learning', 'polished', 'warm-up', 'resting'] as const;
export type GoalState = (typeof GOAL_STATES)[number];

/** What a teacher wants of a spot: on a day of theirs, on every day of practice, or not at all. */
export const spotWishSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('on-day'), day: dayTextSchema }),
  z.object({ kind: z.literal('every-day') }),
  z.object({ kind: z.literal('left-out') }),
]);
export type SpotWish = z.infer<typeof spotWishSchema>;

/** A piece that a student works at. */
export interface CourseGoal {
  readonly id: string;
  readonly title: string;
  readonly state: GoalState;
  readonly until: Day;
  readonly spots: PractisedPiece['spots'];
  /** By the id of the spot. */
  readonly wishes: Readonly<Partial<Record<string, SpotWish>>>;
}

/** What a student works at, and how much time there is. */
export interface Course {
  /** On a day of practice. */
  readonly minutes: number;
  /** Monday is 1. */
  readonly weekdays: readonly number[];
  readonly goals: readonly CourseGoal[];
}

/** What the log tells of a course. */
export interface Progress {
  readonly standings: Standings;
  readonly rests: Rests;
}

/** A piece that is kept up was ready before anything was logged here. */
const LONG_AGO = day(0);

const practisedSpot = (
  { id, state, wishes }: CourseGoal,
  { spot, ladder }: CourseGoal['spots'][number],
  { standings, rests }: Progress,
): PractisedSpot => {
  const standing = standings.get(spotKey(id, spot.id)) ?? NEVER_MET;
  const target = ladder.rungs.at(-1)!;
  const isKept = state === 'polished';
  const wish = wishes[spot.id];
  const pinned =
    wish?.kind === 'on-day' ? readDay(wish.day)! : wish?.kind === 'every-day' ? 'always' : undefined;
  const restsUntil = rests.get(spot.kind);
  return {
    piece: id,
    spot: spot.id,
    effort: spot.effort,
    ladder,
    place: isKept ? { ...AT_THE_FOOT, passed: ladder.rungs.length - 1 } : placeOn(ladder, standing),
    meetings: standing.meetings,
    reached: isKept ? LONG_AGO : reachedOn(standing, target),
    ...(restsUntil !== undefined && { restsUntil }),
    ...(pinned !== undefined && { pinned }),
  };
};

/** What a calendar is made from: the course as the log has it, from a day on. */
export const wishOf = (
  { minutes, weekdays, goals }: Course,
  progress: Progress,
  from: Day,
  days: number,
): PracticeWish => {
  const met = goals.filter(({ state }) => state === 'learning' || state === 'polished');
  return {
    from,
    minutes,
    weekdays,
    days,
    goals: met.map(({ id, until }): PieceGoal => ({ piece: id, until })),
    spots: met.flatMap((goal) =>
      goal.spots
        .filter(({ spot }) => goal.wishes[spot.id]?.kind !== 'left-out')
        .map((spot) => practisedSpot(goal, spot, progress)),
    ),
  };
};

/**
 * A gentler day: half the time, and nothing faster than what went well before. Handbook §8: general advice, never treatment.
 */
export const gentler = (wish: PracticeWish, standings: Standings): PracticeWish => ({
  ...wish,
  minutes: Math.round(wish.minutes * REST.gentlerMinutes),
  spots: wish.spots.map((each) => {
    const best = bestOf(standings.get(spotKey(each.piece, each.spot)) ?? NEVER_MET);
    const rungs = each.ladder.rungs.filter((rung) => rung <= best);
    return {
      ...each,
      ladder: { ...each.ladder, rungs: rungs.length > 0 ? rungs : each.ladder.rungs.slice(0, 1) },
    };
  }),
});
