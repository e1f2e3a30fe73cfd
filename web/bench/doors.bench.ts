import { Buffer } from 'node:buffer';
import { hash } from '@node-rs/argon2';
import pg from 'pg';
import { tiledPiece } from '../../core/bench/pieces.ts';
import { serveForBench } from './server.ts';

const TEACHERS = 200;
const PIECES = 50;
/** Requests at once, as when many teachers begin their day. */
const AT_ONCE = 8;
/** Tries of each kind when answers for known and unknown addresses are compared. */
const TRIES = 200;
const PASSWORD = 'low meadow dance';

const quantile = (values: readonly number[], share: number): number =>
  values.toSorted((a, b) => a - b)[Math.min(values.length - 1, Math.floor(values.length * share))]!;
const told = (values: readonly number[]): string =>
  `median ${quantile(values, 0.5).toFixed(1)} ms, p95 ${quantile(values, 0.95).toFixed(1)} ms`;

const pool = new pg.Pool({ connectionString: process.env.DATABASE_URL });
const emailOf = (teacher: number): string => `teacher-${teacher}@bench.example`;

/** Teachers with pieces of 32 bars, each with one version. */
const seed = async (): Promise<void> => {
  const passwordHash = await hash(PASSWORD, {
    algorithm: 2,
    memoryCost: 19_456,
    timeCost: 2,
    parallelism: 1,
  });
  const content = Buffer.from(tiledPiece('two voices', { bars: 32 }));
  // A run that was broken off leaves its teachers behind.
  await pool.query(`delete from teachers where email like '%@bench.example'`);
  await pool.query(
    `insert into teachers (name, email, password_hash)
     select 'Teacher ' || n, 'teacher-' || n || '@bench.example', $2 from generate_series(0, $1::int - 1) as n`,
    [TEACHERS, passwordHash],
  );
  await pool.query(
    `insert into pieces (teacher_id, title, composer, bars, notes, key_fifths)
     select id, 'Piece ' || n, 'Nobody', 32, 400, 0
     from teachers, generate_series(1, $1::int) as n where email like '%@bench.example'`,
    [PIECES],
  );
  await pool.query(
    `insert into sources (piece_id, teacher_id, file_name, part_id, content, repairs)
     select id, teacher_id, 'piece.musicxml', 'P1', $1, '[]' from pieces where title like 'Piece %'`,
    [content],
  );
  await pool.query(
    `insert into fingerings (teacher_id, piece_id, maker)
     select teacher_id, id, 'Bench' from pieces where title like 'Piece %'`,
  );
  await pool.query('analyze');
};

/** Does something `count` times, some at once; tells how long each took, in ms. */
const timed = async (
  count: number,
  atOnce: number,
  work: (number: number) => Promise<void>,
): Promise<readonly number[]> => {
  const times: number[] = [];
  let next = 0;
  const worker = async (): Promise<void> => {
    while (next < count) {
      const number = next;
      next += 1;
      const started = performance.now();
      await work(number);
      times.push(performance.now() - started);
    }
  };
  await Promise.all(Array.from({ length: atOnce }, worker));
  return times;
};

await seed();
// Each try comes from a network address of its own, so that no count of failures stands in the way.
const { address, end } = await serveForBench(4292, {
  ADDRESS_HEADER: 'x-bench-address',
  ORIGIN: 'http://127.0.0.1:4292',
});
let from = 0;
const post = (path: string, fields: Readonly<Record<string, string>>): Promise<Response> => {
  from += 1;
  return fetch(address + path, {
    method: 'POST',
    redirect: 'manual',
    headers: {
      origin: address,
      accept: 'text/html',
      cookie: 'oculon-left=yes',
      'x-bench-address': `10.${from >> 16}.${(from >> 8) & 255}.${from & 255}`,
    },
    body: new URLSearchParams(fields),
  });
};
const expectStatus = async (answer: Response, status: number): Promise<Response> => {
  if (answer.status !== status)
    throw new Error(`status ${answer.status} in place of ${status}: ${answer.url}`);
  await answer.arrayBuffer();
  return answer;
};

try {
  const cookies: string[] = [];
  const signIns = (atOnce: number) =>
    timed(TEACHERS, atOnce, async (teacher) => {
      const answer = await expectStatus(
        await post('/sign-in?/in', { email: emailOf(teacher), password: PASSWORD }),
        303,
      );
      cookies[teacher] = answer.headers
        .getSetCookie()
        .map((each) => each.split(';')[0])
        .join('; ');
    });
  const libraries = (atOnce: number) =>
    timed(2 * TEACHERS, atOnce, async (number) => {
      const cookie = cookies[number % TEACHERS]!;
      await expectStatus(await fetch(`${address}/`, { redirect: 'manual', headers: { cookie } }), 200);
    });
  console.log(`sign-in, one at a time       ${told(await signIns(1))}`);
  console.log(`sign-in, ${AT_ONCE} at once           ${told(await signIns(AT_ONCE))}`);
  await libraries(AT_ONCE);
  console.log(`library, one at a time       ${told(await libraries(1))}`);
  console.log(`library, ${AT_ONCE} at once           ${told(await libraries(AT_ONCE))}`);

  for (const [name, path, status] of [
    ['wrong password', '/sign-in?/in', 401],
    ['forgotten password', '/forgot', 200],
  ] as const) {
    const [known, unknown]: [number[], number[]] = [[], []];
    for (let number = 0; number < TRIES; number += 1)
      // In turn, and which comes first in turn too: what else the machine does meets both alike.
      for (const kind of number % 2 === 0 ? [known, unknown] : [unknown, known]) {
        const email = kind === known ? emailOf(number) : `nobody-${number}@bench.example`;
        const [time] = await timed(1, 1, async () => {
          await expectStatus(await post(path, { email, password: 'not this one, no' }), status);
        });
        kind.push(time!);
        // What is done after the answer is no part of it, and must not fall into the next one.
        await new Promise((resolve) => setTimeout(resolve, 10));
      }
    const ratio = quantile(known, 0.5) / quantile(unknown, 0.5);
    console.log(
      `${name.padEnd(28)} known ${told(known)}; unknown ${told(unknown)}; medians ×${ratio.toFixed(3)}`,
    );
  }
} finally {
  end();
  await pool.end();
}
