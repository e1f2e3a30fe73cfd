import { spawn, type ChildProcess } from 'node:child_process';
import { join } from 'node:path';

/** Serves the application, built when needed, for a bench; `end` it afterwards. */
export const serveForBench = async (
  port: number,
  environment: Readonly<Record<string, string>>,
): Promise<{ readonly address: string; readonly end: () => void }> => {
  const address = `http://127.0.0.1:${port}`;
  const server: ChildProcess = spawn(process.execPath, [join('web', 'e2e', 'serve.mjs')], {
    stdio: ['ignore', 'ignore', 'inherit'],
    env: {
      ...process.env,
      PORT: String(port),
      OCULON_TEACHER: '1d7a3a52-0c55-4b7e-8a53-9c1f3f7a2b10',
      ...environment,
    },
  });
  for (let attempt = 0; attempt < 900; attempt += 1) {
    const answer = await fetch(`${address}/health`).catch(() => undefined);
    if (answer?.ok) return { address, end: () => server.kill() };
    await new Promise((resolve) => setTimeout(resolve, 200));
  }
  server.kill();
  throw new Error('the server did not answer');
};
