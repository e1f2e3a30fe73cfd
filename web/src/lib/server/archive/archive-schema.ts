import {
  dayTextSchema,
  FINGER_PAIRS,
  GOAL_STATES,
  HAND_NAMES,
  LANGUAGES,
  logEntrySchema,
  NOTE_NAMES,
  spotWishSchema,
} from '@oculon/core';
import * as z from 'zod';

/** Everything that is a teacher's, as `archive.json` in an archive; the source files lie beside it. */
export const ARCHIVE_SCHEMA = 'oculon.archive/1';

const id = z.uuid();
const time = z.iso.datetime();
const text = (least: number, most: number) => z.string().min(least).max(most);

const instrument = z.object({
  id,
  name: text(1, 100),
  scaleLength: z.number().min(400).max(700),
  tuning: z.array(text(2, 6)).length(6),
  frets: z.int().min(12).max(24),
  capo: z.int().min(0).max(12),
  leftHanded: z.boolean(),
  createdAt: time,
});

const student = z.object({
  id,
  name: text(1, 100),
  level: text(0, 200),
  language: z.enum(LANGUAGES),
  noteNames: z.enum(NOTE_NAMES),
  hand: z.enum(HAND_NAMES),
  spans: z.partialRecord(z.enum(FINGER_PAIRS), z.number().min(10).max(200)),
  instrumentId: id.nullable(),
  minutesADay: z.int().min(0).max(600),
  days: z.array(z.int().min(1).max(7)),
  notes: text(0, 5000),
  archivedAt: time.nullable(),
  createdAt: time,
});

const version = z.object({
  id,
  name: text(1, 100),
  maker: text(0, 200),
  studentId: id.nullable(),
  originId: id.nullable(),
  originRevision: z.int().min(0).nullable(),
  createdAt: time,
  touchedAt: time,
  deletedAt: time.nullable(),
  /** In order; revisions count from 1 without a gap. */
  edits: z.array(
    z.object({ id, format: z.int().min(1), edit: z.record(z.string(), z.unknown()), madeAt: time }),
  ),
  labels: z.array(z.object({ revision: z.int().min(0), label: text(1, 100), createdAt: time })),
});

const sourceFile = {
  fileName: text(1, 400),
  partId: text(0, 400),
  /** Name of the file in the archive. */
  file: text(1, 200),
};

const piece = z.object({
  id,
  title: text(1, 300),
  composer: text(0, 300),
  bars: z.int().min(1),
  notes: z.int().min(1),
  keyFifths: z.int().min(-14).max(14),
  keyMode: z.enum(['major', 'minor']).nullable(),
  createdAt: time,
  touchedAt: time,
  source: z.object({
    ...sourceFile,
    repairs: z.array(z.object({ code: z.string(), message: z.string() })),
  }),
  /** What the source was before it was corrected, oldest first; none in archives from before these were kept. */
  earlierSources: z.array(z.object({ ...sourceFile, replacedAt: time })).default([]),
  versions: z.array(version).min(1),
});

const goal = z.object({
  id,
  /** The version it was cut from; none when that is gone. */
  versionId: id.nullable(),
  state: z.enum(GOAL_STATES),
  until: dayTextSchema,
  tempo: z.number().min(5).max(500).nullable(),
  revision: z.int().min(0),
  practised: z.record(z.string(), z.unknown()),
  /** Name of the file with its music in the archive. */
  sheets: text(1, 200),
  wishes: z.record(z.string(), spotWishSchema),
  createdAt: time,
  cutAt: time,
  removedAt: time.nullable(),
});

/** What a student practises and has logged; every writing of an entry, in the order in which they came. */
const course = z.object({
  id,
  studentId: id,
  createdAt: time,
  goals: z.array(goal),
  log: z.array(
    z.object({
      id,
      entry: logEntrySchema,
      corrects: id.nullable(),
      withdrawn: z.boolean(),
      byTeacher: z.boolean(),
      loggedAt: time,
    }),
  ),
});

const note = z.object({
  studentId: id,
  goalId: id.nullable(),
  bar: z.int().min(0).nullable(),
  body: text(1, 1000),
  madeAt: time,
  doneAt: time.nullable(),
});

export const archiveSchema = z.object({
  schema: z.literal(ARCHIVE_SCHEMA),
  madeAt: time,
  teacher: z.object({ name: text(1, 200), language: z.enum(LANGUAGES), noteNames: z.enum(NOTE_NAMES) }),
  instruments: z.array(instrument),
  students: z.array(student),
  pieces: z.array(piece),
  /** None in archives from before there were courses. */
  courses: z.array(course).default([]),
  notes: z.array(note).default([]),
});
export type Archive = z.infer<typeof archiveSchema>;
