// Builds the application and the thread that reads scores, when anything they are made of has changed.
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { join } from 'node:path';

const WEB = fileURLToPath(new URL('.', import.meta.url));

/** Bundles what runs in a thread of the server; returns the file. */
export const buildScoreReader = async (file = join(WEB, 'build/score-reader.mjs')) => {
  const { build } = await import('esbuild');
  await build({
    entryPoints: [join(WEB, 'src/lib/server/reading/worker.ts')],
    outfile: file,
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    logLevel: 'error',
  });
  return file;
};

/** `run` starts vite and settles when it has ended. */
export const buildApplication = async (stamp, run) => {
  const stampFile = join(WEB, 'build/.stamp');
  if (existsSync(stampFile) && readFileSync(stampFile, 'utf8') === stamp) return false;
  await run(['build', '--logLevel', 'warn']);
  await buildScoreReader();
  mkdirSync(join(WEB, 'build'), { recursive: true });
  writeFileSync(stampFile, stamp);
  return true;
};
