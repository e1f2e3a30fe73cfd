import { checkNode, ensurePackages, runMain, say } from './commands.mjs';
import { runTypeScript } from './typescript.mjs';

runMain(async () => {
  checkNode();
  await ensurePackages();
  const only = process.argv.find((each) =>
    ['--core', '--browser', '--workbench', '--doors', '--practice', '--lesson'].includes(each),
  );
  if (!only || only === '--core') {
    say('Planning, medians; times a note in µs so that lengths compare:\n');
    const core = await runTypeScript('core/bench/plan.bench.ts');
    if (core !== 0 || only) return core;
  }
  const { startCluster } = await import('./postgres.mjs');
  const { migrate } = await import('../web/database/migrate.mjs');
  const cluster = await startCluster('test', 'oculon_bench');
  try {
    await migrate(cluster.url);
    const environment = { ...process.env, DATABASE_URL: cluster.url };
    if (!only || only === '--doors') {
      say('\nAt the door, 200 teachers with 50 pieces each:\n');
      const doors = await runTypeScript('web/bench/doors.bench.ts', [], environment);
      if (doors !== 0 || only) return doors;
    }
    if (!only || only === '--practice') {
      say('\nPractice, three years of log:\n');
      const practice = await runTypeScript('web/bench/practice.bench.ts', [], environment);
      if (practice !== 0 || only) return practice;
    }
    if (!only || only === '--lesson') {
      say('\nWhat the student takes home:\n');
      const lesson = await runTypeScript('web/bench/lesson.bench.ts', [], environment);
      if (lesson !== 0 || only) return lesson;
    }
    if (only !== '--workbench') {
      say('\nIn the browser, 32 bars:\n');
      const opening = await runTypeScript('web/bench/open.bench.ts', [], environment);
      if (opening !== 0) return opening;
    }
    say('');
    return await runTypeScript('web/bench/workbench.bench.ts', [], environment);
  } finally {
    await cluster.leave();
  }
});
