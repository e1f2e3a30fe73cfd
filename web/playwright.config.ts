import { defineConfig } from '@playwright/test';

/** Tests work in as many browsers at once; each has a server on a port of its own, from this one on. */
const WORKERS = 2;
const FIRST_PORT = 4290;

export const addressOf = (worker: number): string => `http://127.0.0.1:${FIRST_PORT + worker}`;

export default defineConfig({
  testDir: 'e2e',
  // What takes long has a command of its own.
  ...(process.env.OCULON_LONG ? { testMatch: 'long/*.spec.ts' } : { testIgnore: 'long/**' }),
  // A machine may be three times as slow as the one they were written on; none of them is about time.
  timeout: 180_000,
  expect: { timeout: 30_000 },
  // What is measured in time is measured alone.
  workers: process.env.OCULON_LONG ? 1 : WORKERS,
  reporter: [['list']],
  use: {
    viewport: { width: 1280, height: 800 },
    launchOptions: {
      executablePath: '/usr/bin/chromium',
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
        // A test presses keys, which the browser does not take for a person's.
        '--autoplay-policy=no-user-gesture-required',
      ],
    },
  },
  webServer: {
    command: 'node e2e/serve.mjs',
    url: `${addressOf(WORKERS - 1)}/health`,
    timeout: 180_000,
    stdout: 'ignore',
    stderr: 'pipe',
    env: {
      PORT: Array.from({ length: WORKERS }, (_, worker) => FIRST_PORT + worker).join(' '),
      OCULON_REGISTRATION: 'open',
      OCULON_SHOW_OUTBOX: 'yes',
    },
  },
});
