import { EMPTY_FINGERING } from '@oculon/core';
import * as Comlink from 'comlink';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type * as Client from './client.ts';

let opened: string[];
let ended: number;

/** A worker of one thread: it notes what it is told to open. */
class NotingWorker {
  readonly #channel = new MessageChannel();
  constructor() {
    Comlink.expose(
      {
        open(bytes: Uint8Array) {
          const text = new TextDecoder().decode(bytes);
          opened.push(text);
          if (text === 'unreadable') throw new Error('gone');
          return { ok: false, error: text };
        },
        planAhead: () => {},
      },
      this.#channel.port2 as unknown as Comlink.Endpoint,
    );
    this.#channel.port1.start();
  }
  postMessage(message: unknown, transfer: Transferable[]) {
    this.#channel.port1.postMessage(message, transfer as never);
  }
  addEventListener(kind: string, listener: (event: unknown) => void) {
    this.#channel.port1.addEventListener(kind, listener as never);
  }
  removeEventListener(kind: string, listener: (event: unknown) => void) {
    this.#channel.port1.removeEventListener(kind, listener as never);
  }
  terminate() {
    ended += 1;
    this.#channel.port1.close();
  }
}

let client: typeof Client;
beforeEach(async () => {
  opened = [];
  ended = 0;
  vi.stubGlobal('Worker', NotingWorker);
  vi.resetModules();
  client = await import('./client.ts');
});
afterEach(() => {
  vi.unstubAllGlobals();
});

const file = (content: string) => ({
  bytes: new TextEncoder().encode(content).buffer,
  digest: `digest of ${content}`,
});
const wanted = { digest: 'digest of song', part: 'P1' };

describe('a planner that is given back', () => {
  it('keeps what lies open in it for the next page of the same piece', async () => {
    const desk = client.takePlanner();
    expect(desk.hasOpen(wanted)).toBeUndefined();
    const answer = await desk.open(file('song'), 'P1');
    desk.release(false);

    const lesson = client.takePlanner();
    expect(await lesson.hasOpen(wanted)).toEqual(answer);
    expect(lesson.hasOpen({ ...wanted, part: 'P2' })).toBeUndefined();
    expect(lesson.hasOpen({ ...wanted, digest: 'digest of song, corrected' })).toBeUndefined();
    lesson.release(true);
    expect(ended).toBe(1);
    expect(opened).toEqual(['song']);
  });

  it('has forgotten a piece when something else was read since, or reading it failed', async () => {
    const desk = client.takePlanner();
    await desk.open(file('song'), 'P1');
    await desk.openBytes(new TextEncoder().encode('a drill'));
    expect(desk.hasOpen(wanted)).toBeUndefined();
    await desk.open(file('unreadable'), 'P1').catch(() => {});
    expect(desk.hasOpen({ digest: 'digest of unreadable', part: 'P1' })).toBeUndefined();
    desk.release(true);
  });

  it('reads ahead only what does not lie open in it, and the page keeps its copy of the file', async () => {
    client.startPlanner();
    const source = file('song');
    const version = { part: 'P1', source: Promise.resolve(source), fingering: EMPTY_FINGERING };
    await client.readAhead(version);
    await client.readAhead(version);
    expect(opened).toEqual(['song']);
    expect(source.bytes.byteLength).toBe(4);
    client.takePlanner().release(true);
  });
});
