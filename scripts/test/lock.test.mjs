import { spawn } from 'node:child_process';
import { existsSync, mkdtempSync, rmSync, utimesSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { identity, isOfLiving, withLock } from '../lock.mjs';

let folder;
beforeAll(() => {
  folder = mkdtempSync(join(tmpdir(), 'oculon-lock-'));
});
afterAll(() => rmSync(folder, { recursive: true, force: true }));

const taken = async (file) => withLock(file, async () => existsSync(file));

it('is taken over from nobody: empty, senseless, of a process that is gone, of another that has its number', async () => {
  const gone = spawn(process.execPath, ['-e', '']);
  await new Promise((resolve) => gone.on('exit', resolve));
  for (const text of ['', 'nonsense', '0', '-1 5', `${gone.pid} 12345`, `${process.pid} 1`]) {
    const file = join(folder, 'lock');
    writeFileSync(file, text);
    if (text === '') utimesSync(file, new Date(0), new Date(0));
    expect(await taken(file)).toBe(true);
    expect(existsSync(file)).toBe(false);
  }
});

it('is held by one at a time', async () => {
  const file = join(folder, 'busy');
  expect(isOfLiving(identity())).toBe(true);
  // Another process waits until this one is done.
  const order = [];
  await withLock(file, async () => {
    const other = spawn(process.execPath, [
      '--input-type=module',
      '-e',
      `import { withLock } from ${JSON.stringify(new URL('../lock.mjs', import.meta.url).href)}; await withLock(${JSON.stringify(file)}, async () => {});`,
    ]);
    other.on('exit', () => order.push('other'));
    await new Promise((resolve) => setTimeout(resolve, 800));
    order.push('this');
  });
  await new Promise((resolve) => setTimeout(resolve, 600));
  expect(order).toEqual(['this', 'other']);
});
