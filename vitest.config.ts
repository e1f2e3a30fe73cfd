import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: {
    projects: [
      {
        test: { name: 'core', root: 'core', include: ['{src,test}/**/*.test.ts'], testTimeout: 60_000 },
      },
      { test: { name: 'cli', root: 'cli', include: ['test/**/*.test.ts'], testTimeout: 30_000 } },
    ],
  },
});
