import { randomUUID } from 'node:crypto';
import pg from 'pg';
import { hash } from '@node-rs/argon2';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { importedPiece, type Question } from './ask.ts';
import { given, HANDOUT, RENEWAL } from './given.ts';
import { Visitor } from './session.ts';

const PASSWORD = 'low meadow dance';
let client: pg.Client;
let piece: string;
let fingering: string;
let student: string;
let handout: string;
let question: string;
let goal: string;
let note: string;
let passwordHash: string;
beforeAll(async () => {
  client = new pg.Client({ connectionString: process.env.DATABASE_URL });
  await client.connect();
  passwordHash = await hash(PASSWORD, { memoryCost: 19_456, timeCost: 2, parallelism: 1 });
  // What belongs to the teacher for whom the test server was started.
  ({ piece, fingering } = await importedPiece());
  const { rows } = await client.query(
    `insert into students (teacher_id, name, archived_at) select teacher_id, 'Somebody', now() from pieces where id = $1 returning id`,
    [piece],
  );
  student = rows[0].id;
  expect((await given(fingering)).status).toBe(201);
  ({ handout, question } = (
    await client.query(
      `with given as (select teacher_id, id from handouts where fingering_id = $1)
       insert into questions (teacher_id, handout_id, bar, body) select teacher_id, id, 0, 'Why?' from given
       returning handout_id as handout, id as question`,
      [fingering],
    )
  ).rows[0]);
  ({ goal, note } = (
    await client.query(
      `with begun as (insert into courses (teacher_id, student_id) select teacher_id, id from students where id = $1
         returning teacher_id, student_id, id),
       goal as (insert into course_goals (teacher_id, course_id, fingering_id, until, revision, practised, sheets)
         select teacher_id, id, $2, '2027-01-31', 0, '{"bars": {"1-1": "1"}, "spots": []}', '{}' from begun returning id)
       insert into lesson_notes (teacher_id, student_id, body) select teacher_id, student_id, 'thumb' from begun
       returning (select id from goal) as goal, id as note`,
      [student, fingering],
    )
  ).rows[0]);
});
afterAll(() => client.end());

/** A teacher who can sign in. */
const account = async () => {
  const email = `t-${randomUUID()}@oculon.example`;
  const { rows } = await client.query(
    `insert into teachers (name, email, password_hash) values ('Other', $1, $2) returning id`,
    [email, passwordHash],
  );
  return { email, teacher: rows[0].id as string };
};
const signedIn = async () => {
  const visitor = new Visitor();
  const { email, teacher } = await account();
  const answer = await visitor.signIn(email, PASSWORD);
  expect(answer.status).toBe(303);
  return { visitor, email, teacher };
};
const session = (visitor: Visitor) => visitor.cookies.get('oculon-session');

