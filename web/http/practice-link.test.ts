import { randomUUID } from 'node:crypto';
import pg from 'pg';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { ask, importedPiece, type Answer } from './ask.ts';
import { Visitor } from './session.ts';

let client: pg.Client;
let piece: string;
/** Two students of the teacher, each with a course, a goal in it and the path of a link. */
let one: Taught;
let other: Taught;
interface Taught {
  readonly student: string;
  readonly course: string;
  readonly goal: string;
  path: string;
}

const form = (path: string, fields: Readonly<Record<string, string>>): Promise<Answer> =>
  ask({
    method: 'POST',
    path,
    headers: { 'content-type': 'application/x-www-form-urlencoded', accept: 'application/json' },
    body: new URLSearchParams(fields).toString(),
  });
const newLink = async (student: string): Promise<string> => {
  const { text } = await form(`/students/${student}/plan?/link`, {});
  return /\/s\/practise\/[\w-]{43}/.exec(text)![0];
};
const taught = async (): Promise<Taught> => {
  const { rows: students } = await client.query(
    `insert into students (teacher_id, name) select teacher_id, $2 from pieces where id = $1 returning id`,
    [piece, 'Ivo <b>'],
  );
  const student = students[0].id as string;
  const path = await newLink(student);
  const added = await form(`/students/${student}/plan?/add`, {
    piece,
    state: 'learning',
    until: '2027-01-31',
    tempo: '',
  });
  expect(added.text).toContain('Taken into the plan');
  const { rows } = await client.query(
    `select course.id as course, goal.id as goal from courses as course
     join course_goals as goal on goal.course_id = course.id where course.student_id = $1`,
    [student],
  );
  return { student, path, ...rows[0] };
};
beforeAll(async () => {
  client = new pg.Client({ connectionString: process.env.DATABASE_URL });
  await client.connect();
  await client.query(`delete from attempts where key like 'pages%'`);
  ({ piece } = await importedPiece());
  [one, other] = [await taught(), await taught()];
});
afterAll(async () => {
  await client.query(`delete from attempts where key like 'pages%'`);
  await client.end();
});

const entry = (change: object = {}) => ({
  id: randomUUID(),
  day: '2026-11-26',
  work: { kind: 'spot', goal: one.goal, spot: '1-1', drill: null },
  minutes: 5,
  tempo: 60,
  outcome: 'clean',
  felt: null,
  pain: null,
  remark: '',
  corrects: null,
  withdrawn: false,
  ...change,
});
const log = (path: string, body: unknown, headers = {}): Promise<Answer> =>
  new Visitor().ask({
    method: 'POST',
    path: `${path}/log`,
    headers: { 'content-type': 'application/json', ...headers },
    body: typeof body === 'string' ? body : JSON.stringify(body),
  });
const countOf = async ({ course }: Taught): Promise<number> =>
  (await client.query(`select count(*)::integer as count from log_entries where course_id = $1`, [course]))
    .rows[0].count;

