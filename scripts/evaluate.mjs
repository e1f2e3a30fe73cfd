import { bin, checkNode, ensurePackages, runMain, runShown } from './commands.mjs';
import { runTypeScript } from './typescript.mjs';

runMain(async () => {
  checkNode();
  await ensurePackages();
  const programs = [
    'core/test/solve-line.test.ts',
    'core/test/right-program.test.ts',
    'core/test/passages.test.ts',
  ];
  const code = await runShown(bin('vitest'), ['run', '--project', 'core', ...programs], {
    env: { ...process.env, OCULON_PROGRAMS: '200' },
  });
  return code === 0 ? runTypeScript('core/test/report.ts') : code;
});
