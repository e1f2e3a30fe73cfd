import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vitest/config';

/** How the demo starts and ends, its locks and its backups; needs PostgreSQL's programs and a built application. */
export default defineConfig({
  test: {
    root: fileURLToPath(new URL('.', import.meta.url)),
    include: ['*.test.mjs'],
    fileParallelism: false,
    testTimeout: 90_000,
    hookTimeout: 90_000,
  },
});
