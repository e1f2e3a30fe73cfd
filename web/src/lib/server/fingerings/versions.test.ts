import { randomUUID } from 'node:crypto';
import { applyEdits, EMPTY_FINGERING, type Edit, type NoteId } from '@oculon/core';
import type pg from 'pg';
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import type { FingeringId, PieceId, TeacherId } from '../ids.ts';
import { insertInstrument } from '../instruments/instruments.ts';
import { deleteStudent, insertStudent, listStudents } from '../students/students.ts';
import { versionFor } from '../students/version-for.ts';
import { newPiece, newTeacher, testPool } from '../testing.ts';
import { appendEdits, listEdits } from './fingerings.ts';
import {
  findVersion,
  insertVersion,
  labelVersion,
  latestVersion,
  listLabels,
  listVersions,
  listVersionsFor,
  putVersionAway,
  removeLabel,
  renameVersion,
  takeVersionBack,
} from './versions.ts';

let pool: pg.Pool;
let teacher: TeacherId;
let piece: PieceId;
let first: FingeringId;
beforeAll(() => {
  pool = testPool();
});
afterAll(() => pool.end());
beforeEach(async () => {
  teacher = await newTeacher(pool);
  ({ piece, fingering: first } = await newPiece(pool, teacher));
});

const choose = (note: string, finger: 1 | 2 | 3): Edit => ({
  kind: 'choose',
  note: note as NoteId,
  before: {},
  after: { finger },
});
const decide = async (fingering: FingeringId, base: number, ...edits: readonly Edit[]) => {
  const saved = await appendEdits(
    pool,
    teacher,
    fingering,
    base,
    edits.map((edit) => ({ id: randomUUID(), edit })),
  );
  expect(saved?.kind).toBe('saved');
};
const stateOf = async (fingering: FingeringId) =>
  applyEdits(
    EMPTY_FINGERING,
    (await listEdits(pool, teacher, fingering, 0)).map(({ edit }) => edit),
  );
const student = (more: object = {}) =>
  insertStudent(pool, teacher, {
    name: 'J. S.',
    level: '',
    language: 'es',
    noteNames: 'solfege',
    hand: 'small',
    spans: {},
    instrumentId: null,
    minutesADay: 20,
    days: [1, 3],
    notes: '',
    ...more,
  });

describe('versions of a piece', () => {
  it('begin as the one they come from, and go their own ways', async () => {
    await decide(first, 0, choose('a', 1), choose('b', 2));
    const copy = (await insertVersion(pool, teacher, piece, { name: 'Copy', maker: 'T', origin: first }))!;
    expect(await stateOf(copy)).toEqual(await stateOf(first));
    await decide(copy, 2, choose('c', 3));
    await decide(first, 2, choose('a', 3));
    expect((await stateOf(copy)).choices.get('a' as NoteId)).toEqual({ finger: 1 });
    expect((await stateOf(first)).choices.has('c' as NoteId)).toBe(false);
    const listed = await listVersions(pool, teacher, piece);
    expect(listed.map(({ name, originName }) => [name, originName])).toEqual([
      ['First fingering', null],
      ['Copy', 'First fingering'],
    ]);
    expect(await latestVersion(pool, teacher, piece)).toBe(first);
  });

  it('for a student take what was decided, with the student’s hand and instrument', async () => {
    await decide(first, 0, choose('a', 1));
    const instrumentId = (await insertInstrument(pool, teacher, {
      name: 'Small',
      scaleLength: 580,
      tuning: ['E4', 'B3', 'G3', 'D3', 'A2', 'D2'],
      frets: 18,
      capo: 2,
      leftHanded: false,
    }))!;
    const id = await student({ spans: { '1-4': 80 }, instrumentId });
    const whose = (await versionFor(pool, teacher, id))!;
    const made = (await insertVersion(pool, teacher, piece, {
      name: `For ${whose.name}`,
      maker: '',
      origin: first,
      student: id,
      setup: whose.setup,
    }))!;
    const { choices, setup } = await stateOf(made);
    expect(choices.get('a' as NoteId)).toEqual({ finger: 1 });
    expect(setup).toMatchObject({ hand: 'small', spans: { '1-4': 80 }, scaleLength: 580, capo: 2 });
    expect(await findVersion(pool, teacher, piece, made)).toMatchObject({
      studentName: 'J. S.',
      revision: 2,
    });
    expect(await listVersionsFor(pool, teacher, id)).toMatchObject([{ id: made, title: 'Étude' }]);
  });

  it('are put away and taken back, but for the last one', async () => {
    const second = (await insertVersion(pool, teacher, piece, { name: 'Second', maker: '' }))!;
    expect(await putVersionAway(pool, teacher, second)).toBe('done');
    expect(await putVersionAway(pool, teacher, first)).toBe('last');
    expect(await latestVersion(pool, teacher, piece)).toBe(first);
    expect(await takeVersionBack(pool, teacher, second)).toBe(true);
    expect(await putVersionAway(pool, teacher, first)).toBe('done');
  });

  it('are renamed and labelled by their teacher alone', async () => {
    const stranger = await newTeacher(pool);
    expect(await renameVersion(pool, stranger, first, 'Mine')).toBe(false);
    expect(await renameVersion(pool, teacher, first, 'For the concert')).toBe(true);
    expect(await labelVersion(pool, stranger, first, 'x')).toBe(false);
    await labelVersion(pool, teacher, first, 'empty');
    await decide(first, 0, choose('a', 1));
    await labelVersion(pool, teacher, first, 'begun');
    await labelVersion(pool, teacher, first, 'begun well');
    expect((await listLabels(pool, teacher, first)).map(({ revision, label }) => [revision, label])).toEqual([
      [1, 'begun well'],
      [0, 'empty'],
    ]);
    await removeLabel(pool, teacher, first, 0);
    expect(await listLabels(pool, teacher, first)).toHaveLength(1);
    expect(
      await insertVersion(pool, stranger, piece, { name: 'x', maker: '', origin: first }),
    ).toBeUndefined();
  });

  it('go with the student they were made for; a piece keeps one', async () => {
    const id = await student();
    const made = (await insertVersion(pool, teacher, piece, { name: 'For', maker: '', student: id }))!;
    const other = await newPiece(pool, teacher);
    const only = (await insertVersion(pool, teacher, other.piece, { name: 'Only', maker: '', student: id }))!;
    await putVersionAway(pool, teacher, other.fingering);
    expect(await deleteStudent(pool, teacher, id)).toBe(true);
    expect(await findVersion(pool, teacher, piece, made)).toBeUndefined();
    expect(await findVersion(pool, teacher, other.piece, only)).toMatchObject({ studentId: null });
    expect(await listStudents(pool, teacher)).toEqual([]);
  });
});
