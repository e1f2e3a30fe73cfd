import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import * as z from 'zod/mini';
import { EDIT_FORMAT, readEdit } from '@oculon/core';
import type { SentEdit } from './saving.ts';

/** Edits that have not reached the server, kept in the browser so that closing the page loses nothing. */
interface PendingSchema extends DBSchema {
  pending: {
    key: [string, string];
    value: { fingering: string; tab: string; edits: unknown; aside?: unknown; format?: number };
    indexes: { fingering: string };
  };
}

/** What a page keeps: edits on their way, and those that the server refuses. */
export interface Kept {
  readonly pending: readonly SentEdit[];
  readonly aside: readonly SentEdit[];
}

/** Where a page keeps its edits. */
export interface PendingStore {
  /** Takes over what closed pages left behind, oldest first, each edit once. */
  adopt(fingering: string): Promise<Kept>;
  keep(fingering: string, kept: Kept): Promise<void>;
  /** Lets others adopt what is kept; nothing is kept any more after it. */
  release(): Promise<void>;
}

const LOCK_PREFIX = 'oculon-tab-';

let opened: Promise<IDBPDatabase<PendingSchema>> | undefined;
const store = () =>
  (opened ??= openDB<PendingSchema>('oculon', 1, {
    upgrade(db) {
      db.createObjectStore('pending', { keyPath: ['fingering', 'tab'] }).createIndex(
        'fingering',
        'fingering',
      );
    },
  }).catch((error: unknown) => {
    // Another try may find the browser's storage open again.
    opened = undefined;
    throw error;
  }));

const writtenSchema = z.catch(z.array(z.object({ id: z.uuid(), edit: z.unknown() })), []);

const editsIn = (written: unknown, format: number): readonly SentEdit[] =>
  writtenSchema.parse(written ?? []).flatMap(({ id, edit }): SentEdit[] => {
    const read = readEdit(format, edit);
    return read ? [{ id, edit: read }] : [];
  });

const once = (edits: readonly SentEdit[]): readonly SentEdit[] => [
  ...new Map(edits.map((each) => [each.id, each])).values(),
];

/** Pages of this tab that are closing: what they leave behind can be adopted once they are done. */
const closing = new Set<Promise<void>>();

/** The browser's own store. A page has a name that others can see is in use as long as it lives. */
export const browserStore = (): PendingStore => {
  const tab = crypto.randomUUID();
  let letGo: () => void = () => undefined;
  const lived = new Promise<void>((resolve) => {
    letGo = resolve;
  });
  void navigator.locks?.request(LOCK_PREFIX + tab, () => lived);
  /** Writes follow one another, so that the last one stands. */
  let writing: Promise<void> = Promise.resolve();
  let isReleased = false;

  const write = async (fingering: string, { pending, aside }: Kept): Promise<void> => {
    const db = await store();
    if (pending.length === 0 && aside.length === 0) await db.delete('pending', [fingering, tab]);
    else
      await db.put('pending', {
        fingering,
        tab,
        format: EDIT_FORMAT,
        edits: JSON.parse(JSON.stringify(pending)),
        aside: JSON.parse(JSON.stringify(aside)),
      });
  };
  const keep = (fingering: string, kept: Kept): Promise<void> => {
    if (isReleased) return Promise.resolve();
    const done = writing.then(() => write(fingering, kept));
    writing = done.catch(() => undefined);
    return done;
  };

  return {
    keep,
    async adopt(fingering) {
      await Promise.all(closing);
      const db = await store();
      const entries = await db.getAllFromIndex('pending', 'fingering', fingering);
      const { held = [] } = (await navigator.locks?.query()) ?? {};
      const alive = new Set(held.map((lock) => lock.name));
      const left = entries.filter((entry) => entry.tab === tab || !alive.has(LOCK_PREFIX + entry.tab));
      const adopted = {
        pending: once(left.flatMap((entry) => editsIn(entry.edits, entry.format ?? 1))),
        aside: once(left.flatMap((entry) => editsIn(entry.aside, entry.format ?? 1))),
      };
      // Kept under this page's name before the old entries go: nothing is in between.
      if (left.length > 0) await keep(fingering, adopted);
      for (const entry of left) if (entry.tab !== tab) await db.delete('pending', [fingering, entry.tab]);
      return adopted;
    },
    release() {
      isReleased = true;
      const done = writing.then(letGo);
      closing.add(done);
      void done.finally(() => closing.delete(done));
      return done;
    },
  };
};
