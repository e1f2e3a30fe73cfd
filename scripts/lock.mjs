import { linkSync, readFileSync, renameSync, rmSync, statSync, writeFileSync } from 'node:fs';

/** When a process was started, in ticks since the machine was: tells a process from a later one with its number. */
const startOf = (pid) => {
  try {
    return readFileSync(`/proc/${pid}/stat`, 'utf8').split(') ').at(-1).split(' ')[19];
  } catch {
    return undefined;
  }
};

const isAlive = (pid) => {
  try {
    process.kill(pid, 0);
    return true;
  } catch (error) {
    return error.code === 'EPERM';
  }
};

/** What this process writes into files that are its own for as long as it lives. */
export const identity = () => `${process.pid} ${startOf(process.pid) ?? ''}`;

/** Whether the process that wrote an identity still lives; nobody's for what is no identity. */
export const isOfLiving = (text) => {
  const [, pid, start] = /^(\d+) (\d*)$/.exec(text.trim()) ?? [];
  if (pid === undefined || !isAlive(Number(pid))) return false;
  const now = startOf(pid);
  return start === '' || now === undefined || now === start;
};

const readOrNothing = (file) => {
  try {
    return readFileSync(file, 'utf8');
  } catch {
    return undefined;
  }
};

/** An empty lock may be one that is just being written, for so long; ms. */
const YOUNG = 1000;

const isStale = (file, text) => {
  if (text.trim() !== '') return !isOfLiving(text);
  try {
    return Date.now() - statSync(file).mtimeMs > YOUNG;
  } catch {
    return false;
  }
};

const pause = (ms) => new Promise((resolve) => setTimeout(resolve, ms));

/** Takes the lock away from a process that is gone; puts it back when somebody else was quicker. */
const takeAway = (file, text) => {
  const aside = `${file}.${process.pid}.stale`;
  try {
    renameSync(file, aside);
    if (readFileSync(aside, 'utf8') !== text) linkSync(aside, file);
  } catch {
    // Somebody else took it away, or has a new one there already.
  }
  rmSync(aside, { force: true });
};

/**
 * One process at a time does `work`; the lock of a process that died, of another process that now has its number, and
 * one that is empty are taken over. `waiting` is told once when somebody else is at work.
 */
export const withLock = async (file, work, waiting = () => {}) => {
  const own = `${file}.${process.pid}`;
  let told = false;
  for (;;) {
    // Linked when it is whole: nobody sees a lock without its owner.
    writeFileSync(own, identity());
    try {
      linkSync(own, file);
      break;
    } catch (error) {
      if (error.code !== 'EEXIST') throw error;
      const text = readOrNothing(file);
      if (text !== undefined && isStale(file, text)) takeAway(file, text);
      else {
        if (!told) waiting();
        told = true;
        await pause(100);
      }
    } finally {
      rmSync(own, { force: true });
    }
  }
  try {
    return await work();
  } finally {
    rmSync(file, { force: true });
  }
};
