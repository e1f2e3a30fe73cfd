import { readdirSync, readFileSync } from 'node:fs';
import { createServer } from 'node:net';
import { join } from 'node:path';
import {
  APPLICATION,
  bin,
  checkNode,
  ensurePackages,
  fingerprint,
  ROOT,
  runMain,
  say,
  SetupError,
} from './commands.mjs';
import { end, endWithUs, runQuietly, start, throwIfInterrupted, wasInterrupted } from './processes.mjs';

/** The demo's teachers, inventions: it starts signed in as the first; the second is there to be tried. */
const TEACHER = {
  id: '6b1f0c52-6f0e-4a0e-9d55-0c0a0d3f5a01',
  name: 'Marit Osse',
  email: 'marit.osse@oculon.example',
  password: 'moth hour in the low meadow',
};
const SECOND = {
  id: '0e7c9f04-5c1d-4d43-8d0a-51f7a8c4e702',
  name: 'Tomas Vael',
  email: 'tomas.vael@oculon.example',
  password: 'two bells and a slow ferry',
};
/** Their guitars and the first one's students, as a teacher would have put them in. */
const INSTRUMENTS = [
  ['Studio guitar', 650, 19, false],
  ['The small one', 580, 18, false],
  ['Left-handed cedar', 640, 19, true],
];
const STUDENTS = [
  ['J. Sand', 'second year, first pieces in two voices', 'en', 'small', 'The small one', 20],
  ['Inés R.', 'fourth year, easy studies with barres', 'es', 'medium', 'Studio guitar', 40],
  ['Odd', 'came back after years; large hands, little time', 'en', 'large', 'Left-handed cedar', 25],
];
/** As the application hashes passwords (OWASP's current minimum for Argon2id). */
const PASSWORD_COST = { memoryCost: 19_456, timeCost: 2, parallelism: 1 };
const FIRST_PORT = 4310;
const WEB = join(ROOT, 'web');
/** Any number that nothing else locks: one start at a time loads the studies. */
const LOADING_LOCK = 7_240_115;

const isFree = (port) =>
  new Promise((resolve) => {
    const probe = createServer();
    probe.once('error', () => resolve(false));
    probe.listen(port, '127.0.0.1', () => probe.close(() => resolve(true)));
  });

const wantedPort = async () => {
  const { readPort, SetupProblem } = await import('../web/server/address.mjs');
  try {
    return readPort(process.env.PORT);
  } catch (error) {
    throw error instanceof SetupProblem ? new SetupError(error.message) : error;
  }
};

const freePort = async (wanted, from) => {
  if (wanted !== undefined) {
    if (!(await isFree(wanted)))
      throw new SetupError(`Port ${wanted} is in use. Choose another one with PORT=… npm run demo.`);
    return wanted;
  }
  for (let port = from; port < from + 50; port += 1) if (await isFree(port)) return port;
  throw new SetupError(`No free port between ${from} and ${from + 49}.`);
};

const build = async () => {
  const { buildApplication } = await import('../web/build.mjs');
  const { withLock } = await import('./lock.mjs');
  const stamp = fingerprint(APPLICATION);
  await withLock(join(ROOT, 'node_modules/.building'), () =>
    buildApplication(stamp, (args) => {
      say('Building …');
      return runQuietly(bin('vite'), args, { cwd: WEB });
    }),
  );
};

