import { checkNode, ensurePackages, runMain } from './commands.mjs';
import { runTypeScript } from './typescript.mjs';

runMain(async () => {
  checkNode();
  await ensurePackages();
  return runTypeScript('web/database/write-schemas.ts');
});
