import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import * as z from 'zod';
import { sentEditSchema, type SentEdit } from './saving.ts';

/** Edits that have not reached the server, kept in the browser so that closing the page loses nothing. */
interface PendingSchema extends DBSchema {
  pending: {
    key: [string, string];
    value: { fingering: string; tab: string; edits: unknown };
    indexes: { fingering: string };
  };
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
  }));

/** A name for this tab that others can see is in use as long as the tab lives. */
export const claimTab = (): string => {
  const tab = crypto.randomUUID();
  void navigator.locks?.request(LOCK_PREFIX + tab, () => new Promise(() => undefined));
  return tab;
};

export const keepPending = async (
  fingering: string,
  tab: string,
  edits: readonly SentEdit[],
): Promise<void> => {
  const db = await store();
  if (edits.length === 0) await db.delete('pending', [fingering, tab]);
  else await db.put('pending', { fingering, tab, edits: JSON.parse(JSON.stringify(edits)) });
};

/** Takes over what closed tabs left behind, oldest first. */
export const adoptPending = async (fingering: string, tab: string): Promise<SentEdit[]> => {
  const db = await store();
  const entries = await db.getAllFromIndex('pending', 'fingering', fingering);
  const { held = [] } = (await navigator.locks?.query()) ?? {};
  const alive = new Set(held.map((lock) => lock.name));
  const adopted: SentEdit[] = [];
  for (const entry of entries) {
    if (entry.tab !== tab && alive.has(LOCK_PREFIX + entry.tab)) continue;
    const edits = z.array(sentEditSchema).safeParse(entry.edits);
    if (edits.success) adopted.push(...edits.data);
    await db.delete('pending', [fingering, entry.tab]);
  }
  if (adopted.length > 0) await keepPending(fingering, tab, adopted);
  return adopted;
};
