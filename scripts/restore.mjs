// npm run restore FILE: puts a backup in the place of the demo's database, or that of DATABASE_URL.
import { resolve } from 'node:path';
import { checkNode, ensurePackages, runMain, say, SetupError } from './commands.mjs';

runMain(async () => {
  checkNode();
  const [file] = process.argv.slice(2);
  if (file === undefined) throw new SetupError('Name the file: npm run restore -- FILE');
  await ensurePackages();
  const { startCluster } = await import('./postgres.mjs');
  const { restoreBackup } = await import('./backup-file.mjs');
  const cluster = process.env.DATABASE_URL
    ? { url: process.env.DATABASE_URL, leave: async () => {} }
    : await startCluster('demo', 'oculon');
  try {
    const { pieces, edits, before } = await restoreBackup(cluster.url, resolve(file), Date.now());
    say(
      `Restored: ${pieces} pieces with ${edits} decisions. What was there before is kept in the database ${before}.`,
    );
    return 0;
  } finally {
    await cluster.leave();
  }
});
