import { randomUUID } from 'node:crypto';
import pg from 'pg';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { address, ask, askJson, importedPiece } from './ask.ts';
import { given, HANDOUT, RENEWAL } from './given.ts';
import { Visitor } from './session.ts';

let client: pg.Client;
let fingering: string;
beforeAll(async () => {
  client = new pg.Client({ connectionString: process.env.DATABASE_URL });
  await client.connect();
  await client.query(`delete from attempts where key like 'pages%'`);
  ({ fingering } = await importedPiece());
});
const forgetAttempts = () => client.query(`delete from attempts where key like 'pages%'`);
afterAll(async () => {
  await forgetAttempts();
  await client.end();
});

/** The path of a link that was just given. */
const link = async (): Promise<string> => {
  const { status, text } = await given(fingering);
  expect(status).toBe(201);
  return new URL((JSON.parse(text) as { link: string }).link).pathname;
};
const student = () => new Visitor();
/** Decides something in the version, as its workbench would. */
const decide = async (edit: unknown): Promise<void> => {
  const { rows } = await client.query(`select revision from fingerings where id = $1`, [fingering]);
  const { status } = await askJson({
    method: 'POST',
    path: `/api/fingerings/${fingering}/edits`,
    body: { base: rows[0].revision, format: 4, edits: [{ id: randomUUID(), edit }] },
  });
  expect(status).toBe(200);
};
const notesOf = async (handout: string): Promise<unknown[]> =>
  (await client.query(`select content->'notes' as notes from handouts where id = $1`, [handout])).rows[0]
    .notes;

