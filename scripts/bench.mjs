import { rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { checkNode, ensurePackages, ROOT, runMain, runShown, say } from './commands.mjs';

/** Bundles a TypeScript file and runs it with the garbage collector within reach. */
const runTypeScript = async (entry, args = [], environment = process.env) => {
  const { buildSync } = await import('esbuild');
  const file = join(ROOT, 'node_modules/.cache', `bench-${process.pid}.mjs`);
  const { outputFiles } = buildSync({
    entryPoints: [join(ROOT, entry)],
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    packages: 'external',
    write: false,
  });
  writeFileSync(file, outputFiles[0].contents);
  try {
    return await runShown(process.execPath, ['--expose-gc', file, ...args], { env: environment });
  } finally {
    rmSync(file, { force: true });
  }
};

runMain(async () => {
  checkNode();
  ensurePackages();
  if (!process.argv.includes('--browser')) {
    say('Planning, medians; times a note in µs so that lengths compare:\n');
    const core = await runTypeScript('core/bench/plan.bench.ts');
    if (core !== 0 || process.argv.includes('--core')) return core;
  }
  const { startCluster } = await import('./postgres.mjs');
  const { migrate } = await import('../web/database/migrate.mjs');
  const cluster = await startCluster('test', 'oculon_bench');
  try {
    await migrate(cluster.url);
    say('\nIn the browser, 32 bars:\n');
    return await runTypeScript('web/bench/open.bench.ts', [], { ...process.env, DATABASE_URL: cluster.url });
  } finally {
    cluster.stop();
  }
});
