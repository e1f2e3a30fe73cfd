#!/usr/bin/env node
// Bundles the TypeScript sources once and keeps the bundle until a source changes: no build step, never stale.
// Bundling takes a third of a second, running the kept bundle a few hundredths.
import { mkdirSync, readdirSync, readFileSync, renameSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath, pathToFileURL } from 'node:url';

const root = fileURLToPath(new URL('../..', import.meta.url));
const sources = ['cli/src', 'core/src', 'package-lock.json'];
const cache = join(root, 'node_modules/.cache/oculon');

/** Newest change below a path, in ms. */
const newest = (path) => {
  const stat = statSync(path);
  if (!stat.isDirectory()) return stat.mtimeMs;
  return Math.max(stat.mtimeMs, ...readdirSync(path).map((name) => newest(join(path, name))));
};

const bundle = async () => {
  const { buildSync } = await import('esbuild');
  const { outputFiles } = buildSync({
    entryPoints: [join(root, 'cli/src/main.ts')],
    bundle: true,
    minify: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    write: false,
    logLevel: 'error',
  });
  return Buffer.from(outputFiles[0].contents);
};

const load = async () => {
  const file = join(cache, 'cli.mjs');
  const stampFile = join(cache, 'cli.stamp');
  const stamp = `${process.version} ${Math.max(...sources.map((each) => newest(join(root, each))))}`;
  try {
    if (readFileSync(stampFile, 'utf8') === stamp) return await import(pathToFileURL(file));
  } catch {
    // No bundle kept yet.
  }
  const code = await bundle();
  try {
    mkdirSync(cache, { recursive: true });
    writeFileSync(`${file}.${process.pid}`, code);
    renameSync(`${file}.${process.pid}`, file);
    writeFileSync(stampFile, stamp);
    return await import(pathToFileURL(file));
  } catch {
    // A folder that cannot be written to costs time, not function.
    return import(`data:text/javascript;base64,${code.toString('base64')}`);
  }
};

// Whoever reads our output may have seen enough of it.
process.stdout.on('error', (error) => process.exit(error.code === 'EPIPE' ? 0 : 1));
const leave = (error) => {
  const reason =
    error?.code === 'ERR_MODULE_NOT_FOUND' ? 'its packages are not there; run npm ci' : error?.message;
  process.stderr.write(`oculon: it could not be started: ${String(reason).split('\n')[0].slice(0, 200)}\n`);
  process.exit(1);
};
process.on('uncaughtException', leave);
process.on('unhandledRejection', leave);

const { main } = await load().catch(leave);
process.exitCode = await main(process.argv.slice(2));
