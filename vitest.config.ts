import { availableParallelism } from 'node:os';
import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: {
    // Also on a machine of two cores, where the default would leave one idle.
    maxWorkers: Math.max(2, availableParallelism()),
    projects: [
      {
        test: {
          name: 'core',
          root: 'core',
          include: ['{src,test}/**/*.test.ts'],
          testTimeout: 60_000,
          // Nothing in core changes anything outside itself: the files of a worker share what they have loaded.
          isolate: false,
        },
      },
      { test: { name: 'cli', root: 'cli', include: ['test/**/*.test.ts'], testTimeout: 30_000 } },
    ],
  },
});
