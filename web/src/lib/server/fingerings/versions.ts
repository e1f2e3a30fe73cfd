import {
  applyEdits,
  chooseEdit,
  EDIT_FORMAT,
  EMPTY_FINGERING,
  humanText,
  setupEdit,
  type ChoiceChanges,
  type SetupChange,
} from '@oculon/core';
import * as z from 'zod';
import type { Queryable } from '../database/database.ts';
import {
  fingeringIdSchema,
  pieceIdSchema,
  studentIdSchema,
  type FingeringId,
  type PieceId,
  type StudentId,
  type TeacherId,
} from '../ids.ts';
import { listEdits } from './fingerings.ts';

export const labelSchema = humanText(1, 100);

/** A fingering of a piece as it is listed: its name, who made it, whom it is for, and where it came from. */
const versionSchema = z.object({
  id: fingeringIdSchema,
  name: z.string(),
  maker: z.string(),
  revision: z.int(),
  studentId: studentIdSchema.nullable(),
  studentName: z.string().nullable(),
  originId: fingeringIdSchema.nullable(),
  originName: z.string().nullable(),
  createdAt: z.date(),
  touchedAt: z.date(),
  deletedAt: z.date().nullable(),
});
export type Version = z.infer<typeof versionSchema>;

const SELECT = `select version.id, version.name, version.maker, version.revision,
    version.student_id as "studentId", student.name as "studentName",
    version.origin_id as "originId", origin.name as "originName",
    version.created_at as "createdAt", version.touched_at as "touchedAt", version.deleted_at as "deletedAt"
  from fingerings as version
  left join students as student on student.teacher_id = version.teacher_id and student.id = version.student_id
  left join fingerings as origin on origin.teacher_id = version.teacher_id and origin.id = version.origin_id`;

/** The versions of a piece, the last touched first; those put away come last. */
export const listVersions = async (
  client: Queryable,
  teacher: TeacherId,
  piece: PieceId,
): Promise<Version[]> => {
  const { rows } = await client.query(
    `${SELECT} where version.teacher_id = $1 and version.piece_id = $2
     order by version.deleted_at nulls first, version.touched_at desc, version.created_at`,
    [teacher, piece],
  );
  return z.array(versionSchema).parse(rows);
};

export const findVersion = async (
  client: Queryable,
  teacher: TeacherId,
  piece: PieceId,
  fingering: FingeringId,
): Promise<Version | undefined> => {
  const { rows } = await client.query(
    `${SELECT} where version.teacher_id = $1 and version.piece_id = $2 and version.id = $3`,
    [teacher, piece, fingering],
  );
  return versionSchema.optional().parse(rows[0]);
};

/** The first of a piece's versions that are not put away; `rest` says which and in what order. */
const firstOf = async (
  client: Queryable,
  rest: string,
  values: readonly [TeacherId, PieceId, ...unknown[]],
): Promise<FingeringId | undefined> => {
  const { rows } = await client.query(
    `select id from fingerings where teacher_id = $1 and piece_id = $2 and deleted_at is null ${rest} limit 1`,
    [...values],
  );
  return fingeringIdSchema.optional().parse(rows[0]?.id);
};

/** The version of a piece that was worked on last. */
export const latestVersion = (client: Queryable, teacher: TeacherId, piece: PieceId) =>
  firstOf(client, 'order by touched_at desc, created_at', [teacher, piece]);

/** The teacher's own version of a piece: the one touched last that is for nobody, or else for somebody. */
export const ownVersion = (client: Queryable, teacher: TeacherId, piece: PieceId) =>
  firstOf(client, 'order by student_id is not null, touched_at desc, created_at', [teacher, piece]);

/** The version of a piece that was made for a student, the one touched last. */
export const versionOfStudent = (client: Queryable, teacher: TeacherId, piece: PieceId, student: StudentId) =>
  firstOf(client, 'and student_id = $3 order by touched_at desc', [teacher, piece, student]);

export interface NewVersion {
  readonly name: string;
  readonly maker: string;
  /** Whose version is taken over as it stands; an empty one without. */
  readonly origin?: FingeringId;
  /** The revision up to which it is taken over; all of it when missing. */
  readonly until?: number;
  readonly student?: StudentId;
  /** What is set for whom it is for: hand and instrument. */
  readonly setup?: SetupChange;
  /** Notes that are decided otherwise than in the origin, or left to the planner. */
  readonly beyond?: ChoiceChanges;
}

