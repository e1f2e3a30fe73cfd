import { readDay, type Course, type NamedGoal } from '@oculon/core';
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