/** Every route that shows or changes something of a teacher's. */
const routes = (): readonly (Question & { readonly shows?: RegExp })[] => {
  const edits = {
    base: 0,
    format: 4,
    edits: [{ id: randomUUID(), edit: { kind: 'setup', before: {}, after: {} } }],
  };
  const form = { 'content-type': 'application/x-www-form-urlencoded', accept: 'text/html' };
  return [
    { path: `/pieces/${piece}` },
    { path: `/pieces/${piece}/${fingering}` },
    { path: `/pieces/${piece}/${fingering}/lesson` },
    { method: 'POST', path: `/api/fingerings/${fingering}/handouts`, body: JSON.stringify(HANDOUT) },
    { method: 'DELETE', path: `/api/handouts/${handout}` },
    { method: 'PUT', path: `/api/handouts/${handout}`, body: JSON.stringify(RENEWAL) },
    { method: 'PATCH', path: `/api/questions/${question}`, body: '{"read":true}' },
    {
      method: 'POST',
      path: `/api/fingerings/${fingering}/versions`,
      body: JSON.stringify({ name: 'Mine', choices: [['b1v1', { finger: 1 }]] }),
    },
    { path: `/api/fingerings/${fingering}/history` },
    {
      method: 'PUT',
      path: `/api/fingerings/${fingering}/history`,
      body: JSON.stringify({ revision: 0, label: 'Mine' }),
    },
    { path: `/pieces/${piece}/versions` },
    { path: `/pieces/${piece}/compare?one=${fingering}&other=${fingering}` },
    { path: `/students/${student}` },
    { path: `/api/pieces/${piece}/source` },
    { method: 'PUT', path: `/api/pieces/${piece}/source`, body: '<score-partwise/>' },
    { path: `/pieces/${piece}/type` },
    { method: 'PATCH', path: `/api/pieces/${piece}`, body: '{"title":"Mine","composer":""}' },
    { method: 'DELETE', path: `/api/pieces/${piece}` },
    { method: 'POST', path: `/api/fingerings/${fingering}/edits`, body: JSON.stringify(edits) },
    ...['plan', 'log', 'log/csv', 'lesson'].map((name) => ({ path: `/students/${student}/${name}` })),
    ...practiceForms().map(([path, fields]) => ({
      method: 'POST',
      path: `/students/${student}/${path}`,
      headers: form,
      body: new URLSearchParams(fields).toString(),
    })),
    ...['rename', 'away', 'back', 'label'].map((name) => ({
      method: 'POST',
      path: `/pieces/${piece}/versions?/${name}`,
      headers: form,
      body: `version=${fingering}&name=Mine&label=Mine`,
    })),
    ...['save', 'archive', 'delete', 'version'].map((name) => ({
      method: 'POST',
      path: `/students/${student}?/${name}`,
      headers: form,
      body: `piece=${piece}&name=Somebody&hand=small&language=en&noteNames=letters&minutesADay=1&archived=no`,
    })),
  ];
};
/** Forms of the plan, the log and the lesson that would each change something, were they the teacher's own. */
const practiceForms = (): readonly (readonly [string, Readonly<Record<string, string>>])[] => [
  ['plan?/add', { piece, state: 'learning', until: '2027-01-31', tempo: '' }],
  ['plan?/change', { goal, state: 'resting', until: '2028-01-31' }],
  ['plan?/cut', { goal, tempo: '66' }],
  ['plan?/remove', { goal }],
  ['plan?/wish', { goal, spot: '1-1', kind: 'left-out' }],
  ['plan?/times', { minutesADay: '1', days: '1' }],
  ['plan?/link', {}],
  [
    'log?/write',
    { id: randomUUID(), day: '2026-11-26', work: '{"kind":"warm-up"}', minutes: '1', remark: '' },
  ],
  ['lesson?/note', { goal: '', bar: '', body: 'Mine' }],
  ['lesson?/done', { note, done: 'yes' }],
  ['lesson?/drop', { note }],
  ['lesson?/read', { question }],
];
const stateOfPiece = async () =>
  (
    await client.query(
      `select title, revision, f.name, f.deleted_at, s.name as student, s.archived_at is null as back,
         (select count(*) from labels where fingering_id = f.id) as labels,
         (select count(*) from handouts where fingering_id = f.id and revoked_at is null) as handouts,
         (select count(*) from questions where read_at is not null) as answered,
         (select count(*) from log_entries) as logged, s.minutes_a_day as minutes,
         (select json_agg(json_build_object('state', state, 'until', until, 'tempo', tempo, 'wishes', wishes, 'gone', removed_at))
          from course_goals where fingering_id = f.id) as goals,
         (select json_agg(json_build_object('body', body, 'done', done_at)) from lesson_notes where student_id = $2) as notes,
         (select token_hash from courses where student_id = $2) as link
       from pieces as p join fingerings as f on f.piece_id = p.id left join students as s on s.id = $2
       where p.id = $1`,
      [piece, student],
    )
  ).rows;

