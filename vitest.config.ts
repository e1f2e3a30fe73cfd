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
          // In a hurry the planner is not held against whole passages and programs, and what takes longest is left out.
          include: [process.env.OCULON_QUICK ? 'src/**/*.test.ts' : '{src,test}/**/*.test.ts'],
          exclude: process.env.OCULON_QUICK ? ['**/{prices,tablature-staff,verovio}.test.ts'] : [],
          testTimeout: 60_000,
          // Nothing in core changes anything outside itself: the files of a worker share what they have loaded.
          isolate: false,
        },
      },
      { test: { name: 'cli', root: 'cli', include: ['test/**/*.test.ts'], testTimeout: 30_000 } },
    ],
  },
});
