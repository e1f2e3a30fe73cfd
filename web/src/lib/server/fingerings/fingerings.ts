import * as z from 'zod';
import { EDIT_FORMAT, readEdit, type Edit } from '@oculon/core';
import type { SavedEdit, SaveOutcome, SentEdit } from '../../document/saving.ts';
import { asTeacher, type Queryable } from '../database/database.ts';
import type pg from 'pg';
import { log } from '../log.ts';
import { Turns } from './turns.ts';
import { fingeringIdSchema, type FingeringId, type PieceId, type TeacherId } from '../ids.ts';

/** The first, empty fingering of a piece. */
export const insertFingering = async (
  client: Queryable,
  teacher: TeacherId,
  piece: PieceId,
  maker = '',
): Promise<FingeringId> => {
  const { rows } = await client.query(
    `insert into fingerings (teacher_id, piece_id, maker) values ($1, $2, $3) returning id`,
    [teacher, piece, maker],
  );
  return fingeringIdSchema.parse(rows[0].id);
};

const savedRows = z.array(z.object({ revision: z.int(), id: z.uuid(), edit: z.unknown(), format: z.int() }));

/** Stands for an edit that cannot be read: it changes nothing, and the revisions after it keep their numbers. */
const NOTHING: Edit = { kind: 'setup', before: {}, after: {} };

/** Edits after a revision, in order, whatever program wrote them down. Throws for a format to come. */
export const listEdits = async (
  client: Queryable,
  teacher: TeacherId,
  fingering: FingeringId,
  after: number,
): Promise<SavedEdit[]> => {
  const { rows } = await client.query(
    `select revision, edit_id as "id", edit, format from edits
     where teacher_id = $1 and fingering_id = $2 and revision > $3 order by revision`,
    [teacher, fingering, after],
  );
  return savedRows.parse(rows).map(({ edit, format, ...row }) => {
    if (format > EDIT_FORMAT)
      throw new Error(`edit ${row.id} is of format ${format}, which a newer Oculon wrote`);
    const read = readEdit(format, edit);
    if (!read) log.error({ fingering, revision: row.revision }, 'an edit cannot be read');
    return { ...row, edit: read ?? NOTHING };
  });
};

/** How long a save waits for those before it and for its row, in ms. */
const SAVE_PATIENCE = 2500;
const turns = new Turns(SAVE_PATIENCE);

/**
 * Appends edits made on revision `base`, all or none. When others were saved in between, or the base lies beyond what is
 * known here, nothing is written and the answer is what there is. Edits that were saved before (sent again after a lost
 * answer) count as saved. Undefined when the teacher has no such fingering. Saves of one fingering take turns, and give
 * up when they cannot have theirs in time.
 */
export const appendEdits = (
  pool: pg.Pool,
  teacher: TeacherId,
  fingering: FingeringId,
  base: number,
  edits: readonly SentEdit[],
): Promise<SaveOutcome | undefined> =>
  turns.take(fingering, (left) =>
    asTeacher(pool, teacher, async (client) => {
      await client.query(`select set_config('lock_timeout', $1, true)`, [`${left}ms`]);
      const { rows } = await client.query(
        `select revision, piece_id as "piece" from fingerings where teacher_id = $1 and id = $2 for update`,
        [teacher, fingering],
      );
      const head = rows[0] as { revision: number; piece: string } | undefined;
      if (!head) return undefined;
      if (base > head.revision)
        return {
          kind: 'behind',
          revision: head.revision,
          after: 0,
          since: await listEdits(client, teacher, fingering, 0),
        };
      const known = await client.query<{ id: string }>(
        `select edit_id as "id" from edits where teacher_id = $1 and fingering_id = $2 and edit_id = any($3::uuid[])`,
        [teacher, fingering, edits.map((each) => each.id)],
      );
      const saved = new Set(known.rows.map((row) => row.id));
      const fresh = edits.filter((each) => !saved.has(each.id));
      const since = await listEdits(client, teacher, fingering, base);
      const foreign = since.filter((each) => !edits.some((own) => own.id === each.id));
      if (foreign.length > 0) return { kind: 'behind', revision: head.revision, after: base, since };
      if (fresh.length === 0) return { kind: 'saved', revision: head.revision };
      await client.query(
        `insert into edits (fingering_id, teacher_id, revision, edit_id, edit, format)
         select $1, $2, $3 + ordinality, (each ->> 'id')::uuid, each -> 'edit', $5
         from jsonb_array_elements($4::jsonb) with ordinality as sent (each, ordinality)`,
        [fingering, teacher, head.revision, JSON.stringify(fresh), EDIT_FORMAT],
      );
      const revision = head.revision + fresh.length;
      await client.query(
        `update fingerings set revision = $3, touched_at = now() where teacher_id = $1 and id = $2`,
        [teacher, fingering, revision],
      );
      await client.query(`update pieces set touched_at = now() where teacher_id = $1 and id = $2`, [
        teacher,
        head.piece,
      ]);
      return { kind: 'saved', revision };
    }),
  );