describe('what is a teacher’s', () => {
  it('is refused to nobody, to another teacher and to a session that is over, whatever is asked', async () => {
    const before = await stateOfPiece();
    const stranger = (await signedIn()).visitor;
    const { visitor: expired, teacher } = await signedIn();
    await client.query(`update sessions set ends_at = now() - interval '1 second' where teacher_id = $1`, [
      teacher,
    ]);
    for (const route of routes()) {
      const mine = await stranger.ask(route);
      // A form of a version asks for its fields first; nothing of it is done.
      expect([400, 404], `${route.method ?? 'GET'} ${route.path}`).toContain(mine.status);
      for (const nobody of [new Visitor(), expired]) {
        const { status, headers } = await nobody.ask(route);
        if (status === 303) expect(headers.location).toMatch(/^\/sign-in/);
        else expect(status, `${route.method ?? 'GET'} ${route.path}`).toBe(401);
      }
    }
    expect(await stateOfPiece()).toEqual(before);
  });

  it('shows lists of one’s own alone', async () => {
    const { visitor } = await signedIn();
    for (const path of ['/', '/students', '/instruments', '/account']) {
      const { status, text } = await visitor.ask({ path });
      expect(status).toBe(200);
      expect(text).not.toContain(piece);
      expect(text).not.toContain('Somebody');
    }
    const archive = await visitor.ask({ path: '/api/archive' });
    expect(archive.status).toBe(200);
    expect(archive.text).not.toContain(piece);
  });
});

