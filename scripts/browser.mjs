import { existsSync } from 'node:fs';
import { join } from 'node:path';
import {
  bin,
  checkNode,
  ensurePackages,
  installDebianPackages,
  ROOT,
  runMain,
  runShown,
} from './commands.mjs';
import { freshDatabase } from './fresh-database.mjs';

/** The browser tests that take long, on a database of their own. */
runMain(async () => {
  checkNode();
  await ensurePackages();
  if (!existsSync('/usr/bin/chromium')) installDebianPackages(['chromium'], 'Chromium');
  const { startCluster } = await import('./postgres.mjs');
  const cluster = process.env.DATABASE_URL
    ? { url: process.env.DATABASE_URL, leave: async () => {} }
    : await startCluster('test', 'oculon');
  try {
    const database = await freshDatabase(cluster.url);
    try {
      const env = { ...process.env, DATABASE_URL: database.url, OCULON_LONG: 'yes' };
      return await runShown(bin('playwright'), ['test'], { cwd: join(ROOT, 'web'), env });
    } finally {
      await database.drop();
    }
  } finally {
    await cluster.leave();
  }
});