/** The piece of a version that is not deleted; undefined when the teacher has no such version. */
export const pieceOfVersion = async (
  client: Queryable,
  teacher: TeacherId,
  fingering: FingeringId,
): Promise<PieceId | undefined> => {
  const { rows } = await client.query(
    `select piece_id as piece from fingerings where teacher_id = $1 and id = $2 and deleted_at is null`,
    [teacher, fingering],
  );
  return rows[0] && pieceIdSchema.parse(rows[0].piece);
};

/** Makes a version of a piece; undefined when the teacher has no such origin. */
export const insertVersion = async (
  client: Queryable,
  teacher: TeacherId,
  piece: PieceId,
  { name, maker, origin, until, student, setup = {}, beyond = [] }: NewVersion,
): Promise<FingeringId | undefined> => {
  const { rows: origins } = await client.query(
    `select revision from fingerings where teacher_id = $1 and piece_id = $2 and id = $3 for share`,
    [teacher, piece, origin ?? null],
  );
  if (origin && !origins[0]) return undefined;
  const originRevision = Math.min(z.int().parse(origins[0]?.revision ?? 0), until ?? Infinity);
  const { rows } = await client.query(
    `insert into fingerings (teacher_id, piece_id, name, maker, student_id, origin_id, origin_revision, revision)
     values ($1, $2, $3, $4, $5, $6, $7, $8) returning id`,
    [
      teacher,
      piece,
      name,
      maker,
      student ?? null,
      origin ?? null,
      origin ? originRevision : null,
      originRevision,
    ],
  );
  const id = fingeringIdSchema.parse(rows[0].id);
  if (origin)
    await client.query(
      `insert into edits (fingering_id, teacher_id, revision, edit_id, edit, format)
       select $3, teacher_id, revision, gen_random_uuid(), edit, format from edits
       where teacher_id = $1 and fingering_id = $2 and revision <= $4`,
      [teacher, origin, id, originRevision],
    );
  if (Object.keys(setup).length > 0 || beyond.length > 0)
    await setUp(client, teacher, id, originRevision, setup, beyond);
  return id;
};

/** Adds the edits that make a version one for somebody else. */
const setUp = async (
  client: Queryable,
  teacher: TeacherId,
  fingering: FingeringId,
  revision: number,
  setup: SetupChange,
  beyond: ChoiceChanges,
): Promise<void> => {
  const edits = await listEdits(client, teacher, fingering, 0);
  const state = applyEdits(
    EMPTY_FINGERING,
    edits.map(({ edit }) => edit),
  );
  const added = [
    ...(Object.keys(setup).length > 0 ? [setupEdit(state, setup)] : []),
    ...beyond.map(([note, change]) => chooseEdit(state, note, change)),
  ];
  await client.query(
    `insert into edits (fingering_id, teacher_id, revision, edit_id, edit, format)
     select $1, $2, $3 + ordinality, gen_random_uuid(), edit, $5
     from jsonb_array_elements($4::jsonb) with ordinality as added (edit, ordinality)`,
    [fingering, teacher, revision, JSON.stringify(added), EDIT_FORMAT],
  );
  await client.query(`update fingerings set revision = $3 where teacher_id = $1 and id = $2`, [
    teacher,
    fingering,
    revision + added.length,
  ]);
};

export const renameVersion = async (
  client: Queryable,
  teacher: TeacherId,
  fingering: FingeringId,
  name: string,
): Promise<boolean> => {
  const { rowCount } = await client.query(
    `update fingerings set name = $3 where teacher_id = $1 and id = $2`,
    [teacher, fingering, name],
  );
  return rowCount === 1;
};

export type PutAway = 'done' | 'last' | 'missing';