describe('a session', () => {
  it('is a new one after signing in, and the one before is over', async () => {
    const { visitor, email } = await signedIn();
    const first = session(visitor)!;
    const planted = new Visitor();
    planted.cookies.set('oculon-session', 'planted-by-somebody');
    expect((await planted.signIn(email, PASSWORD)).status).toBe(303);
    expect(session(planted)).not.toBe('planted-by-somebody');
    await visitor.signIn(email, PASSWORD);
    expect(session(visitor)).not.toBe(first);
    const old = new Visitor();
    old.cookies.set('oculon-session', first);
    expect((await old.ask({ path: '/' })).status).toBe(303);
  });

  it('does not open again once it is signed out', async () => {
    const { visitor } = await signedIn();
    const kept = session(visitor)!;
    expect((await visitor.form('/sign-in?/out', {})).status).toBe(303);
    expect(session(visitor)).toBeUndefined();
    const again = new Visitor();
    again.cookies.set('oculon-session', kept);
    expect((await again.ask({ path: '/' })).headers.location).toMatch(/^\/sign-in/);
  });

  it('has a cookie that no script reads and no other page sends', async () => {
    const { email } = await account();
    const answer = await new Visitor().signIn(email, PASSWORD);
    const cookie = [answer.headers['set-cookie']].flat().find((each) => each?.startsWith('oculon-session='))!;
    expect(cookie).toMatch(/HttpOnly/i);
    expect(cookie).toMatch(/SameSite=Lax/i);
    expect(cookie).toMatch(/Path=\//i);
  });

  it('is not used by pages of another address', async () => {
    const { visitor } = await signedIn();
    const elsewhere = { origin: 'https://elsewhere.example' };
    for (const [path, fields] of [
      ['/account?/delete', { name: 'Other' }],
      ['/students?/add', { name: 'x' }],
      ['/sign-in?/out', {}],
    ] as const)
      expect((await visitor.form(path, fields, elsewhere)).status).toBe(403);
    expect((await visitor.ask({ path: '/account' })).text).not.toContain('Keep it after all');
  });

  it('leads back to where one wanted to go, and nowhere else', async () => {
    const { email } = await account();
    const visitor = new Visitor();
    const wanted = await visitor.ask({ path: '/students?x=1' });
    expect(wanted.headers.location).toBe('/sign-in?to=%2Fstudents%3Fx%3D1');
    for (const [to, leads] of [
      ['/students?x=1', '/students?x=1'],
      ['https://elsewhere.example', '/'],
      ['//elsewhere.example', '/'],
      ['/\\elsewhere.example', '/'],
    ] as const) {
      const answer = await new Visitor().form('/sign-in?/in', { email, password: PASSWORD, to });
      expect(answer.headers.location).toBe(leads);
    }
  });
});

describe('guessing', () => {
  it('a password is stopped, and its owner is let in from a browser of before', async () => {
    const { email } = await account();
    const owner = new Visitor();
    await owner.signIn(email, PASSWORD);
    await owner.form('/sign-in?/out', {});
    const guesser = new Visitor();
    const statuses = [];
    for (let guess = 0; guess < 12; guess += 1)
      statuses.push((await guesser.signIn(email, `guess number ${guess}`)).status);
    expect(statuses.slice(0, 8)).toEqual(Array.from({ length: 8 }, () => 401));
    expect(new Set(statuses.slice(8))).toEqual(new Set([429]));
    // The same network address as the one that guesses.
    expect((await owner.signIn(email, PASSWORD)).status).toBe(303);
    await client.query('delete from attempts');
  });

  it('a link is stopped', async () => {
    const statuses = [];
    for (let guess = 0; guess < 34; guess += 1)
      statuses.push(
        (await new Visitor().form('/reset', { ticket: `guess${guess}`, password: 'a new password' })).status,
      );
    expect(statuses[0]).toBe(410);
    expect(statuses.at(-1)).toBe(429);
    await client.query('delete from attempts');
  }, 60_000);

  it('whether an address is known tells nothing but the letter', async () => {
    const { email } = await account();
    const answers = await Promise.all(
      [email, `nobody-${randomUUID()}@oculon.example`].map(async (each) => {
        const visitor = new Visitor();
        const forgot = await visitor.form('/forgot', { email: each });
        const wrong = await visitor.signIn(each, 'a wrong password');
        return [
          forgot.status,
          forgot.text.replaceAll(each, ''),
          wrong.status,
          wrong.text.replaceAll(each, ''),
        ];
      }),
    );
    /** What a reader sees: the page without what the framework numbers anew for each answer. */
    const plain = (text: unknown) => /<main[^>]*>([^]*)<\/main>/.exec(String(text))?.[1] ?? text;
    expect(answers[0]!.map(plain)).toEqual(answers[1]!.map(plain));
    await client.query('delete from attempts');
  });
});

describe('an account', () => {
  it('is made by a link from a letter, once', async () => {
    const email = `new-${randomUUID()}@oculon.example`;
    const visitor = new Visitor();
    expect((await visitor.form('/register?/ask', { email })).status).toBe(200);
    const letter = async () =>
      (
        await client.query('select body from outbox where recipient = $1 order by created_at desc limit 1', [
          email,
        ])
      ).rows[0]?.body as string | undefined;
    await expect.poll(letter).toMatch(/register\?ticket=/);
    const ticket = /ticket=([\w-]+)/.exec((await letter())!)![1]!;
    const weak = await visitor.form('/register?/create', { ticket, name: 'N', password: 'short' });
    expect(weak.status).toBe(400);
    const made = await visitor.form('/register?/create', { ticket, name: 'N', password: PASSWORD });
    expect(made.status).toBe(303);
    expect((await visitor.ask({ path: '/' })).status).toBe(200);
    const again = await new Visitor().form('/register?/create', { ticket, name: 'M', password: PASSWORD });
    expect(again.status).toBe(410);
    expect(String(made.headers.location)).toBe('/');
  });

  it('gets a new password by a link, which signs out every other browser', async () => {
    const { visitor, email } = await signedIn();
    await new Visitor().form('/forgot', { email });
    const letter = async () =>
      (await client.query('select body from outbox where recipient = $1', [email])).rows[0]?.body as string;
    await expect.poll(letter).toMatch(/reset\?ticket=/);
    const ticket = /ticket=([\w-]+)/.exec(await letter())![1]!;
    const other = new Visitor();
    expect((await other.form('/reset', { ticket, password: 'stairs of glass' })).status).toBe(303);
    expect((await visitor.ask({ path: '/' })).status).toBe(303);
    expect((await new Visitor().signIn(email, PASSWORD)).status).toBe(401);
    expect((await new Visitor().signIn(email, 'stairs of glass')).status).toBe(303);
  });

  it('goes after a pause in which it can be kept', async () => {
    const { visitor, teacher } = await signedIn();
    expect((await visitor.form('/account?/delete', { name: 'Somebody else' })).status).toBe(400);
    await visitor.form('/account?/delete', { name: 'Other' });
    const due = async () =>
      (await client.query('select deletion_due_at as due from teachers where id = $1', [teacher])).rows[0]
        .due;
    const days = ((await due()).getTime() - Date.now()) / 86_400_000;
    expect(Math.round(days)).toBe(14);
    expect((await visitor.ask({ path: '/' })).text).toContain('Keep it after all');
    await visitor.form('/account?/keep', {});
    expect(await due()).toBeNull();
  });
});
