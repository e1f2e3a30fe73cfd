import { spawn } from 'node:child_process';
import { ROOT, SetupError } from './commands.mjs';

/** The work was interrupted: everything it started is ended, and nothing needs to be said. */
export class Interrupted extends Error {}

/** What runs on our behalf now. */
const children = new Set();
let isInterrupted = false;
/** How long a child may take to end when it is asked to, in ms; then it is killed. */
const PATIENCE = 1800;

export const throwIfInterrupted = () => {
  if (isInterrupted) throw new Interrupted();
};

/** Starts a process that ends when we are interrupted. */
export const start = (command, args, options = {}) => {
  throwIfInterrupted();
  const child = spawn(command, args, { cwd: ROOT, ...options });
  children.add(child);
  child.on('exit', () => children.delete(child));
  child.on('error', () => children.delete(child));
  return child;
};

/** Asks a process to end, and kills it when it does not; settles when it has ended. */
export const end = (child) =>
  new Promise((resolve) => {
    if (child.exitCode !== null || child.signalCode !== null || child.pid === undefined) {
      resolve();
      return;
    }
    child.once('exit', resolve);
    child.kill('SIGTERM');
    setTimeout(() => child.kill('SIGKILL'), PATIENCE).unref();
  });

const interrupt = () => {
  isInterrupted = true;
  for (const child of children) void end(child);
};

/** From now on an interruption, or the end of whoever started us, ends what runs and lets the work end by its own way. */
export const endWithUs = () => {
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, interrupt);
  const parent = process.ppid;
  setInterval(() => {
    if (process.ppid !== parent) interrupt();
  }, 500).unref();
};

export const wasInterrupted = () => isInterrupted;

/** Runs a command to its end without holding up anything else; throws with its output when it fails. */
export const runQuietly = async (command, args, options = {}) => {
  const child = start(command, args, { stdio: ['ignore', 'pipe', 'pipe'], ...options });
  let output = '';
  child.stdout?.on('data', (data) => (output += data));
  child.stderr?.on('data', (data) => (output += data));
  const code = await new Promise((resolve, reject) => {
    child.on('error', (error) => reject(new SetupError(`${command} could not be started: ${error.message}`)));
    child.on('close', (status) => resolve(status));
  });
  throwIfInterrupted();
  if (code !== 0) throw new SetupError(`${command} ${args.join(' ')} failed:\n${output}`);
  return output;
};