const isUp = async (address, server, tells) => {
  let isListening = !tells;
  server.on('message', () => (isListening = true));
  for (let attempt = 0; attempt < 200; attempt += 1) {
    throwIfInterrupted();
    if (server.exitCode !== null || server.signalCode !== null) return false;
    // Another server may answer on the same port before ours has found it taken.
    const answer = isListening && (await fetch(`${address}/health`).catch(() => undefined));
    if (answer?.ok) return true;
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  throw new SetupError('The server did not answer within 20 seconds.');
};

/** Imports the studies of `demo/studies` once, the way a teacher would; what an interrupted start left out follows. */
const loadStudies = async (address, url) => {
  const { withClient } = await import('./database.mjs');
  await withClient(url, async (client) => {
    await client.query('select pg_advisory_lock($1)', [LOADING_LOCK]);
    const { rows } = await client.query('select demo_loaded_at from teachers where id = $1', [TEACHER.id]);
    if (rows[0]?.demo_loaded_at) return;
    const there = await client.query('select file_name as "name" from sources where teacher_id = $1', [
      TEACHER.id,
    ]);
    const known = new Set(there.rows.map(({ name }) => name));
    const folder = join(ROOT, 'demo/studies');
    for (const name of readdirSync(folder).sort()) {
      throwIfInterrupted();
      if (known.has(name)) continue;
      const response = await fetch(`${address}/api/pieces`, {
        method: 'POST',
        headers: {
          'content-type': 'application/octet-stream',
          'x-file-name': encodeURIComponent(name),
          origin: address,
        },
        body: readFileSync(join(folder, name)),
      });
      if (!response.ok) throw new SetupError(`The demo study ${name} was refused: ${await response.text()}`);
    }
    await loadStudents(client);
    throwIfInterrupted();
    const { loadPractice } = await import('./demo-practice.mjs');
    await loadPractice(client, address, TEACHER.id, STUDENTS[0][0]);
    await client.query('update teachers set demo_loaded_at = now() where id = $1', [TEACHER.id]);
  });
};

const prepareDatabase = async (url) => {
  const { reaching, withClient } = await import('./database.mjs');
  const { migrate } = await import('../web/database/migrate.mjs');
  await reaching(url, () => migrate(url));
  const { hash } = await import('@node-rs/argon2');
  await withClient(url, async (client) => {
    for (const { id, name, email, password } of [TEACHER, SECOND]) {
      const { rows } = await client.query('select password_hash as hash from teachers where id = $1', [id]);
      if (rows[0]?.hash) continue;
      await client.query(
        `insert into teachers (id, name, email, password_hash) values ($1, $2, $3, $4)
         on conflict (id) do update set email = excluded.email, password_hash = excluded.password_hash`,
        [id, name, email, await hash(password, PASSWORD_COST)],
      );
    }
  });
};

/** Students and instruments, once. */
const loadStudents = async (client) => {
  for (const [name, scaleLength, frets, leftHanded] of INSTRUMENTS)
    await client.query(
      `insert into instruments (teacher_id, name, scale_length, frets, left_handed) values ($1, $2, $3, $4, $5)
       on conflict (teacher_id, name) do nothing`,
      [TEACHER.id, name, scaleLength, frets, leftHanded],
    );
  for (const [name, level, language, hand, instrument, minutes] of STUDENTS)
    await client.query(
      `insert into students (teacher_id, name, level, language, note_names, hand, instrument_id, minutes_a_day)
       select $1, $2, $3, $4, case $4 when 'es' then 'solfege' else 'letters' end, $5,
         (select id from instruments where teacher_id = $1 and name = $6), $7
       where not exists (select 1 from students where teacher_id = $1 and name = $2)`,
      [TEACHER.id, name, level, language, hand, instrument, minutes],
    );
};

/** Starts the server on a free port; another start may have been quicker to take it, then on the next one. */
const startServer = async (url, isDevelopment) => {
  const wanted = await wantedPort();
  for (let from = FIRST_PORT; ; from += 1) {
    const port = await freePort(wanted, from);
    const address = `http://127.0.0.1:${port}`;
    const env = {
      ...process.env,
      DATABASE_URL: url,
      OCULON_TEACHER: TEACHER.id,
      OCULON_REGISTRATION: process.env.OCULON_REGISTRATION || 'open',
      OCULON_SHOW_OUTBOX: process.env.OCULON_SMTP ? 'no' : 'yes',
      OCULON_ENDS_WITH: 'parent',
      HOST: '127.0.0.1',
      PORT: String(port),
      ORIGIN: address,
      LOG_LEVEL: process.env.LOG_LEVEL ?? 'warn',
    };
    if (isDevelopment) {
      const { buildScoreReader } = await import('../web/build.mjs');
      env.OCULON_SCORE_READER = await buildScoreReader(join(ROOT, 'node_modules/.cache/score-reader.mjs'));
    }
    const [command, args] = isDevelopment
      ? [bin('vite'), ['dev', '--host', '127.0.0.1', '--port', String(port), '--strictPort']]
      : [process.execPath, ['server/main.mjs']];
    const server = start(command, args, { cwd: WEB, env, stdio: ['ignore', 'inherit', 'inherit', 'ipc'] });
    const ended = new Promise((resolve) => {
      server.once('exit', (code, signal) => resolve({ code, signal }));
    });
    if (await isUp(address, server, !isDevelopment)) return { server, address, ended };
    if (wanted !== undefined || from > FIRST_PORT + 5)
      throw new SetupError('The server ended before it answered.');
  }
};

/** Settles when the database server is gone. */
const endOfPostmaster = (pid) =>
  new Promise((resolve) => {
    const watch = setInterval(() => {
      try {
        process.kill(pid, 0);
      } catch (error) {
        if (error.code === 'EPERM') return;
        clearInterval(watch);
        resolve();
      }
    }, 500);
    watch.unref();
  });

runMain(async () => {
  endWithUs();
  checkNode();
  await wantedPort();
  await ensurePackages();
  throwIfInterrupted();
  const isDevelopment = process.argv.includes('--dev');
  const { startCluster } = await import('./postgres.mjs');
  const cluster = process.env.DATABASE_URL
    ? { url: process.env.DATABASE_URL, postmaster: undefined, leave: async () => {} }
    : await startCluster(process.env.OCULON_CLUSTER || 'demo', 'oculon');
  let server;
  try {
    throwIfInterrupted();
    await prepareDatabase(cluster.url);
    throwIfInterrupted();
    if (!isDevelopment) await build();
    const running = await startServer(cluster.url, isDevelopment);
    server = running.server;
    await loadStudies(running.address, cluster.url);
    say(
      `\nOculon is ready: ${running.address}\nYou are signed in as ${TEACHER.name} (${TEACHER.email}, “${TEACHER.password}”).\nAnother teacher to try: ${SECOND.email}, “${SECOND.password}”.\nCtrl-C ends it.\n`,
    );
    const what = await Promise.race([
      running.ended.then(({ code, signal }) => `The server ended (${signal ?? `code ${code}`}).`),
      ...(cluster.postmaster === undefined
        ? []
        : [endOfPostmaster(cluster.postmaster).then(() => 'The database server ended.')]),
    ]);
    if (wasInterrupted()) return 0;
    say(`\n${what} Start Oculon again with npm run demo; nothing that was saved is lost.`);
    return 1;
  } finally {
    if (server) await end(server);
    await cluster.leave();
  }
});
