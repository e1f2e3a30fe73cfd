import { spawn } from 'node:child_process';
import { existsSync, mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:net';
import { join } from 'node:path';
import {
  bin,
  checkNode,
  ensurePackages,
  fingerprint,
  ROOT,
  run,
  runMain,
  say,
  SetupError,
} from './commands.mjs';

/** The demo's one teacher, an invention. */
const TEACHER = { id: '6b1f0c52-6f0e-4a0e-9d55-0c0a0d3f5a01', name: 'Marit Osse' };
const FIRST_PORT = 4310;

const isFree = (port) =>
  new Promise((resolve) => {
    const probe = createServer();
    probe.once('error', () => resolve(false));
    probe.listen(port, '127.0.0.1', () => probe.close(() => resolve(true)));
  });

const choosePort = async () => {
  if (process.env.PORT) {
    const wanted = Number(process.env.PORT);
    if (!(await isFree(wanted)))
      throw new SetupError(`Port ${wanted} is in use. Choose another one with PORT=… npm run demo.`);
    return wanted;
  }
  for (let port = FIRST_PORT; port < FIRST_PORT + 50; port += 1) if (await isFree(port)) return port;
  throw new SetupError(`No free port between ${FIRST_PORT} and ${FIRST_PORT + 49}.`);
};

const build = () => {
  const stampFile = join(ROOT, 'web/build/.stamp');
  const stamp = fingerprint(['core/src', 'web/src', 'web/static', 'web/package.json', 'package-lock.json']);
  if (existsSync(stampFile) && readFileSync(stampFile, 'utf8') === stamp) return;
  say('Building …');
  run(bin('vite'), ['build', '--logLevel', 'warn'], { cwd: join(ROOT, 'web') });
  mkdirSync(join(ROOT, 'web/build'), { recursive: true });
  writeFileSync(stampFile, stamp);
};

const waitUntilUp = async (address, server) => {
  for (let attempt = 0; attempt < 200; attempt += 1) {
    if (server.exitCode !== null) throw new SetupError('The server ended before it answered.');
    const answer = await fetch(`${address}/health`).catch(() => undefined);
    if (answer?.ok) return;
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  throw new SetupError('The server did not answer within 20 seconds.');
};

/** Imports the studies of `demo/studies` once, the way a teacher would. */
const loadStudies = async (address, url) => {
  const { default: pg } = await import('pg');
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  try {
    const { rows } = await client.query('select demo_loaded_at from teachers where id = $1', [TEACHER.id]);
    if (rows[0]?.demo_loaded_at) return;
    const folder = join(ROOT, 'demo/studies');
    for (const name of readdirSync(folder).sort()) {
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
    await client.query('update teachers set demo_loaded_at = now() where id = $1', [TEACHER.id]);
  } finally {
    await client.end();
  }
};

const createTeacher = async (url) => {
  const { default: pg } = await import('pg');
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  await client.query('insert into teachers (id, name) values ($1, $2) on conflict (id) do nothing', [
    TEACHER.id,
    TEACHER.name,
  ]);
  await client.end();
};

runMain(async () => {
  checkNode();
  ensurePackages();
  const isDevelopment = process.argv.includes('--dev');
  const { startCluster } = await import('./postgres.mjs');
  const cluster = process.env.DATABASE_URL
    ? { url: process.env.DATABASE_URL, stop: () => {} }
    : await startCluster('demo', 'oculon');
  let server;
  // From here on there is a database to stop: an interruption ends what runs and then leaves by the way below.
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => server?.kill('SIGTERM'));
  try {
    const { migrate } = await import('../web/database/migrate.mjs');
    await migrate(cluster.url);
    await createTeacher(cluster.url);
    const port = await choosePort();
    const address = `http://127.0.0.1:${port}`;
    if (!isDevelopment) build();
    const environment = {
      ...process.env,
      DATABASE_URL: cluster.url,
      OCULON_TEACHER: TEACHER.id,
      HOST: '127.0.0.1',
      PORT: String(port),
      ORIGIN: address,
      BODY_SIZE_LIMIT: '64M',
    };
    server = isDevelopment
      ? spawn(bin('vite'), ['dev', '--host', '127.0.0.1', '--port', String(port)], {
          cwd: join(ROOT, 'web'),
          env: environment,
          stdio: 'inherit',
        })
      : spawn(process.execPath, ['build/index.js'], {
          cwd: join(ROOT, 'web'),
          env: environment,
          stdio: ['ignore', 'inherit', 'inherit'],
        });
    const ended = new Promise((resolve) => server.once('exit', resolve));
    await waitUntilUp(address, server);
    await loadStudies(address, cluster.url);
    say(`\nOculon is ready: ${address}\nCtrl-C ends it.\n`);
    await ended;
    return 0;
  } finally {
    server?.kill('SIGTERM');
    cluster.stop();
  }
});
