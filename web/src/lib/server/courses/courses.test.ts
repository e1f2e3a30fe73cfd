import { randomUUID } from 'node:crypto';
import type { LogEntry } from '@oculon/core';
import type pg from 'pg';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { SentEntry } from '../../practice/sent-entries.ts';
import { asTeacher } from '../database/database.ts';
import type { CourseId, FingeringId, GoalId, StudentId, TeacherId } from '../ids.ts';
import { studentIdSchema } from '../ids.ts';
import { newPiece, newTeacher, testPool } from '../testing.ts';
import { courseBehind, courseOf, giveCourseLink, openCourse, revokeCourseLink } from './courses.ts';
import type { GoalContent } from './goal-content.ts';
import {
  changeGoal,
  findSheets,
  insertGoal,
  listBases,
  listGoals,
  recutGoal,
  removeGoal,
  wishForSpot,
} from './goals.ts';
import { insertNote, listNotes } from './lesson-notes.ts';
import { keepEntries, listEntries, listWritings, MOST_ENTRIES } from './log-entries.ts';

let pool: pg.Pool;
let own: TeacherId;
let stranger: TeacherId;
let student: StudentId;
let course: CourseId;
let fingering: FingeringId;
let goal: GoalId;

const CONTENT = {
  practised: { title: 'Étude', composer: '', labels: ['1'], target: 80, bars: { '1-1': '1' }, spots: [] },
  sheets: { piece: { title: 'Étude' }, spots: {}, warmUps: {} },
} as unknown as GoalContent;

const newStudent = async (teacher: TeacherId): Promise<StudentId> => {
  const { rows } = await pool.query(`insert into students (teacher_id, name) values ($1, 'A') returning id`, [
    teacher,
  ]);
  return studentIdSchema.parse(rows[0].id);
};
const newCourse = async (teacher: TeacherId): Promise<CourseId> =>
  (await courseOf(pool, teacher, await newStudent(teacher)))!.id;

beforeAll(async () => {
  pool = testPool();
  [own, stranger] = [await newTeacher(pool), await newTeacher(pool)];
  student = await newStudent(own);
  course = (await courseOf(pool, own, student))!.id;
  ({ fingering } = await newPiece(pool, own));
  goal = await insertGoal(pool, own, {
    course,
    fingering,
    state: 'learning',
    until: '2026-12-24',
    tempo: null,
    revision: 0,
    content: CONTENT,
  });
});
afterAll(() => pool.end());

const entry = (change: Partial<SentEntry> = {}): SentEntry => ({
  id: randomUUID(),
  day: '2026-11-26',
  work: { kind: 'spot', goal, spot: '1-1', drill: null },
  minutes: 5,
  tempo: 60,
  outcome: 'clean',
  felt: null,
  pain: null,
  remark: '',
  corrects: null,
  withdrawn: false,
  ...change,
});
const keep = (of: CourseId, ...entries: SentEntry[]) =>
  asTeacher(pool, own, (client) => keepEntries(client, own, of, entries, 'student'));
const minutesIn = async (of: CourseId) =>
  (await listEntries(pool, own, of)).map(({ minutes }: Pick<LogEntry, 'minutes'>) => minutes);

describe('a course', () => {
  it('is one for each student, however often it is asked for at once', async () => {
    const fresh = await newStudent(own);
    const asked = await Promise.all(
      Array.from({ length: 8 }, () => asTeacher(pool, own, (client) => courseOf(client, own, fresh))),
    );
    expect(new Set(asked.map((each) => each!.id)).size).toBe(1);
    expect(await courseOf(pool, own, randomUUID() as StudentId)).toBeUndefined();
    expect(await courseOf(pool, stranger, fresh)).toBeUndefined();
  });

  it('opens by its latest link alone, and by none once that is taken back', async () => {
    const first = (await giveCourseLink(pool, own, course))!;
    expect(await openCourse(pool, first)).toMatchObject({
      id: course,
      teacherId: own,
      view: { student: 'A' },
    });
    const second = (await giveCourseLink(pool, own, course))!;
    expect(await courseBehind(pool, first)).toBeUndefined();
    expect(await courseBehind(pool, second)).toEqual({ id: course, teacherId: own });
    await revokeCourseLink(pool, own, course);
    expect(await openCourse(pool, second)).toBeUndefined();
  });
});

