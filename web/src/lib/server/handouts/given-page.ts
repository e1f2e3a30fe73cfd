import type { SetupChange } from '@oculon/core';
import type { HandoutContent } from '../../handouts/handout.ts';
import type { Lesson } from '../../lesson/lesson.ts';
import type { SavedEdit } from '../../document/saving.ts';
import type { Queryable } from '../database/database.ts';
import { listEdits } from '../fingerings/fingerings.ts';
import { versionOfStudent } from '../fingerings/versions.ts';
import type { FingeringId, StudentId, TeacherId } from '../ids.ts';
import { makeHandoutApart } from '../reading/pool.ts';
import { versionFor } from '../students/version-for.ts';
import { sourceOfVersion } from './version-source.ts';

/** What a page is made from: a version as it stands, and for whose hand. */
export interface PageBasis {
  readonly version: NonNullable<Awaited<ReturnType<typeof sourceOfVersion>>>;
  readonly edits: readonly SavedEdit[];
  readonly student: StudentId | null;
  /** For another hand than the version is for. */
  readonly setup: SetupChange | undefined;
}

/** What is asked of a page: of which version, for which student, and whether for their hand. */
export interface WantedPage {
  readonly fingering: FingeringId;
  readonly student: StudentId | null;
  readonly ownHand: boolean;
}

/** Finds what a page is made from; a student's own version goes before others. Undefined where the teacher has none such. */
export const pageBasis = async (
  client: Queryable,
  teacher: TeacherId,
  { fingering, student, ownHand }: WantedPage,
): Promise<PageBasis | undefined> => {
  const asked = await sourceOfVersion(client, teacher, fingering);
  const whose = student && (await versionFor(client, teacher, student));
  if (!asked || (student && !whose)) return undefined;
  const theirs =
    student && ownHand ? await versionOfStudent(client, teacher, asked.pieceId, student) : undefined;
  const version = theirs ? await sourceOfVersion(client, teacher, theirs) : asked;
  if (!version) return undefined;
  return {
    version,
    edits: await listEdits(client, teacher, version.id, 0),
    student: student ?? version.studentId,
    setup: whose && ownHand && version.studentId !== student ? whose.setup : undefined,
  };
};

/** Makes a page in a thread; undefined when that took too long. */
export const makePage = (
  { version, edits, setup }: PageBasis,
  lesson: Lesson,
): Promise<HandoutContent | undefined> =>
  makeHandoutApart({
    source: new Uint8Array(version.content),
    part: version.partId,
    edits: edits.map(({ edit }) => edit),
    title: version.title,
    composer: version.composer,
    lesson,
    setup,
  });

/** The revision of the version that a page shows. */
export const revisionOf = ({ edits }: PageBasis): number => edits.at(-1)?.revision ?? 0;
