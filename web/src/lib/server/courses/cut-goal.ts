import type { GoalState } from '@oculon/core';
import { pageBasis, revisionOf, type PageBasis } from '../handouts/given-page.ts';
import type { FingeringId, GoalId, PieceId, StudentId } from '../ids.ts';
import { ownVersion } from '../fingerings/versions.ts';
import { withOwn } from '../own.ts';
import { makeGoalApart } from '../reading/pool.ts';
import { findStudent } from '../students/students.ts';
import { courseOf } from './courses.ts';
import type { GoalContent } from './goal-content.ts';
import { insertGoal, listBases, recutGoal } from './goals.ts';

/** What a goal is to be. */
export interface WantedGoal {
  readonly piece: PieceId;
  readonly state: GoalState;
  /** As `2026-12-24`. */
  readonly until: string;
  /** In quarters a minute; the version's own without. */
  readonly tempo: number | null;
}

/** Why a goal was not cut: there is no such piece or version any more, or planning it took too long. */
export type NotCut = 'gone' | 'too-long';

interface Basis {
  readonly page: PageBasis;
  readonly student: NonNullable<Awaited<ReturnType<typeof findStudent>>>;
}

const basisOf = (
  locals: App.Locals,
  student: StudentId,
  find: (...asked: Parameters<Parameters<typeof withOwn>[1]>) => Promise<FingeringId | undefined>,
): Promise<Basis | undefined> =>
  withOwn(locals, async (client, teacher) => {
    const whose = await findStudent(client, teacher, student);
    const fingering = whose && (await find(client, teacher));
    const page = fingering && (await pageBasis(client, teacher, { fingering, student, ownHand: true }));
    return page && whose && { page, student: whose };
  });

/** Planned outside any transaction: it takes its time. */
const cut = (
  { page: { version, edits, setup }, student: { language, noteNames } }: Basis,
  tempo: number | null,
): Promise<GoalContent | undefined> =>
  makeGoalApart({
    source: new Uint8Array(version.content),
    part: version.partId,
    edits: edits.map(({ edit }) => edit),
    title: version.title,
    composer: version.composer,
    setup,
    tempo: tempo ?? undefined,
    language,
    noteNames,
  });

/** Takes a piece into a student's course: their own version of it, or the teacher's as their hand plays it. */
export const addGoal = async (
  locals: App.Locals,
  student: StudentId,
  { piece, state, until, tempo }: WantedGoal,
): Promise<'done' | NotCut> => {
  const basis = await basisOf(locals, student, (client, teacher) => ownVersion(client, teacher, piece));
  if (!basis) return 'gone';
  const content = await cut(basis, tempo);
  if (!content) return 'too-long';
  return withOwn(locals, async (client, teacher) => {
    const course = await courseOf(client, teacher, student);
    if (!course) return 'gone';
    await insertGoal(client, teacher, {
      course: course.id,
      fingering: basis.page.version.id,
      state,
      until,
      tempo,
      revision: revisionOf(basis.page),
      content,
    });
    return 'done';
  });
};

/** Cuts a goal anew from its version as it stands now, for a tempo. */
export const cutGoalAnew = async (
  locals: App.Locals,
  student: StudentId,
  goal: GoalId,
  tempo: number | null,
): Promise<'done' | NotCut> => {
  const basis = await basisOf(locals, student, async (client, teacher) => {
    const course = await courseOf(client, teacher, student);
    const bases = course ? await listBases(client, teacher, course.id) : [];
    return bases.find(({ id }) => id === goal)?.fingeringId ?? undefined;
  });
  if (!basis) return 'gone';
  const content = await cut(basis, tempo);
  if (!content) return 'too-long';
  const isDone = await withOwn(locals, (client, teacher) =>
    recutGoal(client, teacher, goal, tempo, revisionOf(basis.page), content),
  );
  return isDone ? 'done' : 'gone';
};
