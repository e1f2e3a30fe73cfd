// npm run backup [FILE]: keeps the demo's database, or that of DATABASE_URL, in one file.
import { join } from 'node:path';
import { checkNode, ensurePackages, ROOT, runMain, say } from './commands.mjs';

const stamp = () => new Date().toISOString().slice(0, 19).replaceAll(':', '-');

runMain(async () => {
  checkNode();
  await ensurePackages();
  const { startCluster } = await import('./postgres.mjs');
  const { writeBackup } = await import('./backup-file.mjs');
  const cluster = process.env.DATABASE_URL
    ? { url: process.env.DATABASE_URL, leave: async () => {} }
    : await startCluster('demo', 'oculon');
  try {
    const wanted = process.argv[2] ?? join(ROOT, 'backups', `oculon-${stamp()}.backup`);
    const { file, bytes } = await writeBackup(cluster.url, wanted);
    say(
      `Kept and read again: ${file} (${Math.ceil(bytes / 1024)} kB). Restore it with npm run restore -- ${file}`,
    );
    return 0;
  } finally {
    await cluster.leave();
  }
});
