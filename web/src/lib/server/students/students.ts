import { FINGER_PAIRS, HAND_NAMES, humanText, LANGUAGES, NOTE_NAMES, type SetupChange } from '@oculon/core';
import * as z from 'zod';
import type { Queryable } from '../database/database.ts';
import { instrumentIdSchema, studentIdSchema, type StudentId, type TeacherId } from '../ids.ts';
import type { Instrument } from '../instruments/instruments.ts';

/** A span in mm as the planner takes it; nothing where it was not measured. */
const span = z.coerce.number().min(10, { error: 'A span from 10 to 200 mm.' }).max(200, {
  error: 'A span from 10 to 200 mm.',
});
const spansSchema = z.partialRecord(z.enum(FINGER_PAIRS), span);

/** What is said of a student. */
export const studentFields = z.object({
  name: humanText(1, 100),
  level: humanText(0, 200),
  language: z.enum(LANGUAGES),
  noteNames: z.enum(NOTE_NAMES),
  hand: z.enum(HAND_NAMES),
  spans: spansSchema,
  instrumentId: instrumentIdSchema.nullable(),
  minutesADay: z.coerce.number({ error: 'Minutes from 0 to 600.' }).int().min(0).max(600),
  /** 1 Monday to 7 Sunday. */
  days: z.array(z.coerce.number().int().min(1).max(7)),
  notes: z.string().max(5000, { error: 'Notes have 5000 characters at most.' }),
});
export type StudentFields = z.infer<typeof studentFields>;

const studentSchema = studentFields.extend({
  id: studentIdSchema,
  name: z.string(),
  level: z.string(),
  instrumentName: z.string().nullable(),
  archivedAt: z.date().nullable(),
  versions: z.int(),
});
export type Student = z.infer<typeof studentSchema>;

const SELECT = `select student.id, student.name, student.level, student.language,
    student.note_names as "noteNames", student.hand, student.spans, student.instrument_id as "instrumentId",
    instrument.name as "instrumentName", student.minutes_a_day as "minutesADay", student.days, student.notes,
    student.archived_at as "archivedAt",
    (select count(*)::integer from fingerings
     where teacher_id = student.teacher_id and student_id = student.id and deleted_at is null) as versions
  from students as student
  left join instruments as instrument
    on instrument.teacher_id = student.teacher_id and instrument.id = student.instrument_id`;

/** The students of a teacher by name; those archived come last. */
export const listStudents = async (client: Queryable, teacher: TeacherId): Promise<Student[]> => {
  const { rows } = await client.query(
    `${SELECT} where student.teacher_id = $1 order by student.archived_at nulls first, student.name`,
    [teacher],
  );
  return z.array(studentSchema).parse(rows);
};

export const findStudent = async (
  client: Queryable,
  teacher: TeacherId,
  student: StudentId,
): Promise<Student | undefined> => {
  const { rows } = await client.query(`${SELECT} where student.teacher_id = $1 and student.id = $2`, [
    teacher,
    student,
  ]);
  return studentSchema.optional().parse(rows[0]);
};

const valuesOf = (fields: StudentFields) => [
  fields.name,
  fields.level,
  fields.language,
  fields.noteNames,
  fields.hand,
  JSON.stringify(fields.spans),
  fields.instrumentId,
  fields.minutesADay,
  fields.days,
  fields.notes,
];

export const insertStudent = async (
  client: Queryable,
  teacher: TeacherId,
  fields: StudentFields,
): Promise<StudentId> => {
  const { rows } = await client.query(
    `insert into students (teacher_id, name, level, language, note_names, hand, spans, instrument_id,
       minutes_a_day, days, notes)
     values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11) returning id`,
    [teacher, ...valuesOf(fields)],
  );
  return studentIdSchema.parse(rows[0].id);
};

export const updateStudent = async (
  client: Queryable,
  teacher: TeacherId,
  student: StudentId,
  fields: StudentFields,
): Promise<boolean> => {
  const { rowCount } = await client.query(
    `update students set name = $3, level = $4, language = $5, note_names = $6, hand = $7, spans = $8,
       instrument_id = $9, minutes_a_day = $10, days = $11, notes = $12
     where teacher_id = $1 and id = $2`,
    [teacher, student, ...valuesOf(fields)],
  );
  return rowCount === 1;
};

/** How much time a student has. */
export const timesSchema = studentFields.pick({ minutesADay: true, days: true });

export const changeTimes = async (
  client: Queryable,
  teacher: TeacherId,
  student: StudentId,
  { minutesADay, days }: z.infer<typeof timesSchema>,
): Promise<boolean> => {
  const { rowCount } = await client.query(
    `update students set minutes_a_day = $3, days = $4 where teacher_id = $1 and id = $2`,
    [teacher, student, minutesADay, days],
  );
  return rowCount === 1;
};

/** Puts a student among those of before, or takes them back. */
export const archiveStudent = async (
  client: Queryable,
  teacher: TeacherId,
  student: StudentId,
  isArchived: boolean,
): Promise<boolean> => {
  const { rowCount } = await client.query(
    `update students set archived_at = case when $3 then coalesce(archived_at, now()) end
     where teacher_id = $1 and id = $2`,
    [teacher, student, isArchived],
  );
  return rowCount === 1;
};

/** Deletes a student with every version that was made for them. */
export const deleteStudent = async (
  client: Queryable,
  teacher: TeacherId,
  student: StudentId,
): Promise<boolean> => {
  await client.query(
    `delete from fingerings as version where teacher_id = $1 and student_id = $2 and exists
       (select 1 from fingerings where teacher_id = $1 and piece_id = version.piece_id
        and student_id is distinct from $2 and deleted_at is null)`,
    [teacher, student],
  );
  const { rowCount } = await client.query(`delete from students where teacher_id = $1 and id = $2`, [
    teacher,
    student,
  ]);
  return rowCount === 1;
};

/** What a version for a student is set up with: their hand, and their instrument where they have one. */
export const setupOf = (
  { hand, spans }: Pick<Student, 'hand' | 'spans'>,
  instrument: Instrument | undefined,
): SetupChange => ({
  hand,
  spans: Object.keys(spans).length > 0 ? spans : null,
  ...(instrument && {
    scaleLength: instrument.scaleLength,
    tuning: instrument.tuning as never,
    capo: instrument.capo,
  }),
});
