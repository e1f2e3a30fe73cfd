// npm run fuzz [-- FILES [FIRST_SEED]]: mutated scores and archives against the reader, the planner and the writer, each
// in a process with limits of time and memory. The same seeds give the same files.
import { fork } from 'node:child_process';
import { mkdirSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { availableParallelism } from 'node:os';
import { checkNode, ensurePackages, ROOT, runMain, say } from './commands.mjs';

const FILES = 10_000;
const FIRST_SEED = 1;
/** Files tried by one process before the next one starts afresh. */
const BATCH = 250;
/** What one file may take: time in ms, memory of its process in MB. */
const MOST_TIME = 5000;
const MOST_MEMORY = 500;

runMain(async () => {
  checkNode();
  await ensurePackages();
  const [files = FILES, firstSeed = FIRST_SEED] = process.argv.slice(2).map(Number);
  const { buildSync } = await import('esbuild');
  const file = join(ROOT, 'node_modules/.cache', `fuzz-${process.pid}.mjs`);
  mkdirSync(join(ROOT, 'node_modules/.cache'), { recursive: true });
  buildSync({
    entryPoints: [join(ROOT, 'core/test/fuzz/child.ts')],
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    outfile: file,
    logLevel: 'error',
  });
  const counts = { refused: 0, planned: 0 };
  const faults = [];
  const slowest = { ms: 0, seed: 0 };
  let next = firstSeed;
  const last = firstSeed + files;

  /** Tries a range of seeds; after a fault that ends the process another goes on behind it. */
  const tryRange = (from, to) =>
    new Promise((resolve) => {
      const child = fork(file, [String(from), String(to)], {
        execArgv: [`--max-old-space-size=${MOST_MEMORY}`],
        stdio: ['ignore', 'ignore', 'ignore', 'ipc'],
      });
      let seed = from;
      let began = performance.now();
      let hung = false;
      const watch = setInterval(() => {
        if (performance.now() - began < MOST_TIME) return;
        hung = true;
        child.kill('SIGKILL');
      }, 200);
      child.on('message', (message) => {
        const { state } = message;
        seed = message.seed;
        if (state === 'begins') began = performance.now();
        else {
          const ms = performance.now() - began;
          if (ms > slowest.ms) Object.assign(slowest, { ms, seed });
          if (state === 'threw') faults.push({ seed, what: message.error });
          else counts[state] += 1;
        }
      });
      child.on('exit', (code) => {
        clearInterval(watch);
        if (code === 0) resolve(to);
        else {
          faults.push({
            seed,
            what: hung
              ? `longer than ${MOST_TIME / 1000} s`
              : `more than ${MOST_MEMORY} MB, or the process died`,
          });
          resolve(seed + 1);
        }
      });
    });

  const worker = async () => {
    while (next < last) {
      const from = next;
      const to = Math.min(last, from + BATCH);
      next = to;
      for (let at = from; at < to;) at = await tryRange(at, to);
      say(`${Math.min(next, last) - firstSeed} of ${files} files`);
    }
  };
  try {
    await Promise.all(Array.from({ length: availableParallelism() }, worker));
  } finally {
    rmSync(file, { force: true });
  }
  say(
    `\n${files} files from seed ${firstSeed}: ${counts.planned} planned, ${counts.refused} refused with a message.`,
  );
  say(`Slowest: ${Math.round(slowest.ms)} ms (seed ${slowest.seed}).`);
  if (faults.length === 0) {
    say('No exception, nothing over the limits.');
    return 0;
  }
  for (const { seed, what } of faults.slice(0, 40)) say(`seed ${seed}: ${what}`);
  writeFileSync(join(ROOT, 'node_modules/.cache/fuzz-faults.json'), JSON.stringify(faults, null, 1));
  say(`${faults.length} faults.`);
  return 1;
});
