// Builds when needed and serves the application on the test database: one server on each port that PORT names, each signed
// in as a teacher of its own, or as OCULON_TEACHER.
import { spawn } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { join } from 'node:path';
import pg from 'pg';
import { APPLICATION, bin, fingerprint, ROOT, runShown } from '../../scripts/commands.mjs';
import { buildApplication } from '../build.mjs';

const WEB = join(ROOT, 'web');
const stamp = fingerprint(APPLICATION);
await buildApplication(stamp, (args) => runShown(bin('vite'), args, { cwd: WEB }));

const client = new pg.Client({ connectionString: process.env.DATABASE_URL });
await client.connect();

/** Starts a server on a port; settles when it listens. */
const serve = async (port) => {
  const teacher = process.env.OCULON_TEACHER ?? randomUUID();
  await client.query(
    `insert into teachers (id, name) values ($1, 'Browser test') on conflict (id) do nothing`,
    [teacher],
  );
  const server = spawn(process.execPath, ['server/main.mjs'], {
    cwd: WEB,
    stdio: ['ignore', 'inherit', 'inherit', 'ipc'],
    env: {
      ...process.env,
      PORT: port,
      ORIGIN: `http://127.0.0.1:${port}`,
      OCULON_TEACHER: teacher,
      OCULON_ENDS_WITH: 'parent',
      HOST: '127.0.0.1',
      LOG_LEVEL: 'warn',
    },
  });
  for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));
  server.on('exit', (code) => process.exit(code ?? 0));
  await new Promise((resolve) => server.once('message', resolve));
};

for (const port of process.env.PORT.split(' ')) await serve(port);
await client.end();
