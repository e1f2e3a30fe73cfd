import { readFileSync } from 'node:fs';
import { chromium } from '@playwright/test';
import pg from 'pg';
import { serveForBench } from './server.ts';

const PORT = 4292;
const ADDRESS = `http://127.0.0.1:${PORT}`;
const STUDIES = ['moth-hour', 'paper-kites', 'low-meadow-dance', 'one-thread', 'two-bells'];
/** Three years in which something was logged on every day, five things a day. */
const DAYS = 3 * 365;
const ROUNDS = 9;
const COLD_STARTS = 5;

const median = (values: readonly number[]): number =>
  values.toSorted((a, b) => a - b)[Math.floor(values.length / 2)]!;
const timed = async (work: () => Promise<unknown>): Promise<number> => {
  const started = performance.now();
  await work();
  return performance.now() - started;
};

const server = await serveForBench(PORT, {});
// Whatever fails, nothing is left running.
process.on('exit', server.end);
const client = new pg.Client({ connectionString: process.env.DATABASE_URL });
await client.connect();

const form = async (path: string, fields: Readonly<Record<string, string>>): Promise<string> => {
  const answer = await fetch(ADDRESS + path, {
    method: 'POST',
    headers: { origin: ADDRESS, accept: 'application/json' },
    body: new URLSearchParams(fields),
  });
  return answer.text();
};

const importStudy = async (name: string): Promise<string> => {
  const response = await fetch(`${ADDRESS}/api/pieces`, {
    method: 'POST',
    headers: {
      origin: ADDRESS,
      'content-type': 'application/octet-stream',
      'x-file-name': `${name}.musicxml`,
    },
    body: readFileSync(`demo/studies/${name}.musicxml`),
  });
  if (!response.ok) throw new Error(await response.text());
  return ((await response.json()) as { id: string }).id;
};

/** A student with five pieces in the plan and three years of log; gives their id and their link. */
const taught = async (): Promise<{ readonly student: string; readonly link: string }> => {
  const pieces = [];
  for (const name of STUDIES) pieces.push(await importStudy(name));
  const { rows } = await client.query(
    `insert into students (teacher_id, name, minutes_a_day) select teacher_id, 'Bench', 40 from pieces where id = $1
     returning id`,
    [pieces[0]],
  );
  const student = rows[0].id as string;
  for (const piece of pieces)
    await form(`/students/${student}/plan?/add`, {
      piece,
      state: 'learning',
      until: '2030-01-31',
      tempo: '',
    });
  await client.query(
    `insert into log_entries (teacher_id, course_id, id, practised_on, entry, by_teacher)
     select course.teacher_id, course.id, made.id, day, jsonb_build_object('id', made.id, 'day', day,
       'work', case when place = 1 then '{"kind": "warm-up"}'::jsonb else jsonb_build_object('kind', 'spot', 'goal', goal.id,
         'spot', (select min(key) from jsonb_object_keys(goal.practised->'bars') as key), 'drill', null) end,
       'minutes', 5, 'tempo', 40 + (day - current_date + $2) / 60, 'outcome', 'clean', 'felt', 'right', 'pain', null,
       'remark', ''), false
     from courses as course
     join (select *, row_number() over (order by created_at) as place from course_goals) as goal
       on goal.course_id = course.id
     cross join lateral (select current_date - days as day, gen_random_uuid() as id, goal.id as of_goal from generate_series(1, $2) as days) as made
     where course.student_id = $1`,
    [student, DAYS],
  );
  const link = /\/s\/practise\/[\w-]{43}/.exec(await form(`/students/${student}/plan?/link`, {}))![0];
  return { student, link };
};

const { student, link } = await taught();
const page = async (path: string): Promise<string> => (await fetch(ADDRESS + path)).text();
for (const [name, path] of [
  ['logbook', `/students/${student}/log`],
  ['practice plan', `/students/${student}/plan`],
  ['lesson', `/students/${student}/lesson`],
  ['the student’s page', link],
] as const) {
  const size = (await page(path)).length;
  const times = [];
  for (let round = 0; round < ROUNDS; round += 1) times.push(await timed(() => page(path)));
  console.log(
    `${name.padEnd(20)} ${Math.round(median(times))} ms, ${Math.round(size / 1024)} kB  (${DAYS * STUDIES.length} entries, ${STUDIES.length} pieces)`,
  );
}

const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox'] });
const cold: { readonly usable: number; readonly bytes: number }[] = [];
for (let start = 0; start < COLD_STARTS; start += 1) {
  const context = await browser.newContext({ viewport: { width: 390, height: 844 }, deviceScaleFactor: 2 });
  const phone = await context.newPage();
  let bytes = 0;
  const network = await context.newCDPSession(phone);
  await network.send('Network.enable');
  network.on('Network.loadingFinished', ({ encodedDataLength }) => (bytes += encodedDataLength));
  const started = performance.now();
  await phone.goto(ADDRESS + link);
  await phone.locator('main[data-ready="true"]').waitFor();
  cold.push({ usable: performance.now() - started, bytes });
  await context.close();
}
console.log(
  `session, cold phone  ${Math.round(median(cold.map(({ usable }) => usable)))} ms until it can be begun, ${Math.round(median(cold.map(({ bytes }) => bytes)) / 1024)} kB until then`,
);
await browser.close();
await client.end();
process.exit();
