import { checkNode, ensurePackages, runMain, say } from './commands.mjs';
import { runTypeScript } from './typescript.mjs';

runMain(async () => {
  checkNode();
  await ensurePackages();
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
    await cluster.leave();
  }
});
