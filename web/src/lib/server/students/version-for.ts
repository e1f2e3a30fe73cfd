import type { SetupChange } from '@oculon/core';
import type { Queryable } from '../database/database.ts';
import type { StudentId, TeacherId } from '../ids.ts';
import { findInstrument } from '../instruments/instruments.ts';
import { findStudent, setupOf } from './students.ts';

/** For whom a version is made: the name it carries, and what it is set up with. */
export const versionFor = async (
  client: Queryable,
  teacher: TeacherId,
  student: StudentId,
): Promise<{ readonly name: string; readonly setup: SetupChange } | undefined> => {
  const found = await findStudent(client, teacher, student);
  if (!found) return undefined;
  const instrument = found.instrumentId
    ? await findInstrument(client, teacher, found.instrumentId)
    : undefined;
  return { name: found.name, setup: setupOf(found, instrument) };
};
