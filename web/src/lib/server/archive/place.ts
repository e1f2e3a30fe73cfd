import { randomUUID } from 'node:crypto';
import type { Queryable } from '../database/database.ts';
import type { TeacherId } from '../ids.ts';
import type { Collected } from './collect.ts';
import { placeCourses } from './place-courses.ts';

export interface Placed {
  readonly pieces: number;
  readonly versions: number;
  readonly students: number;
  readonly instruments: number;
}

/** A name that no other instrument has. */
const freeName = (name: string, taken: Set<string>): string => {
  let free = name;
  for (let number = 2; taken.has(free); number += 1) free = `${name.slice(0, 94)} (${number})`;
  taken.add(free);
  return free;
};

/** New ids for old ones, the same for the same. */
const renamer = () => {
  const known = new Map<string, string>();
  return (id: string): string => {
    const fresh = known.get(id) ?? randomUUID();
    known.set(id, fresh);
    return fresh;
  };
};

/** Puts a collection into an account beside what is there, everything under new ids. Call inside a transaction. */
export const place = async (
  client: Queryable,
  teacher: TeacherId,
  { archive, files }: Collected,
): Promise<Placed> => {
  const idOf = renamer();
  const orNull = (id: string | null): string | null => (id === null ? null : idOf(id));
  const { rows } = await client.query(`select name from instruments where teacher_id = $1`, [teacher]);
  const taken = new Set<string>(rows.map(({ name }) => name));
  for (const each of archive.instruments)
    await client.query(
      `insert into instruments (teacher_id, id, name, scale_length, tuning, frets, capo, left_handed, created_at)
       values ($1, $2, $3, $4, $5, $6, $7, $8, $9)`,
      [
        teacher,
        idOf(each.id),
        freeName(each.name, taken),
        each.scaleLength,
        each.tuning,
        each.frets,
        each.capo,
        each.leftHanded,
        each.createdAt,
      ],
    );
  for (const each of archive.students)
    await client.query(
      `insert into students (teacher_id, id, name, level, language, note_names, hand, spans, instrument_id,
         minutes_a_day, days, notes, archived_at, created_at)
       values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12, $13, $14)`,
      [
        teacher,
        idOf(each.id),
        each.name,
        each.level,
        each.language,
        each.noteNames,
        each.hand,
        JSON.stringify(each.spans),
        orNull(each.instrumentId),
        each.minutesADay,
        each.days,
        each.notes,
        each.archivedAt,
        each.createdAt,
      ],
    );
  let versions = 0;
  for (const piece of archive.pieces) {
    await placePiece(client, teacher, piece, files, idOf);
    // Origins come after all versions are there: one may stem from another in any order.
    for (const version of piece.versions) await placeVersion(client, teacher, piece.id, version, idOf);
    for (const { id, originId } of piece.versions)
      if (originId !== null && piece.versions.some((each) => each.id === originId))
        await client.query(`update fingerings set origin_id = $3 where teacher_id = $1 and id = $2`, [
          teacher,
          idOf(id),
          idOf(originId),
        ]);
    versions += piece.versions.length;
  }
  await placeCourses(client, teacher, { archive, files }, idOf);
  return {
    pieces: archive.pieces.length,
    versions,
    students: archive.students.length,
    instruments: archive.instruments.length,
  };
};

type Piece = Collected['archive']['pieces'][number];
type Rename = (id: string) => string;

const placePiece = async (
  client: Queryable,
  teacher: TeacherId,
  piece: Piece,
  files: Collected['files'],
  idOf: Rename,
): Promise<void> => {
  await client.query(
    `insert into pieces (teacher_id, id, title, composer, bars, notes, key_fifths, key_mode, created_at, touched_at)
     values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10)`,
    [
      teacher,
      idOf(piece.id),
      piece.title,
      piece.composer,
      piece.bars,
      piece.notes,
      piece.keyFifths,
      piece.keyMode,
      piece.createdAt,
      piece.touchedAt,
    ],
  );
  const contentOf = (file: string): Buffer => Buffer.from(files.get(file)!);
  const { file, fileName, partId, repairs } = piece.source;
  await client.query(
    `insert into sources (teacher_id, piece_id, file_name, part_id, content, repairs) values ($1, $2, $3, $4, $5, $6)`,
    [teacher, idOf(piece.id), fileName, partId, contentOf(file), JSON.stringify(repairs)],
  );
  for (const earlier of piece.earlierSources)
    await client.query(
      `insert into earlier_sources (teacher_id, piece_id, file_name, part_id, content, replaced_at)
       values ($1, $2, $3, $4, $5, $6)`,
      [
        teacher,
        idOf(piece.id),
        earlier.fileName,
        earlier.partId,
        contentOf(earlier.file),
        earlier.replacedAt,
      ],
    );
};

const placeVersion = async (
  client: Queryable,
  teacher: TeacherId,
  piece: string,
  version: Piece['versions'][number],
  idOf: Rename,
): Promise<void> => {
  await client.query(
    `insert into fingerings (teacher_id, id, piece_id, name, maker, revision, student_id, origin_revision,
       created_at, touched_at, deleted_at)
     values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11)`,
    [
      teacher,
      idOf(version.id),
      idOf(piece),
      version.name,
      version.maker,
      version.edits.length,
      version.studentId === null ? null : idOf(version.studentId),
      version.originRevision,
      version.createdAt,
      version.touchedAt,
      version.deletedAt,
    ],
  );
  await client.query(
    `insert into edits (teacher_id, fingering_id, revision, edit_id, edit, format, made_at)
     select $1, $2, ordinality, (each ->> 'id')::uuid, each -> 'edit', (each ->> 'format')::smallint,
       (each ->> 'madeAt')::timestamptz
     from jsonb_array_elements($3::jsonb) with ordinality as kept (each, ordinality)`,
    [teacher, idOf(version.id), JSON.stringify(version.edits)],
  );
  for (const { revision, label, createdAt } of version.labels)
    await client.query(
      `insert into labels (teacher_id, fingering_id, revision, label, created_at) values ($1, $2, $3, $4, $5)`,
      [teacher, idOf(version.id), revision, label, createdAt],
    );
};
