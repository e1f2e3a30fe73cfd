import { rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT, runShown } from './commands.mjs';

/** Bundles a TypeScript file and runs it with the garbage collector within reach. */
export const runTypeScript = async (entry, args = [], environment = process.env) => {
  const { buildSync } = await import('esbuild');
  const file = join(ROOT, 'node_modules/.cache', `script-${process.pid}.mjs`);
  const { outputFiles } = buildSync({
    entryPoints: [join(ROOT, entry)],
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    packages: 'external',
    alias: { '@oculon/core': join(ROOT, 'core/src/index.ts') },
    write: false,
  });
  writeFileSync(file, outputFiles[0].contents);
  try {
    return await runShown(process.execPath, ['--expose-gc', file, ...args], { env: environment });
  } finally {
    rmSync(file, { force: true });
  }
};
