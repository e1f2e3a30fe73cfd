import * as z from 'zod';
import type { Queryable } from '../database/database.ts';
import { fingeringIdSchema, pieceIdSchema, type PieceId, type TeacherId } from '../ids.ts';

/** A piece as the library lists it. */
const pieceSchema = z.object({
  id: pieceIdSchema,
  title: z.string(),
  composer: z.string(),
  bars: z.int(),
  notes: z.int(),
  keyFifths: z.int(),
  keyMode: z.enum(['major', 'minor']).nullable(),
  touchedAt: z.date(),
});
export type Piece = z.infer<typeof pieceSchema>;

/** What was mended while a file was read, as it was said then. */
const repairsSchema = z.array(z.object({ code: z.string(), message: z.string() }));
export type ToldRepair = z.infer<typeof repairsSchema>[number];

const COLUMNS = `id, title, composer, bars, notes, key_fifths as "keyFifths", key_mode as "keyMode", touched_at as "touchedAt"`;

/** A piece of the library with the version that was worked on last: the one at which it opens. */
const listedSchema = pieceSchema.extend({ latest: fingeringIdSchema.nullable() });
export type ListedPiece = z.infer<typeof listedSchema>;

/** All pieces of a teacher, last touched first. */
export const listPieces = async (client: Queryable, teacher: TeacherId): Promise<ListedPiece[]> => {
  const { rows } = await client.query(
    `select ${COLUMNS},
       (select version.id from fingerings version
        where version.teacher_id = $1 and version.piece_id = pieces.id and version.deleted_at is null
        order by version.touched_at desc, version.created_at limit 1) as latest
     from pieces where teacher_id = $1 order by touched_at desc, title`,
    [teacher],
  );
  return z.array(listedSchema).parse(rows);
};

export const findPiece = async (
  client: Queryable,
  teacher: TeacherId,
  piece: PieceId,
): Promise<Piece | undefined> => {
  const { rows } = await client.query(`select ${COLUMNS} from pieces where teacher_id = $1 and id = $2`, [
    teacher,
    piece,
  ]);
  return pieceSchema.optional().parse(rows[0]);
};

export interface NewPiece extends Omit<Piece, 'id' | 'touchedAt'> {
  readonly fileName: string;
  readonly partId: string;
  readonly content: Uint8Array;
  readonly repairs: readonly ToldRepair[];
}

/** Keeps a piece with its source; call inside a transaction. */
export const insertPiece = async (
  client: Queryable,
  teacher: TeacherId,
  piece: NewPiece,
): Promise<PieceId> => {
  const { rows } = await client.query(
    `insert into pieces (teacher_id, title, composer, bars, notes, key_fifths, key_mode)
     values ($1, $2, $3, $4, $5, $6, $7) returning id`,
    [teacher, piece.title, piece.composer, piece.bars, piece.notes, piece.keyFifths, piece.keyMode],
  );
  const id = pieceIdSchema.parse(rows[0].id);
  await client.query(
    `insert into sources (piece_id, teacher_id, file_name, part_id, content, repairs) values ($1, $2, $3, $4, $5, $6)`,
    [id, teacher, piece.fileName, piece.partId, Buffer.from(piece.content), JSON.stringify(piece.repairs)],
  );
  return id;
};

/** What tells one source of a piece from another. */
const DIGEST = `encode(sha256(content), 'hex')`;

/**
 * Gives a piece another source in place of the one with the digest `from`; that one is kept. `changed` when the piece has
 * another source by now, `none` when the teacher has no such piece.
 */
export const replaceSource = async (
  client: Queryable,
  teacher: TeacherId,
  id: PieceId,
  piece: NewPiece,
  { from, keepsName }: { readonly from: string; readonly keepsName: boolean },
): Promise<'replaced' | 'changed' | 'none'> => {
  const { rows } = await client.query(
    `select ${DIGEST} as digest from sources where teacher_id = $1 and piece_id = $2 for update`,
    [teacher, id],
  );
  if (!rows[0]) return 'none';
  if (rows[0].digest !== from) return 'changed';
  await client.query(
    `insert into earlier_sources (teacher_id, piece_id, file_name, part_id, content)
     select teacher_id, piece_id, file_name, part_id, content from sources where teacher_id = $1 and piece_id = $2`,
    [teacher, id],
  );
  await client.query(
    `update sources set file_name = $3, part_id = $4, content = $5, repairs = $6 where teacher_id = $1 and piece_id = $2`,
    [teacher, id, piece.fileName, piece.partId, Buffer.from(piece.content), JSON.stringify(piece.repairs)],
  );
  await client.query(
    `update pieces set title = coalesce($3, title), composer = coalesce($4, composer), bars = $5, notes = $6,
       key_fifths = $7, key_mode = $8, touched_at = now()
     where teacher_id = $1 and id = $2`,
    [
      teacher,
      id,
      keepsName ? null : piece.title,
      keepsName ? null : piece.composer,
      piece.bars,
      piece.notes,
      piece.keyFifths,
      piece.keyMode,
    ],
  );
  return 'replaced';
};

export interface Source {
  readonly fileName: string;
  readonly partId: string;
  readonly content: Uint8Array;
  readonly digest: string;
}

export const findSource = async (
  client: Queryable,
  teacher: TeacherId,
  piece: PieceId,
): Promise<Source | undefined> => {
  const { rows } = await client.query(
    `select file_name as "fileName", part_id as "partId", content, ${DIGEST} as digest from sources where teacher_id = $1 and piece_id = $2`,
    [teacher, piece],
  );
  return rows[0];
};

/** What was mended when the piece was read, which part was taken, and what tells the source from others. */
export const findReading = async (client: Queryable, teacher: TeacherId, piece: PieceId) => {
  const { rows } = await client.query(
    `select file_name as "fileName", part_id as "partId", repairs, ${DIGEST} as digest from sources where teacher_id = $1 and piece_id = $2`,
    [teacher, piece],
  );
  return z
    .object({ fileName: z.string(), partId: z.string(), repairs: repairsSchema, digest: z.string() })
    .optional()
    .parse(rows[0]);
};

export const renamePiece = async (
  client: Queryable,
  teacher: TeacherId,
  piece: PieceId,
  names: { readonly title: string; readonly composer: string },
): Promise<boolean> => {
  const { rowCount } = await client.query(
    `update pieces set title = $3, composer = $4, touched_at = now() where teacher_id = $1 and id = $2`,
    [teacher, piece, names.title, names.composer],
  );
  return rowCount === 1;
};

export const deletePiece = async (
  client: Queryable,
  teacher: TeacherId,
  piece: PieceId,
): Promise<boolean> => {
  const { rowCount } = await client.query(`delete from pieces where teacher_id = $1 and id = $2`, [
    teacher,
    piece,
  ]);
  return rowCount === 1;
};
