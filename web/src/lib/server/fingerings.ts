import * as z from 'zod';
import { editSchema } from '@oculon/core';
import { sentEditSchema, type SavedEdit, type SaveOutcome, type SentEdit } from '../workbench/saving.ts';
import { setupChoiceSchema, type SetupChoice } from '../planner/setup.ts';
import { inTransaction, type Queryable } from './database.ts';
import type pg from 'pg';
import { fingeringIdSchema, type FingeringId, type PieceId, type TeacherId } from './ids.ts';

export interface FingeringHead {
  readonly id: FingeringId;
  readonly revision: number;
  readonly setup: SetupChoice;
}

const headSchema = z.object({ id: fingeringIdSchema, revision: z.int(), setup: setupChoiceSchema });

export const insertFingering = async (
  client: Queryable,
  teacher: TeacherId,
  piece: PieceId,
): Promise<FingeringId> => {
  const { rows } = await client.query(
    `insert into fingerings (teacher_id, piece_id) values ($1, $2) returning id`,
    [teacher, piece],
  );
  return fingeringIdSchema.parse(rows[0].id);
};

/** The first fingering of a piece. */
export const findFingering = async (
  client: Queryable,
  teacher: TeacherId,
  piece: PieceId,
): Promise<FingeringHead | undefined> => {
  const { rows } = await client.query(
    `select id, revision, setup from fingerings where teacher_id = $1 and piece_id = $2 order by created_at limit 1`,
    [teacher, piece],
  );
  return headSchema.optional().parse(rows[0]);
};

/** Edits after a revision, in order. */
export const listEdits = async (
  client: Queryable,
  teacher: TeacherId,
  fingering: FingeringId,
  after: number,
): Promise<SavedEdit[]> => {
  const { rows } = await client.query(
    `select revision, edit_id as "id", edit from edits
     where teacher_id = $1 and fingering_id = $2 and revision > $3 order by revision`,
    [teacher, fingering, after],
  );
  return z.array(z.object({ revision: z.int(), id: z.uuid(), edit: editSchema })).parse(rows);
};

/**
 * Appends edits made on revision `base`, all or none. When others were saved in between nothing is written and
 * the answer is what came in between. Edits that were saved before (sent again after a lost answer) count as
 * saved. Undefined when the teacher has no such fingering.
 */
export const appendEdits = (
  pool: pg.Pool,
  teacher: TeacherId,
  fingering: FingeringId,
  base: number,
  sent: readonly SentEdit[],
): Promise<SaveOutcome | undefined> =>
  inTransaction(pool, async (client) => {
    const { rows } = await client.query(
      `select revision, piece_id as "piece" from fingerings where teacher_id = $1 and id = $2 for update`,
      [teacher, fingering],
    );
    const head = rows[0] as { revision: number; piece: string } | undefined;
    if (!head) return undefined;
    const edits = z.array(sentEditSchema).parse(sent);
    const known = await client.query<{ id: string }>(
      `select edit_id as "id" from edits where teacher_id = $1 and fingering_id = $2 and edit_id = any($3::uuid[])`,
      [teacher, fingering, edits.map((each) => each.id)],
    );
    const saved = new Set(known.rows.map((row) => row.id));
    const fresh = edits.filter((each) => !saved.has(each.id));
    const since = await listEdits(client, teacher, fingering, base);
    const foreign = since.filter((each) => !edits.some((own) => own.id === each.id));
    if (foreign.length > 0) return { kind: 'behind', revision: head.revision, since };
    if (fresh.length === 0) return { kind: 'saved', revision: head.revision };
    await client.query(
      `insert into edits (fingering_id, teacher_id, revision, edit_id, edit)
       select $1, $2, $3 + ordinality, (each ->> 'id')::uuid, each -> 'edit'
       from jsonb_array_elements($4::jsonb) with ordinality as sent (each, ordinality)`,
      [fingering, teacher, head.revision, JSON.stringify(fresh)],
    );
    const revision = head.revision + fresh.length;
    await client.query(`update fingerings set revision = $3 where teacher_id = $1 and id = $2`, [
      teacher,
      fingering,
      revision,
    ]);
    await client.query(`update pieces set touched_at = now() where teacher_id = $1 and id = $2`, [
      teacher,
      head.piece,
    ]);
    return { kind: 'saved', revision };
  });

/** Keeps hand, instrument and schools of a fingering; false when the teacher has none such. */
export const saveSetup = async (
  client: Queryable,
  teacher: TeacherId,
  fingering: FingeringId,
  setup: SetupChoice,
): Promise<boolean> => {
  const { rowCount } = await client.query(
    `update fingerings set setup = $3 where teacher_id = $1 and id = $2`,
    [teacher, fingering, JSON.stringify(setup)],
  );
  return rowCount === 1;
};
