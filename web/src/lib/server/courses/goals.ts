import { dayTextSchema, GOAL_STATES, spotWishSchema, type GoalState, type SpotWish } from '@oculon/core';
import * as z from 'zod';
import type { GoalSheets, GoalView, Practised } from '../../practice/course-content.ts';
import type { Queryable } from '../database/database.ts';
import {
  courseIdSchema,
  fingeringIdSchema,
  goalIdSchema,
  type CourseId,
  type FingeringId,
  type GoalId,
  type TeacherId,
} from '../ids.ts';
import type { GoalContent } from './goal-content.ts';

/** Written by the program alone, from a plan. */
const practisedSchema = z.custom<Practised>((value) => typeof value === 'object' && value !== null);
const sheetsSchema = z.custom<GoalSheets>((value) => typeof value === 'object' && value !== null);

const goalSchema = z.object({
  id: goalIdSchema,
  state: z.enum(GOAL_STATES),
  until: dayTextSchema,
  practised: practisedSchema,
  wishes: z.record(z.string(), spotWishSchema),
  cutAt: z.date().transform((date) => date.toISOString()),
});

/** The goals of a course that were not taken out, what is due first. */
export const listGoals = async (
  client: Queryable,
  teacher: TeacherId,
  course: CourseId,
): Promise<GoalView[]> => {
  const { rows } = await client.query(
    `select id, state, until::text, practised, wishes, cut_at as "cutAt" from course_goals
     where teacher_id = $1 and course_id = $2 and removed_at is null order by until, created_at`,
    [teacher, course],
  );
  return z.array(goalSchema).parse(rows);
};

const basisSchema = z.object({
  id: goalIdSchema,
  courseId: courseIdSchema,
  fingeringId: fingeringIdSchema.nullable(),
  pieceId: z.uuid().nullable(),
  version: z.string().nullable(),
  tempo: z.coerce.number().nullable(),
  /** Decisions of the version and corrections of the piece since it was cut. */
  newer: z.int(),
});
export type GoalBasis = z.infer<typeof basisSchema>;

/** What each goal of a course was cut from, and whether that has changed since. */
export const listBases = async (
  client: Queryable,
  teacher: TeacherId,
  course: CourseId,
): Promise<GoalBasis[]> => {
  const { rows } = await client.query(
    `select goal.id, goal.course_id as "courseId", version.id as "fingeringId", version.piece_id as "pieceId",
       version.name as version, goal.tempo, coalesce(version.revision - goal.revision, 0) +
         (select count(*)::integer from earlier_sources as source where source.teacher_id = goal.teacher_id
          and source.piece_id = version.piece_id and source.replaced_at > goal.cut_at) as newer
     from course_goals as goal
     left join fingerings as version
       on version.teacher_id = goal.teacher_id and version.id = goal.fingering_id and version.deleted_at is null
     where goal.teacher_id = $1 and goal.course_id = $2 and goal.removed_at is null`,
    [teacher, course],
  );
  return z.array(basisSchema).parse(rows);
};

export interface NewGoal {
  readonly course: CourseId;
  readonly fingering: FingeringId;
  readonly state: GoalState;
  readonly until: string;
  readonly tempo: number | null;
  readonly revision: number;
  readonly content: GoalContent;
}

export const insertGoal = async (client: Queryable, teacher: TeacherId, goal: NewGoal): Promise<GoalId> => {
  const { course, fingering, state, until, tempo, revision, content } = goal;
  const { rows } = await client.query(
    `insert into course_goals (teacher_id, course_id, fingering_id, state, until, tempo, revision, practised, sheets)
     values ($1, $2, $3, $4, $5, $6, $7, $8, $9) returning id`,
    [
      teacher,
      course,
      fingering,
      state,
      until,
      tempo,
      revision,
      JSON.stringify(content.practised),
      JSON.stringify(content.sheets),
    ],
  );
  return goalIdSchema.parse(rows[0].id);
};

/** Cuts a goal anew; what was logged stays, by the bars of the spots. */
export const recutGoal = async (
  client: Queryable,
  teacher: TeacherId,
  goal: GoalId,
  tempo: number | null,
  revision: number,
  { practised, sheets }: GoalContent,
): Promise<boolean> => {
  const { rowCount } = await client.query(
    `update course_goals set tempo = $3, revision = $4, practised = $5, sheets = $6, cut_at = now()
     where teacher_id = $1 and id = $2 and removed_at is null`,
    [teacher, goal, tempo, revision, JSON.stringify(practised), JSON.stringify(sheets)],
  );
  return rowCount === 1;
};

/** What may be changed of a goal without cutting it anew. */
export interface GoalChange {
  readonly state?: GoalState | undefined;
  readonly until?: string | undefined;
}

export const changeGoal = async (
  client: Queryable,
  teacher: TeacherId,
  goal: GoalId,
  { state, until }: GoalChange,
): Promise<boolean> => {
  const { rowCount } = await client.query(
    `update course_goals set state = coalesce($3, state), until = coalesce($4, until)
     where teacher_id = $1 and id = $2 and removed_at is null`,
    [teacher, goal, state ?? null, until ?? null],
  );
  return rowCount === 1;
};

/** Takes a goal out of its course, or puts it back; its log stays. */
export const removeGoal = async (
  client: Queryable,
  teacher: TeacherId,
  goal: GoalId,
  isRemoved: boolean,
): Promise<boolean> => {
  const { rowCount } = await client.query(
    `update course_goals set removed_at = case when $3 then coalesce(removed_at, now()) end
     where teacher_id = $1 and id = $2`,
    [teacher, goal, isRemoved],
  );
  return rowCount === 1;
};

/** Says what is wanted of a spot; nothing any more with null. */
export const wishForSpot = async (
  client: Queryable,
  teacher: TeacherId,
  goal: GoalId,
  spot: string,
  wish: SpotWish | null,
): Promise<boolean> => {
  const { rowCount } = await client.query(
    `update course_goals
     set wishes = case when $4::jsonb is null then wishes - $3 else jsonb_set(wishes, array[$3], $4::jsonb) end
     where teacher_id = $1 and id = $2 and removed_at is null and practised->'bars' ? $3`,
    [teacher, goal, spot, wish && JSON.stringify(wish)],
  );
  return rowCount === 1;
};

/** The music of a goal of a course. */
export const findSheets = async (
  client: Queryable,
  teacher: TeacherId,
  course: CourseId,
  goal: GoalId,
): Promise<GoalSheets | undefined> => {
  const { rows } = await client.query(
    `select sheets from course_goals where teacher_id = $1 and course_id = $2 and id = $3 and removed_at is null`,
    [teacher, course, goal],
  );
  return rows[0] && sheetsSchema.parse(rows[0].sheets);
};