describe('a student’s page', () => {
  it('opens by its link alone, and shows nothing of anybody else', async () => {
    const path = await link();
    expect(path).toMatch(/^\/s\/[\w-]{43}$/);
    const { status, text, headers } = await student().ask({ path });
    expect(status).toBe(200);
    expect(text).toContain('Slowly.');
    expect(text).toContain('Ivo');
    expect(headers['referrer-policy']).toBe('no-referrer');
    expect(headers['x-robots-tag']).toMatch(/noindex/);
    const { rows } = await client.query(`select email, id from teachers`);
    for (const { email, id } of rows) {
      if (email) expect(text).not.toContain(email);
      expect(text).not.toContain(id);
    }
    expect(text).not.toContain(fingering);
  });

  it('comes packed to a browser that takes it so, and plain to one that does not', async () => {
    const path = await link();
    for (const [accepted, packing] of [
      ['gzip, br', 'br'],
      ['gzip', 'gzip'],
      ['gzip, br;q=0', 'gzip'],
    ] as const) {
      const packed = await fetch(new URL(path, address), { headers: { 'accept-encoding': accepted } });
      expect(packed.headers.get('content-encoding')).toBe(packing);
      expect(packed.headers.get('vary')).toContain('accept-encoding');
      expect(await packed.text()).toContain('Slowly.');
    }
    const plain = await student().ask({ path });
    expect(plain.headers['content-encoding']).toBeUndefined();
  });

  it('brings what is heard of it at an address of its own', async () => {
    const path = await link();
    const page = (await student().ask({ path })).text;
    expect(page).not.toContain('strength:');
    const [, edition] = /givenAt:"([^"]+)"/.exec(page)!;
    const sounds = `${path}/sounds?given=${encodeURIComponent(edition!)}`;
    const { status, text } = await student().ask({ path: sounds });
    expect(status).toBe(200);
    expect(JSON.parse(text)).toMatchObject({ planned: { events: expect.any(Array) }, written: {} });
    // Those of another edition are not for it.
    expect((await student().ask({ path: `${path}/sounds?given=2020-01-01T00:00:00.000Z` })).status).toBe(409);
    await client.query(`update handouts set content = content - 'sounds' where fingering_id = $1`, [
      fingering,
    ]);
    expect((await student().ask({ path: sounds })).status).toBe(404);
    expect((await student().ask({ path })).status).toBe(200);
  });

  it('leads nowhere else, by whatever method', async () => {
    const path = await link();
    const visitor = student();
    await visitor.ask({ path });
    for (const other of ['/', `/pieces`, '/students', '/account'])
      expect([303, 404]).toContain((await visitor.ask({ path: other })).status);
    expect((await visitor.ask({ path: '/api/archive' })).status).toBe(401);
    for (const method of ['PUT', 'PATCH', 'DELETE'])
      expect([404, 405]).toContain((await visitor.ask({ method, path })).status);
    for (const more of ['/edits', '/source', '/../../pieces', '/__proto__'])
      expect([303, 404]).toContain((await visitor.ask({ path: path + more })).status);
  });

  it('is no more once it is taken back, over, or its teacher leaves', async () => {
    const ends: readonly string[] = [
      `update handouts set revoked_at = now() where fingering_id = $1`,
      `update handouts set ends_at = now() - interval '1 second' where fingering_id = $1`,
    ];
    for (const end of ends) {
      const path = await link();
      expect((await student().ask({ path })).status).toBe(200);
      await client.query(end, [fingering]);
      expect((await student().ask({ path: `${path}/sounds` })).status).toBe(404);
      const gone = await student().ask({ path });
      expect(gone.status).toBe(404);
      expect(gone.text).toContain('Ask your teacher for a new one');
      const asked = await student().form(`${path}?/ask`, { bar: '0', question: 'Still there?' });
      expect(asked.status).toBe(404);
    }
  });

  it('is not to be guessed', async () => {
    const path = await link();
    let last = 0;
    for (let attempt = 0; attempt < 70 && last !== 429; attempt += 1)
      last = (await student().ask({ path: `/s/${'x'.repeat(40)}${attempt}` })).status;
    expect(last).toBe(429);
    // Whoever guessed so much opens nothing for a while.
    expect((await student().ask({ path })).status).toBe(429);
    await forgetAttempts();
    expect((await student().ask({ path })).status).toBe(200);
  });

  it('takes questions on its bars, not too many, and its teacher sees them', async () => {
    const path = await link();
    const send = (bar: string, question: string) => student().form(`${path}?/ask`, { bar, question });
    expect((await send('0', 'Which finger first?')).status).toBe(200);
    expect((await send('9999', 'Where?')).status).toBe(400);
    expect((await send('0', '')).status).toBe(400);
    expect((await send('0', 'x'.repeat(501))).status).toBe(400);
    const { rows } = await client.query(
      `select question.id, bar, body from questions as question join handouts on handouts.id = handout_id
       where fingering_id = $1`,
      [fingering],
    );
    expect(rows).toMatchObject([{ bar: 0, body: 'Which finger first?' }]);
    const read = await ask({ method: 'PATCH', path: `/api/questions/${rows[0].id}`, body: '{"read":true}' });
    expect(read.status).toBe(200);
    let status = 200;
    for (let more = 0; more < 25 && status === 200; more += 1)
      status = (await send('0', `And ${more}?`)).status;
    expect(status).toBe(429);
  });

  it('shows a newer edition under the same link, with what is new, and the one before is kept', async () => {
    const path = await link();
    const { rows: given } = await client.query(
      `select id from handouts where fingering_id = $1 order by created_at desc limit 1`,
      [fingering],
    );
    const renew = (body: unknown = RENEWAL) =>
      ask({ method: 'PUT', path: `/api/handouts/${given[0].id}`, body: JSON.stringify(body) });
    const same = await renew();
    expect([same.status, same.text]).toEqual([200, '{"changed":0}']);
    expect((await student().ask({ path })).text).not.toContain('What is new');

    const [note] = (await notesOf(given[0].id)) as [{ id: string; finger: number; string: number }];
    const finger = note.finger === 4 ? 3 : 4;
    await decide({ kind: 'choose', note: note.id, before: {}, after: { finger } });
    const changed = await renew();
    expect(JSON.parse(changed.text).changed).toBeGreaterThan(0);
    const { text } = await student().ask({ path });
    expect(text).toContain('What is new');
    expect(text).toMatch(new RegExp(`${finger} on [A-G][♯♭]?, [①-⑥] fret \\d+; before, ${note.finger} on`));
    // Its remarks stay where none were written.
    expect(text).toContain('Slowly.');
    const { rows } = await client.query(
      `select edition, content->'notes' as notes from handout_editions where handout_id = $1 order by edition`,
      [given[0].id],
    );
    expect(rows.map(({ edition }) => edition)).toEqual([1, 2]);
    expect(rows[1].notes[0].finger).toBe(note.finger);

    expect((await renew({ ...RENEWAL, lesson: {} })).status).toBe(400);
    await client.query(`update handouts set revoked_at = now() where id = $1`, [given[0].id]);
    expect((await renew()).status).toBe(404);
  });

  it('is for the hand and instrument of a student when that is wanted', async () => {
    const { rows } = await client.query(
      `with own as (select teacher_id from fingerings where id = $1), box as (
         insert into instruments (teacher_id, name, scale_length, tuning, frets, capo)
         select teacher_id, 'Small', 580, '{E4,B3,G3,D3,A2,E2}', 18, 2 from own returning id)
       insert into students (teacher_id, name, hand, instrument_id)
       select own.teacher_id, 'Mila', 'small', box.id from own, box returning id`,
      [fingering],
    );
    const { id } = rows[0];
    const shown = async (more: Parameters<typeof given>[1]) => {
      expect((await given(fingering, { student: id, ...more })).status).toBe(201);
      const { rows: kept } = await client.query(
        `select own_hand, student_id, content->'notes' as notes from handouts where student_id = $1
         order by created_at desc limit 1`,
        [id],
      );
      return kept[0] as { own_hand: boolean; student_id: string; notes: { fret: number }[] };
    };
    const theirs = await shown({ ownHand: true });
    const mine = await shown({ ownHand: false });
    expect([theirs.own_hand, mine.own_hand]).toEqual([true, false]);
    // With the capo on their guitar every fret is another one.
    expect(theirs.notes.map(({ fret }) => fret)).not.toEqual(mine.notes.map(({ fret }) => fret));
    const stranger = '11111111-1111-4111-8111-111111111111';
    expect((await given(fingering, { student: stranger })).status).toBe(404);
  });

  it('carries what the teacher says in their own words, and not what is left out', async () => {
    const sentence = 'en/added@0';
    const own = { text: 'Breathe before you begin.', planned: '', bar: 0, depth: 'bars' };
    await decide({ kind: 'sentence', sentence, before: null, after: own });
    expect((await student().ask({ path: await link() })).text).toContain('Breathe before you begin.');
    await decide({ kind: 'sentence', sentence, before: own, after: { ...own, text: '' } });
    expect((await student().ask({ path: await link() })).text).not.toContain('Breathe before');
  });

  it('is refused when what is to be given cannot be read', async () => {
    expect((await given(fingering, { days: 0 })).status).toBe(400);
    expect((await given('00000000-0000-0000-0000-000000000000')).status).toBe(404);
    const lesson = { ...HANDOUT.lesson, density: 'dense' };
    expect((await given(fingering, { lesson })).status).toBe(400);
  });
});
