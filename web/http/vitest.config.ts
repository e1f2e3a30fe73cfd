import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vitest/config';

/** Requests against the built server, as anybody may send them. */
export default defineConfig({
  test: {
    root: fileURLToPath(new URL('.', import.meta.url)),
    include: ['*.test.ts'],
    globalSetup: './served.ts',
    fileParallelism: false,
    testTimeout: 40_000,
    hookTimeout: 120_000,
  },
});
