import { defineConfig } from '@playwright/test';

const PORT = 4290;

/** The teacher that the browser tests work as; the server makes sure there is one. */
export const TEACHER = '1d7a3a52-0c55-4b7e-8a53-9c1f3f7a2b10';

export default defineConfig({
  testDir: 'e2e',
  // What takes long has a command of its own.
  ...(process.env.OCULON_LONG ? { testMatch: 'long/*.spec.ts' } : { testIgnore: 'long/**' }),
  timeout: 60_000,
  expect: { timeout: 15_000 },
  workers: 1,
  reporter: [['list']],
  use: {
    baseURL: `http://127.0.0.1:${PORT}`,
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
    url: `http://127.0.0.1:${PORT}/health`,
    timeout: 180_000,
    stdout: 'ignore',
    stderr: 'pipe',
    env: {
      PORT: String(PORT),
      ORIGIN: `http://127.0.0.1:${PORT}`,
      OCULON_TEACHER: TEACHER,
      OCULON_REGISTRATION: 'open',
      OCULON_SHOW_OUTBOX: 'yes',
    },
  },
});
