// oculon-admin: what the operator does with teachers, on the database of DATABASE_URL or the demo's own.
import { rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { checkNode, ensurePackages, ROOT, runMain, runShown, SetupError } from './commands.mjs';

/** The application's own modules, bundled for the command line. */
const loadAdmin = async () => {
  const { build } = await import('esbuild');
  const file = join(ROOT, 'node_modules/.cache', `admin-${process.pid}.mjs`);
  const { outputFiles } = await build({
    entryPoints: [join(ROOT, 'web/admin/main.ts')],
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    packages: 'external',
    alias: {
      '$env/dynamic/private': join(ROOT, 'web/admin/environment.ts'),
      '@oculon/core': join(ROOT, 'core/src/index.ts'),
    },
    write: false,
    logLevel: 'error',
  });
  writeFileSync(file, outputFiles[0].contents);
  try {
    return await import(pathToFileURL(file));
  } finally {
    rmSync(file, { force: true });
  }
};

export const admin = async (args) => {
  checkNode();
  await ensurePackages();
  if (args[0] === 'backup')
    return runShown(process.execPath, [join(ROOT, 'scripts/backup.mjs'), ...args.slice(1)]);
  process.env.LOG_LEVEL ??= 'fatal';
  const { run, USAGE } = await loadAdmin();
  if (args.length === 0 || args[0] === 'help' || args[0] === '--help') {
    process.stdout.write(USAGE);
    return args.length === 0 ? 2 : 0;
  }
  const { startCluster } = await import('./postgres.mjs');
  const cluster = process.env.DATABASE_URL
    ? { url: process.env.DATABASE_URL, leave: async () => {} }
    : await startCluster(process.env.OCULON_CLUSTER || 'demo', 'oculon');
  try {
    const { reaching } = await import('./database.mjs');
    const { migrate } = await import('../web/database/migrate.mjs');
    await reaching(cluster.url, () => migrate(cluster.url));
    process.env.DATABASE_URL = cluster.url;
    const origin = (process.env.ORIGIN || 'http://127.0.0.1:4310').replace(/\/$/, '');
    process.stdout.write(await run(args, origin));
    return 0;
  } catch (error) {
    if (error.isUsage === undefined) throw error;
    if (!error.isUsage) throw new SetupError(`oculon-admin: ${error.message}.`);
    process.stderr.write(`oculon-admin: ${error.message}\n\n${USAGE}`);
    return 2;
  } finally {
    await cluster.leave();
  }
};

export const main = () => runMain(() => admin(process.argv.slice(2)));
