import { humanText, parsePitch } from '@oculon/core';
import * as z from 'zod';
import type { Queryable } from '../database/database.ts';
import { instrumentIdSchema, type InstrumentId, type TeacherId } from '../ids.ts';

/** What is said of an instrument. */
export const instrumentFields = z.object({
  name: humanText(1, 100),
  scaleLength: z.coerce.number({ error: 'A scale length from 400 to 700 mm.' }).min(400).max(700),
  tuning: z
    .string()
    .transform((text) => text.trim().split(/\s+/))
    .refine((names) => names.length === 6 && names.every((name) => parsePitch(name) !== undefined), {
      error: 'Six open strings from ① to ⑥, such as E4 B3 G3 D3 A2 D2.',
    }),
  frets: z.coerce.number({ error: 'From 12 to 24 frets.' }).int().min(12).max(24),
  capo: z.coerce.number({ error: 'A fret from 0 to 12.' }).int().min(0).max(12),
  leftHanded: z.boolean(),
});
export type InstrumentFields = z.infer<typeof instrumentFields>;

const instrumentSchema = z.object({
  id: instrumentIdSchema,
  name: z.string(),
  scaleLength: z.coerce.number(),
  tuning: z.array(z.string()),
  frets: z.int(),
  capo: z.int(),
  leftHanded: z.boolean(),
});
export type Instrument = z.infer<typeof instrumentSchema>;

const COLUMNS = `id, name, scale_length as "scaleLength", tuning, frets, capo, left_handed as "leftHanded"`;

export const listInstruments = async (client: Queryable, teacher: TeacherId): Promise<Instrument[]> => {
  const { rows } = await client.query(
    `select ${COLUMNS} from instruments where teacher_id = $1 order by name`,
    [teacher],
  );
  return z.array(instrumentSchema).parse(rows);
};

export const findInstrument = async (
  client: Queryable,
  teacher: TeacherId,
  instrument: InstrumentId,
): Promise<Instrument | undefined> => {
  const { rows } = await client.query(
    `select ${COLUMNS} from instruments where teacher_id = $1 and id = $2`,
    [teacher, instrument],
  );
  return instrumentSchema.optional().parse(rows[0]);
};

const valuesOf = ({ name, scaleLength, tuning, frets, capo, leftHanded }: InstrumentFields) => [
  name,
  scaleLength,
  tuning,
  frets,
  capo,
  leftHanded,
];

/** Undefined when another instrument has the name. */
export const insertInstrument = async (
  client: Queryable,
  teacher: TeacherId,
  fields: InstrumentFields,
): Promise<InstrumentId | undefined> => {
  const { rows } = await client.query(
    `insert into instruments (teacher_id, name, scale_length, tuning, frets, capo, left_handed)
     values ($1, $2, $3, $4, $5, $6, $7) on conflict (teacher_id, name) do nothing returning id`,
    [teacher, ...valuesOf(fields)],
  );
  return instrumentIdSchema.optional().parse(rows[0]?.id);
};

/** False when the teacher has no such instrument, or another one has the name. */
export const updateInstrument = async (
  client: Queryable,
  teacher: TeacherId,
  instrument: InstrumentId,
  fields: InstrumentFields,
): Promise<boolean> => {
  const { rowCount } = await client.query(
    `update instruments set name = $3, scale_length = $4, tuning = $5, frets = $6, capo = $7, left_handed = $8
     where teacher_id = $1 and id = $2
       and not exists (select 1 from instruments where teacher_id = $1 and name = $3 and id <> $2)`,
    [teacher, instrument, ...valuesOf(fields)],
  );
  return rowCount === 1;
};

/** Students who played it have none then. */
export const deleteInstrument = async (
  client: Queryable,
  teacher: TeacherId,
  instrument: InstrumentId,
): Promise<boolean> => {
  const { rowCount } = await client.query(`delete from instruments where teacher_id = $1 and id = $2`, [
    teacher,
    instrument,
  ]);
  return rowCount === 1;
};
