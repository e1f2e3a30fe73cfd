import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import * as z from 'zod';
import fc from 'fast-check';
import { strToU8, zipSync } from 'fflate';
import type pg from 'pg';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { asTeacher } from '../database/database.ts';
import type { TeacherId } from '../ids.ts';
import { newTeacher, testPool } from '../testing.ts';
import { ARCHIVE_SCHEMA, archiveSchema, type Archive } from './archive-schema.ts';
import { collect, type Collected } from './collect.ts';
import { pack, unpack } from './pack.ts';
import { place } from './place.ts';

let pool: pg.Pool;
beforeAll(() => {
  pool = testPool();
});
afterAll(() => pool.end());

const NOW = new Date('2026-11-26T04:00:00.000Z');
const collected = (teacher: TeacherId) => asTeacher(pool, teacher, (client) => collect(client, teacher, NOW));
const placed = (teacher: TeacherId, all: Collected) =>
  asTeacher(pool, teacher, (client) => place(client, teacher, all));

const time = fc
  .integer({ min: 1_600_000_000_000, max: 1_790_000_000_000 })
  .map((ms) => new Date(ms).toISOString().replace('Z', '123Z'));
const text = (least: number, most: number) =>
  fc
    .string({ minLength: least, maxLength: most, unit: 'grapheme' })
    .filter((each) => !/[\u0000\ud800-\udfff]/.test(each) && each.length >= least && each.length <= most);
/** A course of the first student: a goal of the first piece, a log with a correction, and a note. */
const practice = (
  students: readonly { readonly id: string; readonly createdAt: string }[],
  pieces: readonly { readonly createdAt: string; readonly versions: readonly { readonly id: string }[] }[],
) => {
  const [[student], [piece]] = [students, pieces];
  if (!student || !piece) return {};
  const id = (number: number) => `00000000-0000-4000-8000-${String(number).padStart(12, '0')}`;
  const [goal, first, second] = [id(1), id(2), id(3)];
  const { createdAt } = student;
  const entry = (of: string, minutes: number) => ({
    id: of,
    day: '2026-11-26',
    work: { kind: 'spot' as const, goal, spot: '3-3', drill: null },
    minutes,
    tempo: 60,
    outcome: 'clean' as const,
    felt: null,
    pain: null,
    remark: '',
  });
  const written = { byTeacher: false, loggedAt: createdAt };
  return {
    courses: [
      {
        id: id(0),
        studentId: student.id,
        createdAt,
        goals: [
          {
            id: goal,
            versionId: piece.versions[0]!.id,
            state: 'learning' as const,
            until: '2026-12-24',
            tempo: 88.5,
            revision: 2,
            practised: { title: 'x', bars: { '3-3': '3' } },
            sheets: 'sheets/0001',
            wishes: { '3-3': { kind: 'every-day' as const } },
            createdAt,
            cutAt: createdAt,
            removedAt: null,
          },
        ],
        log: [
          { ...written, id: first, entry: entry(first, 5), corrects: null, withdrawn: false },
          { ...written, id: second, entry: entry(second, 7), corrects: first, withdrawn: false },
        ],
      },
    ],
    notes: [{ studentId: student.id, goalId: goal, bar: 2, body: 'thumb', madeAt: createdAt, doneAt: null }],
  };
};
/** The files that an account names, with something in each. */
const filesOf = ({ pieces, courses }: Archive): ReadonlyMap<string, Uint8Array> =>
  new Map([
    ...pieces
      .flatMap(({ source, earlierSources }) => [source, ...earlierSources])
      .map(({ file }, index) => [file, new Uint8Array([index, 255, 0])] as const),
    ...courses.flatMap(({ goals }) => goals.map(({ sheets }) => [sheets, strToU8('{"piece": {}}')] as const)),
  ]);

/** An account made up: ids that point at each other, times out of order, names in any letters. */
const account: fc.Arbitrary<Archive> = fc
  .record({
    instruments: fc.uniqueArray(fc.record({ id: fc.uuid(), name: text(1, 20), createdAt: time }), {
      maxLength: 3,
      selector: ({ name }) => name,
    }),
    students: fc.array(
      fc.record({
        id: fc.uuid(),
        name: text(1, 20),
        notes: text(0, 50),
        createdAt: time,
        archived: fc.boolean(),
      }),
      { maxLength: 3 },
    ),
    pieces: fc.array(
      fc.record({
        id: fc.uuid(),
        title: text(1, 30),
        createdAt: time,
        corrected: fc.uniqueArray(time, { maxLength: 2 }),
        versions: fc.array(
          fc.record({
            id: fc.uuid(),
            name: text(1, 20),
            createdAt: time,
            edits: fc.array(fc.record({ id: fc.uuid(), note: fc.string(), madeAt: time }), { maxLength: 4 }),
            labelled: fc.boolean(),
          }),
          { minLength: 1, maxLength: 3 },
        ),
      }),
      { maxLength: 3 },
    ),
  })
  .map(({ instruments, students, pieces }) =>
    archiveSchema.parse({
      schema: ARCHIVE_SCHEMA,
      ...practice(students, pieces),
      madeAt: NOW.toISOString(),
      teacher: { name: 'T', language: 'en', noteNames: 'letters' },
      instruments: instruments.map((each) => ({
        ...each,
        scaleLength: 640.5,
        tuning: ['E4', 'B3', 'G3', 'D3', 'A2', 'D2'],
        frets: 19,
        capo: 0,
        leftHanded: true,
      })),
      students: students.map(({ archived, ...each }, index) => ({
        ...each,
        level: '',
        language: 'es',
        noteNames: 'solfege',
        hand: 'large',
        spans: { '1-4': 101 },
        instrumentId: instruments[index]?.id ?? null,
        minutesADay: 15,
        days: [2, 4],
        archivedAt: archived ? each.createdAt : null,
      })),
      pieces: pieces.map((piece, number) => ({
        id: piece.id,
        title: piece.title,
        createdAt: piece.createdAt,
        touchedAt: piece.createdAt,
        composer: '',
        bars: 1,
        notes: 1,
        keyFifths: 0,
        keyMode: null,
        source: {
          fileName: 'x.xml',
          partId: 'P1',
          file: `sources/${String(number + 1).padStart(4, '0')}`,
          repairs: [{ code: 'simile', message: 'm' }],
        },
        earlierSources: piece.corrected.map((replacedAt, place) => ({
          fileName: `x${place}.xml`,
          partId: 'P1',
          file: `sources/${100 * (number + 1) + place}`,
          replacedAt,
        })),
        versions: piece.versions.map(({ edits, labelled, ...version }, place) => ({
          ...version,
          maker: 'T',
          studentId: students[place]?.id ?? null,
          originId: place === 0 ? null : piece.versions[0]!.id,
          originRevision: place === 0 ? null : 0,
          touchedAt: version.createdAt,
          deletedAt: place === 2 ? version.createdAt : null,
          edits: edits.map(({ id, note, madeAt }) => ({
            id,
            format: 3,
            madeAt,
            edit: { kind: 'choose', note: note.replaceAll('\u0000', ''), before: {}, after: { finger: 1 } },
          })),
          labels: labelled ? [{ revision: edits.length, label: 'l', createdAt: version.createdAt }] : [],
        })),
      })),
    }),
  );

