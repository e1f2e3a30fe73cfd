import { Mutex } from 'async-mutex';
import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import * as z from 'zod/mini';
import { MOST_SENT, sentEntrySchema, type SentEntry } from '../practice/sent-entries.ts';

/** An entry as it lies in the browser. */
export interface KeptEntry {
  readonly entry: SentEntry;
  /** In which order it was written. */
  readonly place: number;
  /** Still being written: not sent before it is done, or the page is opened anew. */
  readonly isHeld: boolean;
  /** When the server took it, by the server's clock, as an ISO time. */
  readonly sentAt: string | undefined;
  /** Why the server will never take it. */
  readonly refused: string | undefined;
}

/** Where entries are kept until the server has them. */
export interface EntryStore {
  readonly all: () => Promise<readonly KeptEntry[]>;
  readonly put: (kept: KeptEntry) => Promise<void>;
  readonly remove: (id: string) => Promise<void>;
}

/** What became of entries that were sent. */
export type SendOutcome =
  | { readonly kind: 'taken'; readonly at: string }
  /** Not now: another time. */
  | { readonly kind: 'later' }
  /** The link opens nothing any more: nothing is sent, and everything is kept. */
  | { readonly kind: 'closed' }
  /** Cannot be read as it is: it will never be taken. */
  | { readonly kind: 'refused'; readonly message: string };

export type Send = (entries: readonly SentEntry[]) => Promise<SendOutcome>;

/**
 * What a student logs, on its way: kept in the browser at once, sent when there is a network, in the order in which it was
 * written; what is sent twice is kept once by the server.
 */
export class EntryQueue {
  #kept: KeptEntry[] = [];
  readonly #turn = new Mutex();
  constructor(
    private readonly store: EntryStore,
    private readonly send: Send,
    private readonly onChange: (kept: readonly KeptEntry[], isClosed: boolean) => void,
  ) {}

  /** Takes over what the browser has kept; what the server told as of a time is let go of. */
  async open(asOf: string): Promise<void> {
    for (const kept of await this.store.all()) {
      if (kept.sentAt !== undefined && kept.sentAt <= asOf) await this.store.remove(kept.entry.id);
      else this.#kept.push({ ...kept, isHeld: false });
    }
    this.#kept.sort((a, b) => a.place - b.place);
    this.#tell();
    await this.flush();
  }

  /** Writes an entry down, or writes it anew while it is held; `isHeld`: more of it is to come. */
  async write(entry: SentEntry, isHeld: boolean): Promise<void> {
    const at = this.#kept.findIndex((each) => each.entry.id === entry.id);
    const place = this.#kept[at]?.place ?? (this.#kept.at(-1)?.place ?? 0) + 1;
    const kept: KeptEntry = { entry, place, isHeld, sentAt: undefined, refused: undefined };
    if (at < 0) this.#kept.push(kept);
    else this.#kept[at] = kept;
    this.#tell();
    await this.store.put(kept);
    if (!isHeld) await this.flush();
  }

  /** Forgets an entry that is held. */
  async drop(id: string): Promise<void> {
    this.#kept = this.#kept.filter(({ entry, isHeld }) => entry.id !== id || !isHeld);
    this.#tell();
    await this.store.remove(id);
  }

  /** Sends what waits; one at a time, so that the order stays. */
  flush(): Promise<void> {
    return this.#turn.runExclusive(async () => {
      for (let batch = this.#waiting(MOST_SENT); batch.length > 0; batch = this.#waiting(MOST_SENT)) {
        const outcome = await this.send(batch.map(({ entry }) => entry));
        if (outcome.kind === 'later') return;
        if (outcome.kind === 'closed') return this.#tell(true);
        if (outcome.kind !== 'refused' || batch.length === 1) await this.#settle(batch, outcome);
        else if (!(await this.#oneByOne(batch))) return;
      }
    });
  }

  /** One that cannot be read must not hold up the others; false when the rest has to wait. */
  async #oneByOne(batch: readonly KeptEntry[]): Promise<boolean> {
    for (const kept of batch) {
      const outcome = await this.send([kept.entry]);
      if (outcome.kind === 'later' || outcome.kind === 'closed') return false;
      await this.#settle([kept], outcome);
    }
    return true;
  }

  async #settle(batch: readonly KeptEntry[], outcome: SendOutcome): Promise<void> {
    const change =
      outcome.kind === 'taken'
        ? { sentAt: outcome.at }
        : outcome.kind === 'refused'
          ? { refused: outcome.message }
          : {};
    for (const { entry } of batch) {
      const at = this.#kept.findIndex((each) => each.entry.id === entry.id);
      this.#kept[at] = { ...this.#kept[at]!, ...change };
      await this.store.put(this.#kept[at]);
    }
    this.#tell();
  }

  #waiting(most: number): readonly KeptEntry[] {
    return this.#kept.filter(({ isHeld, sentAt, refused }) => !isHeld && !sentAt && !refused).slice(0, most);
  }

  #tell(isClosed = false): void {
    this.onChange([...this.#kept], isClosed);
  }
}

interface PracticeSchema extends DBSchema {
  entries: {
    key: [string, string];
    value: { page: string; id: string; kept: unknown };
    indexes: { page: string };
  };
}

const keptSchema = z.object({
  entry: sentEntrySchema,
  place: z.number(),
  isHeld: z.boolean(),
  sentAt: z.optional(z.string()),
  refused: z.optional(z.string()),
});

/** The browser's own store, one for each page. */
export const browserEntries = (page: string): EntryStore => {
  let opened: Promise<IDBPDatabase<PracticeSchema>> | undefined;
  const store = () =>
    (opened ??= openDB<PracticeSchema>('oculon-practice', 1, {
      upgrade: (db) =>
        db.createObjectStore('entries', { keyPath: ['page', 'id'] }).createIndex('page', 'page'),
    }).catch((error: unknown) => {
      opened = undefined;
      throw error;
    }));
  return {
    all: async () =>
      (await (await store()).getAllFromIndex('entries', 'page', page)).flatMap(({ kept }) => {
        const read = keptSchema.safeParse(kept);
        return read.success ? [{ sentAt: undefined, refused: undefined, ...read.data }] : [];
      }),
    put: async (kept) => {
      // Plain data: what comes of the page's state is wrapped.
      await (
        await store()
      ).put('entries', { page, id: kept.entry.id, kept: JSON.parse(JSON.stringify(kept)) });
    },
    remove: async (id) => (await store()).delete('entries', [page, id]),
  };
};

/** Sends entries to the log behind a page. */
export const sendTo =
  (page: string): Send =>
  async (entries) => {
    const answer = await fetch(`${page}/log`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ entries }),
    }).catch(() => undefined);
    if (!answer || answer.status >= 500 || answer.status === 429) return { kind: 'later' };
    if (answer.status === 404) return { kind: 'closed' };
    const said = (await answer.json().catch(() => ({}))) as { at?: string; message?: string };
    if (answer.ok && said.at) return { kind: 'taken', at: said.at };
    return answer.ok ? { kind: 'later' } : { kind: 'refused', message: said.message ?? '' };
  };
