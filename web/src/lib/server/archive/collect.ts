import type { Queryable } from '../database/database.ts';
import type { TeacherId } from '../ids.ts';
import { collectCourses } from './collect-courses.ts';
import { grouped, timed } from './rows.ts';
import { ARCHIVE_SCHEMA, archiveSchema, type Archive } from './archive-schema.ts';

/** A teacher's data and the source files by their names in the archive. */
export interface Collected {
  readonly archive: Archive;
  readonly files: ReadonlyMap<string, Uint8Array>;
}

/** Everything that is a teacher's, in a stable order. Call inside a transaction. */
export const collect = async (client: Queryable, teacher: TeacherId, madeAt: Date): Promise<Collected> => {
  const rowsOf = async (sql: string) => (await client.query(sql, [teacher])).rows;
  const [own] = await rowsOf(`select name, language, note_names as "noteNames" from teachers where id = $1`);
  const instruments = await rowsOf(
    `select id, name, scale_length::float8 as "scaleLength", tuning, frets, capo, left_handed as "leftHanded",
       ${timed('created_at')} as "createdAt"
     from instruments where teacher_id = $1 order by created_at, name`,
  );
  const students = await rowsOf(
    `select id, name, level, language, note_names as "noteNames", hand, spans, instrument_id as "instrumentId",
       minutes_a_day as "minutesADay", days, notes, ${timed('archived_at')} as "archivedAt",
       ${timed('created_at')} as "createdAt"
     from students where teacher_id = $1 order by created_at, name`,
  );
  const pieces = await rowsOf(
    `select piece.id, title, composer, bars, notes, key_fifths as "keyFifths", key_mode as "keyMode",
       ${timed('piece.created_at')} as "createdAt", ${timed('piece.touched_at')} as "touchedAt",
       file_name as "fileName", part_id as "partId", repairs, content
     from pieces as piece join sources as source on source.teacher_id = piece.teacher_id and source.piece_id = piece.id
     where piece.teacher_id = $1 order by piece.created_at, piece.id`,
  );
  const earlier = await rowsOf(
    `select piece_id as "pieceId", file_name as "fileName", part_id as "partId", content,
       ${timed('replaced_at')} as "replacedAt"
     from earlier_sources where teacher_id = $1 order by replaced_at, id`,
  );
  const versions = await rowsOf(
    `select id, piece_id as "pieceId", name, maker, student_id as "studentId", origin_id as "originId",
       origin_revision as "originRevision", ${timed('created_at')} as "createdAt",
       ${timed('touched_at')} as "touchedAt", ${timed('deleted_at')} as "deletedAt"
     from fingerings where teacher_id = $1 order by created_at, id`,
  );
  const edits = await rowsOf(
    `select fingering_id as "fingeringId", edit_id as id, format, edit, ${timed('made_at')} as "madeAt"
     from edits where teacher_id = $1 order by fingering_id, revision`,
  );
  const labels = await rowsOf(
    `select fingering_id as "fingeringId", revision, label, ${timed('created_at')} as "createdAt"
     from labels where teacher_id = $1 order by fingering_id, revision`,
  );
  const [editsOf, labelsOf] = [grouped(edits, 'fingeringId'), grouped(labels, 'fingeringId')];
  const versionsOf = grouped(
    versions.map((row) => ({
      ...row,
      edits: editsOf.get(row.id) ?? [],
      labels: labelsOf.get(row.id) ?? [],
    })),
    'pieceId',
  );
  const { courses, notes, sheets } = await collectCourses(client, teacher);
  const files = new Map<string, Uint8Array>(sheets);
  let kept = 0;
  /** Keeps the content of a source, under the name that it has in the archive. */
  const keep = (content: Uint8Array): string => {
    kept += 1;
    const name = `sources/${String(kept).padStart(4, '0')}`;
    files.set(name, content);
    return name;
  };
  const earlierOf = grouped(earlier, 'pieceId');
  const archive = archiveSchema.parse({
    schema: ARCHIVE_SCHEMA,
    madeAt: madeAt.toISOString(),
    teacher: own,
    instruments,
    students,
    pieces: pieces.map(({ fileName, partId, repairs, content, ...piece }) => ({
      ...piece,
      source: { fileName, partId, file: keep(content), repairs },
      earlierSources: (earlierOf.get(piece.id) ?? []).map(({ content, ...each }) => ({
        ...each,
        file: keep(content),
      })),
      versions: versionsOf.get(piece.id) ?? [],
    })),
    courses,
    notes,
  });
  return { archive, files };
};