describe('a goal', () => {
  it('can be changed, cut anew, taken out and put back', async () => {
    await changeGoal(pool, own, goal, { state: 'polished', until: '2027-01-31' });
    expect(await listGoals(pool, own, course)).toMatchObject([
      { id: goal, state: 'polished', until: '2027-01-31' },
    ]);
    const recut = { ...CONTENT, practised: { ...CONTENT.practised, target: 66 } };
    await recutGoal(pool, own, goal, 66, 3, recut);
    expect((await listGoals(pool, own, course))[0]!.practised.target).toBe(66);
    expect((await listBases(pool, own, course))[0]).toMatchObject({
      fingeringId: fingering,
      tempo: 66,
      newer: -3,
    });
    // A correction of the piece is a change as well.
    await pool.query(
      `insert into earlier_sources (teacher_id, piece_id, file_name, part_id, content, replaced_at)
       select teacher_id, piece_id, 'before.musicxml', 'P1', '', now() + interval '1 minute' from fingerings where id = $1`,
      [fingering],
    );
    expect((await listBases(pool, own, course))[0]!.newer).toBe(-2);
    await removeGoal(pool, own, goal, true);
    expect(await listGoals(pool, own, course)).toEqual([]);
    expect(await findSheets(pool, own, course, goal)).toBeUndefined();
    await removeGoal(pool, own, goal, false);
    expect(await findSheets(pool, own, course, goal)).toMatchObject({ piece: { title: 'Étude' } });
  });

  it('takes wishes for spots it has, and for no others', async () => {
    expect(await wishForSpot(pool, own, goal, '1-1', { kind: 'every-day' })).toBe(true);
    expect((await listGoals(pool, own, course))[0]!.wishes).toEqual({ '1-1': { kind: 'every-day' } });
    expect(await wishForSpot(pool, own, goal, '9-9', { kind: 'every-day' })).toBe(false);
    expect(await wishForSpot(pool, own, goal, '1-1', null)).toBe(true);
    expect((await listGoals(pool, own, course))[0]!.wishes).toEqual({});
  });

  it('is nobody else’s', async () => {
    expect(await changeGoal(pool, stranger, goal, { state: 'resting' })).toBe(false);
    expect(await removeGoal(pool, stranger, goal, true)).toBe(false);
    expect(await wishForSpot(pool, stranger, goal, '1-1', { kind: 'left-out' })).toBe(false);
    expect(await findSheets(pool, stranger, course, goal)).toBeUndefined();
  });

  it('stays when its version goes', async () => {
    const { fingering: short } = await newPiece(pool, own);
    const of = await newCourse(own);
    await insertGoal(pool, own, {
      course: of,
      fingering: short,
      state: 'learning',
      until: '2026-12-24',
      tempo: 72.5,
      revision: 0,
      content: CONTENT,
    });
    await pool.query(`delete from fingerings where id = $1`, [short]);
    expect(await listGoals(pool, own, of)).toHaveLength(1);
    expect(await listBases(pool, own, of)).toMatchObject([{ fingeringId: null, tempo: 72.5, newer: 0 }]);
  });
});

describe('the log', () => {
  it('keeps what is sent twice once, in the order of the days', async () => {
    const of = await newCourse(own);
    const [early, late] = [entry({ day: '2026-11-24', minutes: 1 }), entry({ minutes: 2 })];
    await keep(of, late);
    await keep(of, late, early);
    await keep(of, early, late);
    expect(await minutesIn(of)).toEqual([1, 2]);
  });

  it('loses nothing when two devices log at once', async () => {
    const of = await newCourse(own);
    const device = (number: number) =>
      Array.from({ length: 20 }, (_, minute) => entry({ minutes: 100 * number + minute }));
    const [one, other] = [device(1), device(2)];
    // Batches of both, some of them sent again as a phone does that heard no answer.
    await Promise.all(
      [one, other].flatMap((all) => [
        keep(of, ...all.slice(0, 12)),
        keep(of, ...all.slice(8)),
        keep(of, ...all),
      ]),
    );
    expect((await minutesIn(of)).toSorted((a, b) => a! - b!)).toEqual([
      ...one.map(({ minutes }) => minutes),
      ...other.map(({ minutes }) => minutes),
    ]);
  });

  it('keeps the old writing beside a correction, whoever corrects last', async () => {
    const of = await newCourse(own);
    const first = entry({ minutes: 5 });
    const corrected = entry({ minutes: 6, corrects: first.id });
    await keep(of, first, corrected);
    // By the id of the correction as well as by that of the first writing.
    await asTeacher(pool, own, (client) =>
      keepEntries(client, own, of, [entry({ minutes: 7, corrects: corrected.id })], 'teacher'),
    );
    expect(await listEntries(pool, own, of)).toMatchObject([
      { id: first.id, minutes: 7, isCorrected: true, byTeacher: true },
    ]);
    const writings = await listWritings(pool, own, of, first.id);
    expect(writings.map(({ entry: each, byTeacher }) => [each.minutes, byTeacher])).toEqual([
      [5, false],
      [6, false],
      [7, true],
    ]);
    await keep(of, entry({ corrects: first.id, withdrawn: true }));
    expect(await minutesIn(of)).toEqual([]);
    expect(await listWritings(pool, own, of, first.id)).toHaveLength(4);
  });

  it('corrects nothing in another course', async () => {
    const [mine, yours] = [await newCourse(own), await newCourse(own)];
    const theirs = entry({ minutes: 9 });
    await keep(yours, theirs);
    await keep(mine, entry({ corrects: theirs.id, withdrawn: true }), entry({ id: theirs.id, minutes: 1 }));
    expect(await minutesIn(yours)).toEqual([9]);
    expect(await minutesIn(mine)).toEqual([1]);
  });

  it('takes only so much in an hour from a link; the teacher is not held up', async () => {
    const of = await newCourse(own);
    await pool.query(
      `insert into log_entries (teacher_id, course_id, id, practised_on, entry, by_teacher)
       select $1, $2, gen_random_uuid(), '2026-11-26', $3, false from generate_series(1, $4)`,
      [own, of, JSON.stringify(entry()), MOST_ENTRIES.hour],
    );
    expect(await keep(of, entry())).toBe(false);
    const written = asTeacher(pool, own, (client) => keepEntries(client, own, of, [entry()], 'teacher'));
    expect(await written).toBe(true);
  });
});

describe('a note of a lesson', () => {
  it('is on a piece of its student, or on none', async () => {
    const other = await newStudent(own);
    const note = { student: other, bar: 3, body: 'the thumb' };
    expect(await insertNote(pool, own, { ...note, goal })).toBe(false);
    expect(await insertNote(pool, own, { ...note, student, goal })).toBe(true);
    expect(await insertNote(pool, stranger, { ...note, student, goal: null })).toBe(false);
    expect(await listNotes(pool, own, student)).toMatchObject([{ goalId: goal, bar: 3, body: 'the thumb' }]);
    expect(await listNotes(pool, own, other)).toEqual([]);
  });
});
