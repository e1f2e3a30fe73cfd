// Builds when needed and serves the application on the test database for the browser tests.
import { spawn } from 'node:child_process';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import pg from 'pg';
import { bin, fingerprint, ROOT, run } from '../../scripts/commands.mjs';

const WEB = join(ROOT, 'web');
const stampFile = join(WEB, 'build/.stamp');
const stamp = fingerprint(['core/src', 'web/src', 'web/static', 'web/package.json', 'package-lock.json']);
if (!existsSync(stampFile) || readFileSync(stampFile, 'utf8') !== stamp) {
  run(bin('vite'), ['build', '--logLevel', 'warn'], { cwd: WEB });
  writeFileSync(stampFile, stamp);
}

const client = new pg.Client({ connectionString: process.env.DATABASE_URL });
await client.connect();
await client.query(
  `insert into teachers (id, name) values ($1, 'Browser test') on conflict (id) do nothing`,
  [process.env.OCULON_TEACHER],
);
await client.end();

const server = spawn(process.execPath, ['build/index.js'], {
  cwd: WEB,
  stdio: 'inherit',
  env: {
    ...process.env,
    HOST: '127.0.0.1',
    ORIGIN: `http://127.0.0.1:${process.env.PORT}`,
    BODY_SIZE_LIMIT: '64M',
    SHUTDOWN_TIMEOUT: '1',
  },
});
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));
server.on('exit', (code) => process.exit(code ?? 0));
