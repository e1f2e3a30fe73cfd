import { sveltekit } from '@sveltejs/kit/vite';
import tailwindcss from '@tailwindcss/vite';
import { defineConfig } from 'vitest/config';
import { withoutCostReasons } from './cost-reasons.ts';
import { onlyUsedGlyphs } from './used-glyphs.ts';

/**
 * What nearly every page needs, in few files. Left to itself the bundler writes a file for every set of pages that share
 * something: 37 for the student's page, most under one kB, each asked for by itself.
 */
const SHARED = [
  { name: 'frame', test: /node_modules\/(svelte|@sveltejs\/kit|devalue|clsx)\/|vite\/preload-helper/ },
  { name: 'schemas', test: /node_modules\/zod\// },
  { name: 'icons', test: /node_modules\/@lucide\// },
  {
    name: 'score',
    test: /core\/src\/(music\/(pitch|time|meter)|score\/score|instrument\/(guitar|string-sign)|fingering\/(mark-id|vocabulary))\.ts/,
  },
  {
    name: 'small',
    test: /lib\/(theme\.svelte|browser-storage\.svelte|save-file|sheet\/turn-page|engraving\/(fonts|drawing-queue)|sound\/(one-bar|balance|sound-settings|sound-event))\.ts/,
  },
];

export default defineConfig({
  plugins: [onlyUsedGlyphs(), withoutCostReasons(), tailwindcss(), sveltekit()],
  worker: { format: 'es', plugins: () => [withoutCostReasons()] },
  build: {
    chunkSizeWarningLimit: 700,
    rollupOptions: {
      output: { codeSplitting: { groups: SHARED.map((group) => ({ ...group, tags: ['$initial'] })) } },
      // The engraver is not marked as free of side effects, so that every part of it went to the browser, drawn with or not.
      treeshake: { moduleSideEffects: [{ test: /node_modules\/vexflow\//, sideEffects: false }] },
    },
  },
  test: { include: ['src/**/*.test.ts'], environment: 'node', maxWorkers: 2 },
});
