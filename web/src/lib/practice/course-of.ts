import {
  NEVER_MET,
  readDay,
  spotKey,
  spotRecord,
  type Course,
  type CourseGoal,
  type Ladder,
  type NamedGoal,
  type Spot,
  type SpotRecord,
  type Standings,
  type Work,
} from '@oculon/core';
import type { CourseView } from './course-content.ts';

/** A course as the planning of practice takes it. */
export const courseFrom = ({ minutes, weekdays, goals }: CourseView): Course => ({
  minutes,
  weekdays,
  goals: goals.map(({ id, state, until, practised, wishes }) => ({
    id,
    title: practised.title,
    state,
    until: readDay(until)!,
    spots: practised.spots,
    wishes,
  })),
});

/** The goals of a course as they are named. */
export const namedGoals = ({ goals }: CourseView): readonly NamedGoal[] =>
  goals.map(({ id, practised: { title, bars } }) => ({ id, title, bars }));

/** What can be logged by hand: a warm-up, each piece as a whole, each spot on its ladder. */
export const worksOf = ({ goals }: Course): readonly Work[] => [
  { kind: 'warm-up' },
  ...goals.flatMap(({ id, spots }): readonly Work[] => [
    { kind: 'piece', goal: id },
    ...spots.map(({ spot }): Work => ({ kind: 'spot', goal: id, spot: spot.id, drill: null })),
  ]),
];

/** A spot with what the log tells of it. */
export interface RecordedSpot {
  readonly goal: CourseGoal['id'];
  readonly state: CourseGoal['state'];
  readonly spot: Spot;
  readonly ladder: Ladder;
  readonly record: SpotRecord;
}

/** What the log tells of each spot of a course. */
export const recordsOf = ({ goals }: Course, standings: Standings): readonly RecordedSpot[] =>
  goals.flatMap(({ id, state, spots }) =>
    spots.map(({ spot, ladder }) => ({
      goal: id,
      state,
      spot,
      ladder,
      record: spotRecord(ladder, standings.get(spotKey(id, spot.id)) ?? NEVER_MET),
    })),
  );
