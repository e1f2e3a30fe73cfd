import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { MOST_SENT, type SentEntry } from '../practice/sent-entries.ts';
import { EntryQueue, type EntryStore, type KeptEntry, type Send } from './entry-queue.ts';

let count = 0;
const entry = (minutes: number): SentEntry => ({
  id: `00000000-0000-4000-8000-${String((count += 1)).padStart(12, '0')}`,
  day: '2026-11-26',
  work: { kind: 'warm-up' },
  minutes,
  tempo: null,
  outcome: null,
  felt: null,
  pain: null,
  remark: '',
  corrects: null,
  withdrawn: false,
});

/** A browser's store that outlives its pages. */
const store = () => {
  const kept = new Map<string, KeptEntry>();
  const browser: EntryStore = {
    all: async () => [...kept.values()].reverse(),
    put: async (each) => void kept.set(each.entry.id, each),
    remove: async (id) => void kept.delete(id),
  };
  return { kept, browser };
};

/** A server that keeps each entry once, and answers as it is told; `lost`: it takes the entries, but no answer comes. */
const server = () => {
  const log: SentEntry[] = [];
  const answers: ('taken' | 'lost' | 'away' | 'closed')[] = [];
  let clock = 0;
  const send: Send = async (entries) => {
    const answer = answers.shift() ?? 'taken';
    if (answer === 'away') return { kind: 'later' };
    if (answer === 'closed') return { kind: 'closed' };
    const wrong = entries.find(({ minutes }) => minutes === 13);
    if (wrong) return { kind: 'refused', message: 'thirteen' };
    for (const each of entries) if (!log.some(({ id }) => id === each.id)) log.push(each);
    return answer === 'lost' ? { kind: 'later' } : { kind: 'taken', at: time((clock += 1)) };
  };
  return { log, answers, send };
};
const time = (second: number): string => new Date(1_790_000_000_000 + 1000 * second).toISOString();
const LONG_AGO = time(-1000);

const open = async (browser: EntryStore, send: Send, asOf = LONG_AGO) => {
  const seen: { kept: readonly KeptEntry[]; isClosed: boolean } = { kept: [], isClosed: false };
  const queue = new EntryQueue(browser, send, (kept, isClosed) => Object.assign(seen, { kept, isClosed }));
  await queue.open(asOf);
  return { queue, seen };
};
const waiting = (kept: readonly KeptEntry[]) =>
  kept.filter(({ sentAt, refused }) => !sentAt && !refused).length;

describe('entries on their way', () => {
  it('arrive once and in order, whatever the network does and however often the page is opened', async () => {
    const act = fc.constantFrom('taken', 'lost', 'away', 'reopen', 'flush');
    await fc.assert(
      fc.asyncProperty(fc.array(act, { maxLength: 25 }), async (acts) => {
        const { browser } = store();
        const { log, answers, send } = server();
        let { queue } = await open(browser, send);
        const written: SentEntry[] = [];
        for (const each of acts) {
          if (each === 'reopen') ({ queue } = await open(browser, send));
          else if (each === 'flush') await queue.flush();
          else {
            answers.push(each);
            written.push(entry(1));
            await queue.write(written.at(-1)!, false);
          }
        }
        answers.length = 0;
        const last = await open(browser, send);
        expect(log.map(({ id }) => id)).toEqual(written.map(({ id }) => id));
        expect(waiting(last.seen.kept)).toBe(0);
      }),
    );
  });

  it('go in batches when there were many without a network', async () => {
    const { browser } = store();
    const { log, answers, send } = server();
    const sizes: number[] = [];
    const { queue } = await open(browser, async (entries) => {
      sizes.push(entries.length);
      return send(entries);
    });
    const many = Array.from({ length: MOST_SENT + 5 }, () => entry(1));
    answers.push(...many.map(() => 'away' as const));
    for (const each of many) await queue.write(each, false);
    sizes.length = 0;
    await queue.flush();
    expect(sizes).toEqual([MOST_SENT, 5]);
    expect(log).toHaveLength(MOST_SENT + 5);
  });

  it('are not sent while they are being written, and are when the page was closed over them', async () => {
    const { browser } = store();
    const { log, send } = server();
    const { queue } = await open(browser, send);
    const begun = entry(1);
    await queue.write(begun, true);
    await queue.write({ ...begun, minutes: 2 }, true);
    await queue.flush();
    expect(log).toEqual([]);
    await open(browser, send);
    expect(log).toMatchObject([{ id: begun.id, minutes: 2 }]);
  });

  it('are forgotten when they were held and dropped', async () => {
    const { kept, browser } = store();
    const { log, send } = server();
    const { queue } = await open(browser, send);
    const begun = entry(1);
    await queue.write(begun, true);
    await queue.drop(begun.id);
    await open(browser, send);
    expect([log.length, kept.size]).toEqual([0, 0]);
  });

  it('are not held up by one that cannot be read', async () => {
    const { browser } = store();
    const { log, answers, send } = server();
    const { queue, seen } = await open(browser, send);
    answers.push('away', 'away');
    await queue.write(entry(1), false);
    await queue.write(entry(13), false);
    await queue.write(entry(3), false);
    expect(log.map(({ minutes }) => minutes)).toEqual([1, 3]);
    expect(seen.kept.map(({ refused }) => refused)).toEqual([undefined, 'thirteen', undefined]);
  });

  it('wait when the server is busy in the midst of that, and do not ask it on and on', async () => {
    const { browser } = store();
    let asked = 0;
    const { queue, seen } = await open(browser, async (entries) => {
      asked += 1;
      return asked <= 2 || entries.length === 1
        ? { kind: 'later' }
        : { kind: 'refused', message: 'one of them' };
    });
    await queue.write(entry(1), false);
    await queue.write(entry(13), false);
    asked = 2;
    await queue.flush();
    expect(asked).toBe(4);
    expect(waiting(seen.kept)).toBe(2);
  });

  it('stay in the browser when the link opens nothing any more', async () => {
    const { kept, browser } = store();
    const { answers, send } = server();
    const { queue, seen } = await open(browser, send);
    answers.push('closed');
    await queue.write(entry(1), false);
    expect([seen.isClosed, kept.size]).toEqual([true, 1]);
  });

  it('are let go of once a page tells them that was read after they were taken', async () => {
    const { kept, browser } = store();
    const { send } = server();
    const { queue } = await open(browser, send);
    await queue.write(entry(1), false);
    // A page that was kept before: what was sent since must not be missing from it.
    expect((await open(browser, send, time(0))).seen.kept).toHaveLength(1);
    expect((await open(browser, send, time(1))).seen.kept).toHaveLength(0);
    expect(kept.size).toBe(0);
  });
});
