import { spawn } from 'node:child_process';
import { fileURLToPath } from 'node:url';
import type { TestProject } from 'vitest/node';

declare module 'vitest' {
  export interface ProvidedContext {
    address: string;
    teacher: string;
  }
}

const PORT = 4292;
const TEACHER = '2c9d0b7e-41f5-4b55-9a63-7f8d50a6c301';

/** Builds and starts the server for all tests; ends it after them, and fails when it ended before. */
export default async function serve(project: TestProject) {
  const address = `http://127.0.0.1:${PORT}`;
  const server = spawn(process.execPath, ['e2e/serve.mjs'], {
    cwd: fileURLToPath(new URL('..', import.meta.url)),
    stdio: ['ignore', 'ignore', 'inherit'],
    env: {
      ...process.env,
      PORT: String(PORT),
      ORIGIN: address,
      OCULON_TEACHER: TEACHER,
      OCULON_REGISTRATION: 'open',
      LOG_LEVEL: 'fatal',
    },
  });
  for (let attempt = 0; ; attempt += 1) {
    const answer = await fetch(`${address}/health`).catch(() => undefined);
    if (answer?.ok) break;
    if (attempt > 600 || server.exitCode !== null) throw new Error('the server did not come up');
    await new Promise((resolve) => setTimeout(resolve, 200));
  }
  project.provide('address', address);
  project.provide('teacher', TEACHER);
  return async () => {
    const died = server.exitCode !== null;
    server.kill('SIGTERM');
    if (died) throw new Error('the server ended during the tests');
    await new Promise((resolve) => server.once('exit', resolve));
  };
}
