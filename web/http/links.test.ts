import pg from 'pg';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { ask, importedPiece } from './ask.ts';
import { given, HANDOUT } from './given.ts';
import { Visitor } from './session.ts';

let client: pg.Client;
let fingering: string;
beforeAll(async () => {
  client = new pg.Client({ connectionString: process.env.DATABASE_URL });
  await client.connect();
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

  it('is refused when what is to be given cannot be read', async () => {
    expect((await given(fingering, { days: 0 })).status).toBe(400);
    expect((await given('00000000-0000-0000-0000-000000000000')).status).toBe(404);
    const lesson = { ...HANDOUT.lesson, density: 'dense' };
    expect((await given(fingering, { lesson })).status).toBe(400);
  });
});
