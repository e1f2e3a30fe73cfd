import { spawn, spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, readdirSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const ROOT = fileURLToPath(new URL('..', import.meta.url)).replace(/\/$/, '');
export const isRoot = process.getuid?.() === 0;

/** Something is missing that the user can put right; printed without a stack. */
export class SetupError extends Error {}

export const say = (text) => process.stdout.write(`${text}\n`);

/** Runs a command to its end; throws with its output when it fails. */
export const run = (command, args, options = {}) => {
  const result = spawnSync(command, args, { encoding: 'utf8', cwd: ROOT, ...options });
  if (result.error) throw new SetupError(`${command} could not be started: ${result.error.message}`);
  if (result.status !== 0)
    throw new SetupError(
      `${command} ${args.join(' ')} failed:\n${result.stdout ?? ''}${result.stderr ?? ''}`,
    );
  return result.stdout ?? '';
};

/** Runs a command with its output shown; resolves to its exit code. */
export const runShown = (command, args, options = {}) =>
  new Promise((resolve) => {
    const child = spawn(command, args, { stdio: 'inherit', cwd: ROOT, ...options });
    child.on('error', (error) => {
      say(`${command} could not be started: ${error.message}`);
      resolve(127);
    });
    child.on('exit', (code, signal) => resolve(code ?? (signal ? 130 : 1)));
  });

/** A file of `node_modules/.bin`, started directly so that it ends with its parent. */
export const bin = (name) => join(ROOT, 'node_modules/.bin', name);

/** Installs Debian packages; needs root or sudo without a password. */
export const installDebianPackages = (packages, purpose) => {
  const manual = `sudo apt-get install -y --no-install-recommends ${packages.join(' ')}`;
  if (!existsSync('/usr/bin/apt-get'))
    throw new SetupError(`${purpose} is missing and this is no Debian machine. Install it, then try again.`);
  const prefix = isRoot ? [] : ['sudo', '-n'];
  if (!isRoot && spawnSync('sudo', ['-n', 'true']).status !== 0)
    throw new SetupError(`${purpose} is missing. Install it with:\n  ${manual}`);
  say(`Installing ${purpose} (${packages.join(' ')}) …`);
  const environment = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
  const [first, ...rest] = [...prefix, 'apt-get'];
  run(first, [...rest, 'update', '-qq'], { env: environment });
  run(first, [...rest, 'install', '-y', '-qq', '--no-install-recommends', ...packages], { env: environment });
};

/** Installs the npm packages of the lock file when they are not there yet or older than it. */
export const ensurePackages = async () => {
  const installed = join(ROOT, 'node_modules/.package-lock.json');
  const lock = join(ROOT, 'package-lock.json');
  if (existsSync(installed) && statSync(installed).mtimeMs >= statSync(lock).mtimeMs) return;
  say('Installing npm packages …');
  const code = await runShown('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error']);
  if (code !== 0) throw new SetupError('The npm packages could not be installed; see above.');
};

/** Fails early and clearly on a Node that the packages do not support. */
export const checkNode = () => {
  const [major, minor] = process.versions.node.split('.').map(Number);
  if (major !== 20 || minor < 19)
    throw new SetupError(`Oculon needs Node 20.19 or a later 20; this is ${process.version}.`);
};

/** What the built application is made of. */
export const APPLICATION = [
  'core/src',
  'web/src',
  'web/static',
  'web/package.json',
  'web/vite.config.ts',
  'web/cost-reasons.ts',
  'web/used-glyphs.ts',
  'package-lock.json',
];

/** A digest of names, sizes and times of all files below some folders: changes when any of them does. */
export const fingerprint = (folders) => {
  const hash = createHash('sha256');
  const visit = (path) => {
    const stat = statSync(path);
    if (stat.isDirectory()) {
      for (const name of readdirSync(path).sort()) visit(join(path, name));
    } else hash.update(`${path} ${stat.size} ${stat.mtimeMs}\n`);
  };
  for (const folder of folders) visit(join(ROOT, folder));
  return hash.digest('hex');
};

const INTERRUPTED = 130;

/** Runs `main`, printing what the user can put right in plain words. */
export const runMain = (main) => {
  main().then(
    (code) => process.exit(code ?? 0),
    (error) => {
      if (error?.constructor?.name === 'Interrupted') process.exit(INTERRUPTED);
      process.stderr.write(`\n${error instanceof SetupError ? error.message : error.stack}\n`);
      process.exit(1);
    },
  );
};
