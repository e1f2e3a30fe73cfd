import { error, fail } from '@sveltejs/kit';
import { allInShort, dayTextSchema, GOAL_STATES, LOG_BOUNDS, spotWishSchema } from '@oculon/core';
import * as z from 'zod';
import { courseOf, giveCourseLink, revokeCourseLink } from '$lib/server/courses/courses.ts';
import { addGoal, cutGoalAnew, type NotCut } from '$lib/server/courses/cut-goal.ts';
import { changeGoal, listBases, removeGoal, wishForSpot } from '$lib/server/courses/goals.ts';
import { progressOf, studentNamed, taughtCourse } from '$lib/server/courses/taught.ts';
import { fieldsIn, problemsOf, textIn } from '$lib/server/forms.ts';
import { goalIdSchema, pieceIdSchema } from '$lib/server/ids.ts';
import { withOwn } from '$lib/server/own.ts';
import { listPieces } from '$lib/server/pieces/pieces.ts';
import { changeTimes, timesSchema } from '$lib/server/students/students.ts';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ params, locals }) => {
  const { course, entries, ...more } = await taughtCourse(
    locals,
    studentNamed(params.student),
    async (client, teacher, { id }) => ({
      bases: await listBases(client, teacher, id),
      pieces: (await listPieces(client, teacher)).map((piece) => ({ id: piece.id, title: piece.title })),
    }),
  );
  const { view, linkGivenAt, seenAt } = course;
  const { standings, rests } = progressOf(view, entries);
  return {
    student: params.student,
    course: view,
    linkGivenAt,
    seenAt,
    standings: allInShort(standings),
    rests,
    ...more,
  };
};

const tempoField = z
  .union([
    z.literal('').transform(() => null),
    z.coerce.number().min(LOG_BOUNDS.slowest).max(LOG_BOUNDS.fastest),
  ])
  .catch(null);
const newGoalSchema = z.object({
  piece: pieceIdSchema,
  state: z.enum(GOAL_STATES),
  until: dayTextSchema,
  tempo: tempoField,
});
const changeSchema = z.object({ goal: goalIdSchema, state: z.enum(GOAL_STATES), until: dayTextSchema });
const cutSchema = z.object({ goal: goalIdSchema, tempo: tempoField });
const wishSchema = z.object({ goal: goalIdSchema, spot: z.string().min(1).max(LOG_BOUNDS.spot) });

const NOT_CUT: Readonly<Record<NotCut, string>> = {
  gone: 'There is no such piece or version any more.',
  'too-long': 'The piece could not be planned in time. Nothing was changed; try again in a moment.',
};
const goneWhenNot = (isDone: boolean): void => {
  if (!isDone) error(404, 'This is no longer in the plan. It may have been taken out in another window.');
};

export const actions: Actions = {
  add: async ({ request, params, locals }) => {
    const wanted = newGoalSchema.safeParse(Object.fromEntries(await fieldsIn(request)));
    if (!wanted.success) return fail(400, { problems: problemsOf(wanted.error) });
    const outcome = await addGoal(locals, studentNamed(params.student), wanted.data);
    return outcome === 'done'
      ? { done: 'Taken into the plan.' }
      : fail(400, { problems: { piece: NOT_CUT[outcome] } });
  },
  change: async ({ request, locals }) => {
    const change = changeSchema.safeParse(Object.fromEntries(await fieldsIn(request)));
    if (!change.success) return fail(400, { problems: problemsOf(change.error) });
    const { goal, ...to } = change.data;
    goneWhenNot(await withOwn(locals, (client, teacher) => changeGoal(client, teacher, goal, to)));
    return { done: 'Changed.' };
  },
  cut: async ({ request, params, locals }) => {
    const wanted = cutSchema.safeParse(Object.fromEntries(await fieldsIn(request)));
    if (!wanted.success) return fail(400, { problems: problemsOf(wanted.error) });
    const { goal, tempo } = wanted.data;
    const outcome = await cutGoalAnew(locals, studentNamed(params.student), goal, tempo);
    return outcome === 'done'
      ? { done: 'The plan has it as it stands now. What was logged stays.' }
      : fail(400, { problems: { cut: NOT_CUT[outcome] } });
  },
  remove: async ({ request, locals }) => {
    const fields = await fieldsIn(request);
    const goal = goalIdSchema.safeParse(textIn(fields, 'goal'));
    const isRemoved = textIn(fields, 'back') !== 'yes';
    goneWhenNot(
      goal.success &&
        (await withOwn(locals, (client, teacher) => removeGoal(client, teacher, goal.data, isRemoved))),
    );
    return isRemoved
      ? { done: 'Taken out of the plan. Its log stays.', removed: goal.data }
      : { done: 'It is back.' };
  },
  wish: async ({ request, locals }) => {
    const fields = await fieldsIn(request);
    const about = wishSchema.safeParse(Object.fromEntries(fields));
    const kind = textIn(fields, 'kind');
    const wish = kind === '' ? null : spotWishSchema.safeParse({ kind, day: textIn(fields, 'day') }).data;
    if (!about.success || wish === undefined)
      return fail(400, { problems: { wish: 'Choose a day for it.' } });
    const { goal, spot } = about.data;
    goneWhenNot(await withOwn(locals, (client, teacher) => wishForSpot(client, teacher, goal, spot, wish)));
    return { done: 'Planned anew.' };
  },
  times: async ({ request, params, locals }) => {
    const fields = await fieldsIn(request);
    const times = timesSchema.safeParse({
      minutesADay: textIn(fields, 'minutesADay'),
      days: fields.getAll('days'),
    });
    if (!times.success) return fail(400, { problems: problemsOf(times.error) });
    goneWhenNot(
      await withOwn(locals, (client, teacher) =>
        changeTimes(client, teacher, studentNamed(params.student), times.data),
      ),
    );
    return { done: 'Planned anew.' };
  },
  link: async ({ request, params, locals, url }) => {
    const isGiven = textIn(await fieldsIn(request), 'revoke') !== 'yes';
    const token = await withOwn(locals, async (client, teacher) => {
      const course = await courseOf(client, teacher, studentNamed(params.student));
      if (!course) return undefined;
      if (isGiven) return giveCourseLink(client, teacher, course.id);
      await revokeCourseLink(client, teacher, course.id);
      return '';
    });
    if (token === undefined) error(404, 'There is no such student.');
    return token === ''
      ? { done: 'The link opens nothing any more.' }
      : {
          done: 'A new link. One of before opens nothing any more.',
          link: `${url.origin}/s/practise/${token}`,
        };
  },
};
