import { checkNode, ensurePackages, runMain } from './commands.mjs';
import { runTypeScript } from './typescript.mjs';

runMain(async () => {
  checkNode();
  await ensurePackages();
  return runTypeScript('core/test/golden/golden.ts', process.argv.slice(2));
});
