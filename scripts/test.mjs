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
  say,
} from './commands.mjs';
import { freshDatabase } from './fresh-database.mjs';
import { runQuietly } from './processes.mjs';

const WEB = join(ROOT, 'web');

/** What checks remember of files that did not change since; a fresh checkout remembers nothing. */
const cache = (name) => join(ROOT, 'node_modules/.cache', name);
const types = (project) => [
  '-p',
  `${project}.json`,
  '--incremental',
  '--tsBuildInfoFile',
  cache(`${project.replace('/', '-')}.tsbuildinfo`),
];

/** Checks that only read, two at a time: each is a command with its output kept until it is done. */
const READING = [
  [
    'Formatting',
    bin('prettier'),
    ['--check', '--cache', '--cache-location', cache('formatting'), '--log-level', 'warn', '.'],
    {},
  ],
  ['Lint', bin('eslint'), ['--max-warnings', '0', '--cache', '--cache-location', cache('eslint'), '.'], {}],
  ['The fonts', process.execPath, [join(ROOT, 'scripts/fonts.mjs'), '--check'], {}],
  ['Types of core', bin('tsc'), types('core/tsconfig'), {}],
  ['Types of the tests of core', bin('tsc'), types('core/tsconfig.test'), {}],
  ['Types of the command line', bin('tsc'), types('cli/tsconfig'), {}],
  [
    'Types of web',
    bin('svelte-check'),
    ['--threshold', 'warning', '--fail-on-warnings', '--output', 'human'],
    { cwd: WEB },
  ],
];

/**
 * The tests in order; the first that fails ends the run. What needs the built application is left out when quick, and so are
 * the command line, which is started anew for every test, and what holds the planner against passages and programs.
 */
const tests = (quick, environment) => [
  [
    'Unit tests',
    bin('vitest'),
    quick ? ['run', '--project', 'core'] : ['run'],
    quick ? { env: { ...process.env, OCULON_QUICK: 'yes' } } : {},
  ],
  ['Tests of web with the database', bin('vitest'), ['run'], { cwd: WEB, env: environment }],
  ...(quick
    ? []
    : [
        [
          'HTTP against the built server',
          bin('vitest'),
          ['run', '--config', 'http/vitest.config.ts'],
          { cwd: WEB, env: environment },
        ],
        [
          'Start, stop, backup',
          bin('vitest'),
          ['run', '--config', 'scripts/test/vitest.config.mjs'],
          { env: environment },
        ],
        ['Browser tests', bin('playwright'), ['test'], { cwd: WEB, env: environment }],
      ]),
];

const seconds = (started) => `${((Date.now() - started) / 1000).toFixed(1)} s`;

const runStep = async ([name, command, args, options]) => {
  say(`\n── ${name}`);
  const started = Date.now();
  const code = await runShown(command, args, options);
  say(code === 0 ? `${name}: ${seconds(started)}` : `\n${name}: failed`);
  return code === 0;
};

/** Runs the reading checks; true when all hold. */
const runReading = async () => {
  const waiting = [...READING];
  let isGood = true;
  const worker = async () => {
    for (let step = waiting.shift(); step && isGood; step = waiting.shift()) {
      const [name, command, args, options] = step;
      const started = Date.now();
      try {
        await runQuietly(command, args, options);
        say(`${name}: ${seconds(started)}`);
      } catch (error) {
        isGood = false;
        say(`\n${name}: failed\n${error.message}`);
      }
    }
  };
  await Promise.all([worker(), worker()]);
  return isGood;
};

runMain(async () => {
  checkNode();
  await ensurePackages();
  const quick = process.argv.includes('--quick');
  if (!quick && !existsSync('/usr/bin/chromium')) installDebianPackages(['chromium'], 'Chromium');
  const { startCluster } = await import('./postgres.mjs');
  const cluster = process.env.DATABASE_URL
    ? { url: process.env.DATABASE_URL, leave: async () => {} }
    : await startCluster('test', 'oculon');
  try {
    const database = await freshDatabase(cluster.url);
    try {
      const environment = { ...process.env, DATABASE_URL: database.url };
      if (!(await runStep(['Preparing web', bin('svelte-kit'), ['sync'], { cwd: WEB }]))) return 1;
      if (!(await runReading())) return 1;
      for (const step of tests(quick, environment)) if (!(await runStep(step))) return 1;
      say('\nAll checks passed.');
      return 0;
    } finally {
      await database.drop();
    }
  } finally {
    await cluster.leave();
  }
});
