// Builds when needed and serves the application on the test database for the browser tests.
import { spawn } from 'node:child_process';
import { join } from 'node:path';
import pg from 'pg';
import { bin, fingerprint, ROOT, runShown } from '../../scripts/commands.mjs';
import { buildApplication } from '../build.mjs';

const WEB = join(ROOT, 'web');
const stamp = fingerprint(['core/src', 'web/src', 'web/static', 'web/package.json', 'package-lock.json']);
await buildApplication(stamp, (args) => runShown(bin('vite'), args, { cwd: WEB }));

const client = new pg.Client({ connectionString: process.env.DATABASE_URL });
await client.connect();
await client.query(
  `insert into teachers (id, name) values ($1, 'Browser test') on conflict (id) do nothing`,
  [process.env.OCULON_TEACHER],
);
await client.end();

const server = spawn(process.execPath, ['server/main.mjs'], {
  cwd: WEB,
  stdio: ['ignore', 'inherit', 'inherit', 'ipc'],
  env: { ...process.env, OCULON_ENDS_WITH: 'parent', HOST: '127.0.0.1', LOG_LEVEL: 'warn' },
});
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));
server.on('exit', (code) => process.exit(code ?? 0));
