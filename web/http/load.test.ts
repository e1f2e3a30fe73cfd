import { randomUUID } from 'node:crypto';
import { strToU8, zipSync } from 'fflate';
import pg from 'pg';
import { describe, expect, it } from 'vitest';
import { ask, askJson, importedPiece, type Answer } from './ask.ts';

const MEGABYTE = 1024 * 1024;
/**
 * What nobody may have to wait longer for than this while somebody else sends something large, in ms. Aimed at are 200,
 * which hold on a quiet machine; this one is shared with the tests. What froze the server took ten seconds.
 */
const MOST_WAITED = 1500;

/** Asks for the library over and over while `work` goes on; the longest wait, in ms. */
const longestWaitDuring = async (work: Promise<Answer>): Promise<{ answer: Answer; waited: number }> => {
  let isDone = false;
  let waited = 0;
  const watch = (async () => {
    while (!isDone) {
      waited = Math.max(waited, (await ask({ path: '/' })).ms);
      await new Promise((resolve) => setTimeout(resolve, 10));
    }
  })();
  const answer = await work;
  isDone = true;
  await watch;
  return { answer, waited };
};

const post = (body: Uint8Array) =>
  ask({
    method: 'POST',
    path: '/api/pieces',
    headers: { 'content-type': 'application/octet-stream', 'content-length': String(body.length) },
    body,
  });

const repeated = (text: string, bytes: number): Uint8Array =>
  strToU8(text.repeat(Math.ceil(bytes / text.length)));

const note = (step: string) =>
  `<note><pitch><step>${step}</step><octave>4</octave></pitch><duration>1</duration><voice>1</voice><type>eighth</type></note>`;
const bar = (index: number) =>
  `<measure number="${index}">${index === 1 ? '<attributes><divisions>2</divisions><time><beats>4</beats><beat-type>4</beat-type></time></attributes>' : ''}${[...'CDEFGAGF'].map(note).join('')}</measure>`;
const longScore = (bytes: number): Uint8Array => {
  const bars = Math.ceil(bytes / bar(100).length);
  return strToU8(
    `<score-partwise><part-list><score-part id="P1"><part-name>Guitar</part-name></score-part></part-list><part id="P1">${Array.from({ length: bars }, (_, index) => bar(index + 1)).join('')}</part></score-partwise>`,
  );
};

describe('one request never freezes the others', () => {
  it('50 MB of edits are refused before they are read', async () => {
    const path = `/api/fingerings/${randomUUID()}/edits`;
    const body = repeated('[[],', 50 * MEGABYTE);
    const { answer, waited } = await longestWaitDuring(
      ask({ method: 'POST', path, headers: { 'content-length': String(body.length) }, body }),
    );
    expect(answer.status).toBe(413);
    expect(answer.ms).toBeLessThan(2000);
    expect(waited).toBeLessThan(MOST_WAITED);
  });

  it('a body of unknown length is read no further than its limit', async () => {
    const answer = await ask({
      method: 'POST',
      path: `/api/fingerings/${randomUUID()}/edits`,
      headers: { 'transfer-encoding': 'chunked', 'content-type': 'application/json' },
      body: repeated(' ', 2 * MEGABYTE),
    });
    expect(answer.status).toBe(413);
  });

  it('an archive that grows without end stops early', async () => {
    const block = new Uint8Array(24 * MEGABYTE);
    const body = zipSync(
      Object.fromEntries(Array.from({ length: 6 }, (_, index) => [`${index}.xml`, block])),
      { level: 1 },
    );
    const { answer, waited } = await longestWaitDuring(post(body));
    expect(answer.status).toBe(413);
    expect(waited).toBeLessThan(MOST_WAITED);
  });

  it('23 MB of elements that are no score are refused in a thread of their own', async () => {
    const { answer, waited } = await longestWaitDuring(
      post(Buffer.concat([strToU8('<r>'), repeated('<a/>', 23 * MEGABYTE), strToU8('</r>')])),
    );
    expect(answer.status).toBe(422);
    expect(waited).toBeLessThan(MOST_WAITED);
  });

  it('a valid score of 6 MB is read while others work on', async () => {
    const { answer, waited } = await longestWaitDuring(post(longScore(6 * MEGABYTE)));
    expect(answer.status).toBe(201);
    expect(waited).toBeLessThan(MOST_WAITED);
  });

  it('more than a score may have is refused, packed or not', async () => {
    expect((await post(new Uint8Array(33 * MEGABYTE))).status).toBe(413);
    const noise = new Uint8Array(9 * MEGABYTE);
    expect((await post(zipSync({ 'a.xml': noise }, { level: 0 }))).status).toBe(413);
  });
});

describe('a database that does not answer', () => {
  it('gives sixty saves of one fingering 503 in time, and leaves the rest of the site alone', async () => {
    const { fingering } = await importedPiece();
    const holder = new pg.Client({ connectionString: process.env.DATABASE_URL });
    await holder.connect();
    await holder.query('begin');
    await holder.query('select 1 from fingerings where id = $1 for update', [fingering]);
    const save = () =>
      askJson({
        method: 'POST',
        path: `/api/fingerings/${fingering}/edits`,
        body: {
          base: 0,
          format: 2,
          edits: [
            { id: randomUUID(), edit: { kind: 'choose', note: 'n', before: {}, after: { finger: 1 } } },
          ],
        },
      });
    const saves = Promise.all(Array.from({ length: 60 }, save));
    await new Promise((resolve) => setTimeout(resolve, 500));
    for (const path of ['/', '/health']) {
      const answer = await ask({ path });
      expect([path, answer.status]).toEqual([path, 200]);
      expect(answer.ms).toBeLessThan(1000);
    }
    for (const { status, headers, ms } of await saves) {
      expect(status).toBe(503);
      expect(Number(headers['retry-after'])).toBeGreaterThan(0);
      expect(ms).toBeLessThan(3500);
    }
    await holder.query('rollback');
    await holder.end();
    expect((await save()).status).toBe(200);
  });

  it('in the middle of a save does not end the server', async () => {
    const { fingering } = await importedPiece();
    const holder = new pg.Client({ connectionString: process.env.DATABASE_URL });
    await holder.connect();
    await holder.query('begin');
    await holder.query('select 1 from fingerings where id = $1 for update', [fingering]);
    const save = askJson({
      method: 'POST',
      path: `/api/fingerings/${fingering}/edits`,
      body: {
        base: 0,
        format: 2,
        edits: [{ id: randomUUID(), edit: { kind: 'choose', note: 'n', before: {}, after: { finger: 1 } } }],
      },
    });
    await new Promise((resolve) => setTimeout(resolve, 300));
    await holder.query(
      `select pg_terminate_backend(pid) from pg_stat_activity where wait_event_type = 'Lock' and application_name = 'oculon' and datname = current_database()`,
    );
    expect((await save).status).toBe(503);
    await holder.query('rollback');
    await holder.end();
    expect(JSON.parse((await ask({ path: '/health' })).text)).toEqual({ ok: true, state: 'up' });
  });
});