/** Puts a version away; it can be taken back for a while. The last one of a piece stays. */
export const putVersionAway = async (
  client: Queryable,
  teacher: TeacherId,
  fingering: FingeringId,
): Promise<PutAway> => {
  const { rows } = await client.query(
    `select id from fingerings where teacher_id = $1 and deleted_at is null and piece_id =
       (select piece_id from fingerings where teacher_id = $1 and id = $2) for update`,
    [teacher, fingering],
  );
  if (!rows.some(({ id }) => id === fingering)) return 'missing';
  if (rows.length === 1) return 'last';
  await client.query(`update fingerings set deleted_at = now() where teacher_id = $1 and id = $2`, [
    teacher,
    fingering,
  ]);
  return 'done';
};

export const takeVersionBack = async (
  client: Queryable,
  teacher: TeacherId,
  fingering: FingeringId,
): Promise<boolean> => {
  const { rowCount } = await client.query(
    `update fingerings set deleted_at = null where teacher_id = $1 and id = $2`,
    [teacher, fingering],
  );
  return rowCount === 1;
};

const labelRow = z.object({ revision: z.int(), label: z.string(), createdAt: z.date() });
export type RevisionLabel = z.infer<typeof labelRow>;

/** Revisions of a version that have a name, the latest first. */
export const listLabels = async (
  client: Queryable,
  teacher: TeacherId,
  fingering: FingeringId,
): Promise<RevisionLabel[]> => {
  const { rows } = await client.query(
    `select revision, label, created_at as "createdAt" from labels
     where teacher_id = $1 and fingering_id = $2 order by revision desc`,
    [teacher, fingering],
  );
  return z.array(labelRow).parse(rows);
};

const historyRow = z.object({ revision: z.int(), madeAt: z.date() });

/** When each edit of a version was saved, in order. */
export const listSaves = async (
  client: Queryable,
  teacher: TeacherId,
  fingering: FingeringId,
): Promise<readonly z.infer<typeof historyRow>[]> => {
  const { rows } = await client.query(
    `select revision, made_at as "madeAt" from edits
     where teacher_id = $1 and fingering_id = $2 order by revision`,
    [teacher, fingering],
  );
  return z.array(historyRow).parse(rows);
};

/** Names a revision that a version has had; false when there is no such revision. */
export const labelRevision = async (
  client: Queryable,
  teacher: TeacherId,
  fingering: FingeringId,
  revision: number,
  label: string,
): Promise<boolean> => {
  const { rowCount } = await client.query(
    `insert into labels (teacher_id, fingering_id, revision, label)
     select teacher_id, id, $3, $4 from fingerings where teacher_id = $1 and id = $2 and revision >= $3
     on conflict (fingering_id, revision) do update set label = excluded.label`,
    [teacher, fingering, revision, label],
  );
  return rowCount === 1;
};

/** Names the revision at which a version stands; false when the teacher has no such version. */
export const labelVersion = async (
  client: Queryable,
  teacher: TeacherId,
  fingering: FingeringId,
  label: string,
): Promise<boolean> => {
  const { rowCount } = await client.query(
    `insert into labels (teacher_id, fingering_id, revision, label)
     select teacher_id, id, revision, $3 from fingerings where teacher_id = $1 and id = $2
     on conflict (fingering_id, revision) do update set label = excluded.label`,
    [teacher, fingering, label],
  );
  return rowCount === 1;
};

export const removeLabel = async (
  client: Queryable,
  teacher: TeacherId,
  fingering: FingeringId,
  revision: number,
): Promise<void> => {
  await client.query(`delete from labels where teacher_id = $1 and fingering_id = $2 and revision = $3`, [
    teacher,
    fingering,
    revision,
  ]);
};

const madeForSchema = z.object({
  id: fingeringIdSchema,
  name: z.string(),
  pieceId: pieceIdSchema,
  title: z.string(),
  touchedAt: z.date(),
});

/** The versions that were made for a student, with their pieces, the last touched first. */
export const listVersionsFor = async (client: Queryable, teacher: TeacherId, student: StudentId) => {
  const { rows } = await client.query(
    `select version.id, version.name, piece.id as "pieceId", piece.title, version.touched_at as "touchedAt"
     from fingerings as version
     join pieces as piece on piece.teacher_id = version.teacher_id and piece.id = version.piece_id
     where version.teacher_id = $1 and version.student_id = $2 and version.deleted_at is null
     order by version.touched_at desc`,
    [teacher, student],
  );
  return z.array(madeForSchema).parse(rows);
};
