import { sveltekit } from '@sveltejs/kit/vite';
import tailwindcss from '@tailwindcss/vite';
import { defineConfig } from 'vitest/config';
import { onlyUsedGlyphs } from './used-glyphs.ts';

export default defineConfig({
  plugins: [onlyUsedGlyphs(), tailwindcss(), sveltekit()],
  worker: { format: 'es' },
  build: {
    chunkSizeWarningLimit: 700,
    rollupOptions: {
      // The engraver is not marked as free of side effects, so that every part of it went to the browser, drawn with or not.
      treeshake: { moduleSideEffects: [{ test: /node_modules\/vexflow\//, sideEffects: false }] },
    },
  },
  test: { include: ['src/**/*.test.ts'], environment: 'node', maxWorkers: 2 },
});
