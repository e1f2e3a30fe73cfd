import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import type pg from 'pg';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { correctPiece, importPiece } from './import-piece.ts';
import { deletePiece, findPiece, findReading, findSource, listPieces, renamePiece } from './pieces.ts';
import { readScore, type ScoreReader } from '../reading/read-score.ts';
import { findFingering, newPiece, newTeacher, testPool } from '../testing.ts';

const readHere: ScoreReader = (content, part) => Promise.resolve(readScore(content, part));

const study = new Uint8Array(
  readFileSync(fileURLToPath(new URL('../../../../../demo/studies/one-thread.musicxml', import.meta.url))),
);

describe('pieces in the database', () => {
  let pool: pg.Pool;
  beforeAll(() => {
    pool = testPool();
  });
  afterAll(() => pool.end());

  it('are imported with their source to the byte, their facts and an empty fingering', async () => {
    const teacher = await newTeacher(pool);
    const imported = await importPiece(pool, teacher, 'one-thread.musicxml', study, readHere);
    if (!imported.ok) throw new Error(imported.error.code);
    const { id } = imported.value;
    expect(await findPiece(pool, teacher, id)).toMatchObject({
      title: 'One Thread',
      composer: 'Marit Osse',
      bars: 16,
      keyFifths: 0,
    });
    const source = await findSource(pool, teacher, id);
    expect(Buffer.from(source!.content).equals(Buffer.from(study))).toBe(true);
    expect((await findFingering(pool, teacher, id))?.revision).toBe(0);
  });

  it('with names that no column holds are kept under names that it does', async () => {
    const teacher = await newTeacher(pool);
    const text = new TextDecoder().decode(study);
    const titled = text.replace(/<work-title>.*?</, `<work-title>${'𝄞'.repeat(400)}<`);
    const imported = await importPiece(
      pool,
      teacher,
      `a\u0000b\ud800${'𝄞'.repeat(500)}.xml`,
      new TextEncoder().encode(titled),
      readHere,
    );
    if (!imported.ok) throw new Error(imported.error.code);
    expect((await findPiece(pool, teacher, imported.value.id))?.title).toBe('𝄞'.repeat(300));
    expect((await findReading(pool, teacher, imported.value.id))?.fileName).toMatch(/^a b 𝄞+$/u);
  });

  it('keep the name that they were given when a note of their file is corrected', async () => {
    const teacher = await newTeacher(pool);
    const imported = await importPiece(pool, teacher, 'one-thread.musicxml', study, readHere);
    if (!imported.ok) throw new Error(imported.error.code);
    const { id } = imported.value;
    await renamePiece(pool, teacher, id, { title: 'For Tuesday', composer: 'M. O.' });
    const file = new TextEncoder().encode(
      new TextDecoder().decode(study).replace('One Thread', 'Two Threads'),
    );
    const correct = async (keepsName: boolean) => {
      const from = (await findReading(pool, teacher, id))!.digest;
      return correctPiece(pool, teacher, id, 'one-thread.musicxml', file, readHere, {
        from,
        part: 'P1',
        keepsName,
      });
    };
    expect(await correct(true)).toMatchObject({ ok: true });
    expect(await findPiece(pool, teacher, id)).toMatchObject({ title: 'For Tuesday', composer: 'M. O.' });
    expect(Buffer.from((await findSource(pool, teacher, id))!.content).equals(Buffer.from(file))).toBe(true);
    expect(await correct(false)).toMatchObject({ ok: true });
    expect((await findPiece(pool, teacher, id))?.title).toBe('Two Threads');
  });

  it('do not lose what was corrected in one window to a correction from another', async () => {
    const teacher = await newTeacher(pool);
    const imported = await importPiece(pool, teacher, 'one-thread.musicxml', study, readHere);
    if (!imported.ok) throw new Error(imported.error.code);
    const { id } = imported.value;
    const { digest: from } = (await findReading(pool, teacher, id))!;
    const correctTo = (title: string) => {
      const file = new TextEncoder().encode(new TextDecoder().decode(study).replace('One Thread', title));
      return correctPiece(pool, teacher, id, 'one-thread.musicxml', file, readHere, { from });
    };
    const answers = await Promise.all([correctTo('Here'), correctTo('There')]);
    expect(answers.filter((each) => each === 'changed')).toHaveLength(1);
    const title = answers[0] === 'changed' ? 'There' : 'Here';
    expect((await findPiece(pool, teacher, id))?.title).toBe(title);
    expect(new TextDecoder().decode((await findSource(pool, teacher, id))!.content)).toContain(title);
    const stranger = await newTeacher(pool);
    expect(await correctPiece(pool, stranger, id, 'one-thread.musicxml', study, readHere, { from })).toBe(
      'none',
    );
  });

  it('that cannot be read leave no trace', async () => {
    const teacher = await newTeacher(pool);
    const refused = await importPiece(pool, teacher, 'x.xml', new TextEncoder().encode('<html/>'), readHere);
    expect(refused).toMatchObject({ ok: false, error: { code: 'not-musicxml' } });
    expect(await listPieces(pool, teacher)).toEqual([]);
  });

  it('are listed last touched first, for their teacher alone', async () => {
    const [teacher, stranger] = [await newTeacher(pool), await newTeacher(pool)];
    const first = await newPiece(pool, teacher);
    const second = await newPiece(pool, teacher);
    await renamePiece(pool, teacher, first.piece, { title: 'Renamed', composer: '' });
    expect((await listPieces(pool, teacher)).map((piece) => piece.id)).toEqual([first.piece, second.piece]);
    expect(await listPieces(pool, stranger)).toEqual([]);
    expect(await findPiece(pool, stranger, first.piece)).toBeUndefined();
    expect(await renamePiece(pool, stranger, first.piece, { title: 'Mine', composer: '' })).toBe(false);
    expect((await findReading(pool, teacher, first.piece))?.repairs).toHaveLength(1);
  });

  it('go with everything that hangs on them, and only for their teacher', async () => {
    const [teacher, stranger] = [await newTeacher(pool), await newTeacher(pool)];
    const { piece, fingering } = await newPiece(pool, teacher);
    expect(await deletePiece(pool, stranger, piece)).toBe(false);
    expect(await deletePiece(pool, teacher, piece)).toBe(true);
    const { rowCount } = await pool.query('select 1 from fingerings where id = $1', [fingering]);
    expect(rowCount).toBe(0);
  });
});