/** The same with ids as they appear, and in an order that does not hang on them. */
const withoutIds = ({ archive, files }: Collected) => {
  const known = new Map<string, string>();
  const named = JSON.stringify(archive).replaceAll(
    /[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}/g,
    (id) => known.get(id) ?? known.set(id, `id ${known.size}`).get(id)!,
  );
  return {
    archive: JSON.parse(named) as unknown,
    files: [...files].map(([name, bytes]) => [name, [...bytes]]),
  };
};

describe('everything of a teacher in one file', () => {
  it('comes out as it went in, from one account into another', async () => {
    await fc.assert(
      fc.asyncProperty(account, async (archive) => {
        const files = filesOf(archive);
        const [one, other] = [await newTeacher(pool), await newTeacher(pool)];
        await placed(one, { archive, files });
        const out = await collected(one);
        const again = await unpack(await pack(out));
        if (!again.ok) throw new Error(again.error);
        await placed(other, again.value);
        const back = await collected(other);
        const counts = ({ archive: { pieces, students, instruments, courses, notes } }: Collected) => [
          pieces.length,
          students.length,
          instruments.length,
          courses.map(({ goals, log }) => [goals.length, log.length]),
          notes.length,
          pieces.reduce((sum, { earlierSources }) => sum + earlierSources.length, 0),
        ];
        expect(counts(out)).toEqual([
          archive.pieces.length,
          archive.students.length,
          archive.instruments.length,
          archive.courses.map(({ goals, log }) => [goals.length, log.length]),
          archive.notes.length,
          archive.pieces.reduce((sum, { earlierSources }) => sum + earlierSources.length, 0),
        ]);
        expect(withoutIds(sorted(back))).toEqual(withoutIds(sorted(out)));
      }),
      // A failure is told as it is: made smaller it would take longer than a test may.
      { numRuns: 15, endOnFailure: true },
    );
  }, 60_000);

  it('twice into one account is there twice; instruments get names of their own', async () => {
    const archive = fc.sample(account, { numRuns: 1, seed: 7 })[0]!;
    const files = filesOf(archive);
    const teacher = await newTeacher(pool);
    await placed(teacher, { archive, files });
    await placed(teacher, { archive, files });
    const { archive: twice } = await collected(teacher);
    expect(twice.pieces).toHaveLength(2 * archive.pieces.length);
    expect(new Set(twice.instruments.map(({ name }) => name)).size).toBe(2 * archive.instruments.length);
  });

  it('that is none, or not whole, is refused in words', async () => {
    expect(await unpack(strToU8('no archive'))).toMatchObject({ ok: false });
    expect(await unpack(zipSync({ 'other.json': strToU8('{}') }))).toMatchObject({ ok: false });
    expect(await unpack(zipSync({ 'archive.json': strToU8('{"schema":"oculon.archive/9"}') }))).toMatchObject(
      {
        ok: false,
        error: expect.stringMatching(/newer Oculon: schema/),
      },
    );
  });
});

/** Pieces, students and versions by what they hold: equal times leave their order to the ids. */
const sorted = ({ archive, files }: Collected): Collected => {
  const by = <T>(list: readonly T[], key: (each: T) => string): T[] =>
    list.toSorted((a, b) => (key(a) < key(b) ? -1 : 1));
  return {
    files,
    archive: {
      ...archive,
      students: by(archive.students, ({ createdAt, name, notes }) => `${createdAt} ${name} ${notes}`),
      pieces: by(
        archive.pieces,
        ({ createdAt, title, source }) => `${createdAt} ${title} ${source.file}`,
      ).map((piece) => ({
        ...piece,
        versions: by(piece.versions, ({ createdAt, name, edits }) => `${createdAt} ${name} ${edits.length}`),
      })),
    },
  };
};

// Written by `npm run schemas`.
it('the archive’s schema is published as it is', () => {
  const file = fileURLToPath(
    new URL('../../../../../docs/formats/oculon.archive.1.schema.json', import.meta.url),
  );
  expect(JSON.parse(readFileSync(file, 'utf8'))).toEqual(z.toJSONSchema(archiveSchema, { io: 'input' }));
});