describe('the link by which a student practises', () => {
  it('opens their plan without an account, and nothing of anybody else', async () => {
    const { status, text, headers } = await new Visitor().ask({ path: one.path });
    expect(status).toBe(200);
    expect(text).toContain('One Thread');
    expect(text).not.toContain('Ivo <b>');
    expect(text).not.toContain(other.goal);
    expect(headers['referrer-policy']).toBe('no-referrer');
    expect(headers['x-robots-tag']).toMatch(/noindex/);
    const { rows } = await client.query(`select id, email from teachers`);
    for (const { id, email } of rows) {
      expect(text).not.toContain(id);
      if (email) expect(text).not.toContain(email);
    }
  });

  it('fetches the music of its own goals alone', async () => {
    const sheets = (taughtOne: Taught, goal: string) =>
      new Visitor().ask({ path: `${taughtOne.path}/sheets/${goal}` });
    const own = await sheets(one, one.goal);
    expect(own.status).toBe(200);
    const { piece: music, spots } = JSON.parse(own.text) as { piece: { notes: unknown[] }; spots: object };
    expect(music.notes.length).toBeGreaterThan(50);
    expect(Object.keys(spots).length).toBeGreaterThan(0);
    for (const goal of [other.goal, randomUUID(), 'x', '%00'])
      expect((await sheets(one, goal)).status).toBe(404);
  });

  it('writes its own log, once, whatever it is sent', async () => {
    const [before, theirs] = [await countOf(one), await countOf(other)];
    const sent = entry();
    for (let time = 0; time < 3; time += 1)
      expect((await log(one.path, { entries: [sent] })).status).toBe(200);
    expect(await countOf(one)).toBe(before + 1);
    // Somebody else's entry is neither corrected nor withdrawn, and an entry about their goal lands in the own log.
    const corrects = entry({ corrects: sent.id, withdrawn: true });
    expect((await log(other.path, { entries: [corrects] })).status).toBe(200);
    expect(await countOf(other)).toBe(theirs);
    expect((await log(other.path, { entries: [entry({ minutes: 1 })] })).status).toBe(200);
    expect([await countOf(one), await countOf(other)]).toEqual([before + 1, theirs + 1]);
  });

  it('leads nowhere else, by whatever method', async () => {
    const visitor = new Visitor();
    await visitor.ask({ path: one.path });
    for (const path of [`/students/${one.student}/log`, `/students/${one.student}/plan`, '/students', '/'])
      expect((await visitor.ask({ path })).status).toBe(303);
    expect((await visitor.ask({ path: `/students/${one.student}/log/csv` })).status).toBe(303);
    for (const method of ['PUT', 'PATCH', 'DELETE'])
      for (const path of [one.path, `${one.path}/log`])
        expect([404, 405]).toContain((await visitor.ask({ method, path })).status);
    expect((await visitor.ask({ path: `${one.path}/log` })).status).toBe(405);
  });

  it('takes nothing from pages elsewhere', async () => {
    const answer = await log(one.path, { entries: [entry()] }, { origin: 'http://elsewhere.example' });
    expect(answer.status).toBe(403);
  });

  it.each([
    ['nothing', ''],
    ['no JSON', '{"entries":'],
    ['no entries', { entries: [] }],
    ['a day that is none', () => ({ entries: [entry({ day: '2026-02-30' })] })],
    ['a day long before anybody', () => ({ entries: [entry({ day: '0050-01-01' })] })],
    ['a tempo beyond reason', () => ({ entries: [entry({ tempo: 1e9 })] })],
    ['minutes that are no number', () => ({ entries: [entry({ minutes: 'ten' })] })],
    ['work that is none', () => ({ entries: [entry({ work: { kind: 'sleep' } })] })],
    ['a remark with a null', () => ({ entries: [entry({ remark: 'a\u0000b' })] })],
    ['an id that is none', () => ({ entries: [entry({ id: '1; drop table log_entries' })] })],
    ['a withdrawal of nothing', () => ({ entries: [entry({ withdrawn: true })] })],
    ['more than at once', () => ({ entries: Array.from({ length: 201 }, () => entry()) })],
    ['a prototype', '{"__proto__":{"entries":[]},"entries":[{"__proto__":{}}]}'],
  ])('refuses %s in words, and keeps none of it', async (_, made) => {
    const before = await countOf(one);
    const { status, text } = await log(one.path, typeof made === 'function' ? made() : made);
    expect(status).toBe(400);
    expect(text).toMatch(/What was logged cannot be read/);
    expect(text).not.toMatch(/\bat .*\.(js|ts|mjs):\d+/);
    expect(await countOf(one)).toBe(before);
  });

  it('takes no day that lies ahead', async () => {
    const { status, text } = await log(one.path, { entries: [entry({ day: '2126-11-26' })] });
    expect(status).toBe(400);
    expect(text).toMatch(/2126-11-26 lies ahead/);
  });

  it('is no more once a new one is made or it is taken back', async () => {
    const old = one.path;
    one.path = await newLink(one.student);
    for (const path of [old, `${old}/sheets/${one.goal}`])
      expect((await new Visitor().ask({ path })).status).toBe(404);
    expect((await log(old, { entries: [entry()] })).status).toBe(404);
    expect((await log(one.path, { entries: [entry()] })).status).toBe(200);
    await form(`/students/${one.student}/plan?/link`, { revoke: 'yes' });
    expect((await new Visitor().ask({ path: one.path })).status).toBe(404);
  });
});

describe('the teacher’s side', () => {
  it('has the log as a table in which nothing is a formula', async () => {
    await log(other.path, { entries: [entry({ work: { kind: 'warm-up' }, remark: '=1+1, "so"' })] });
    const { status, text, headers } = await ask({ path: `/students/${other.student}/log/csv` });
    expect(status).toBe(200);
    expect(headers['content-type']).toMatch(/text\/csv/);
    const lines = text.trim().split('\r\n');
    expect(lines[0]).toBe('day,what,kind,minutes,tempo,outcome,felt,pain,remark,writtenBy,corrected');
    expect(lines.some((line) => line.includes(`"'=1+1, ""so"""`))).toBe(true);
  });

  it('refuses what cannot be planned in words', async () => {
    const tries: readonly (readonly [string, Readonly<Record<string, string>>])[] = [
      ['add', { piece: randomUUID(), state: 'learning', until: '2027-01-31', tempo: '' }],
      ['add', { piece, state: 'asleep', until: '2027-01-31', tempo: '' }],
      ['add', { piece, state: 'learning', until: 'soon', tempo: '' }],
      ['add', { piece, state: 'learning', until: '9999-12-31', tempo: '' }],
      ['wish', { goal: other.goal, spot: 'x', kind: 'on-day', day: 'never' }],
      ['cut', { goal: randomUUID(), tempo: '' }],
      ['times', { minutesADay: '-5', days: '1' }],
      ['times', { minutesADay: '30', days: '8' }],
    ];
    for (const [action, fields] of tries) {
      const { text } = await form(`/students/${other.student}/plan?/${action}`, fields);
      expect(JSON.parse(text), action).toMatchObject({ type: 'failure', status: 400 });
    }
    for (const id of ['x', '%00', randomUUID()])
      for (const place of ['plan', 'log', 'lesson', 'log/csv'])
        expect((await ask({ path: `/students/${id}/${place}` })).status).toBe(404);
  });
});
