import {
  applyEdits,
  EDIT_FORMAT,
  EMPTY_FINGERING,
  rebaseEdits,
  restateUpon,
  yielding,
  type Conflict,
  type Edit,
  type Fingering,
  type Rebase,
} from '@oculon/core';
import type { PendingStore } from './pending-store.ts';
import {
  MAX_EDITS_PER_REQUEST,
  MAX_REQUEST_BYTES,
  type SavedEdit,
  type SaveOutcome,
  type SentEdit,
} from './saving.ts';
import type { SaveAnswer, SaveServer } from './save-server.ts';

/** How long to wait before trying again when the server cannot be reached, ms. */
const RETRY_AFTER = [1000, 2000, 5000, 10_000] as const;
/** The same when the server is in trouble, which many pages trying again would not help out of. */
const TROUBLE_AFTER = [2000, 5000, 10_000, 20_000, 40_000, 60_000] as const;
/** Quiet after an edit before it is sent, in ms: the new plan comes first, and quick edits travel together. */
const SETTLE = 300;

export type SaveState = 'saved' | 'saving' | 'offline' | 'trouble' | 'asking' | 'denied' | 'gone';

export interface SaveQueueEvents {
  /** The fingering is another one than it was: others decided, or something had to be set aside. */
  readonly onChanged: (fingering: Fingering, why: 'merged' | 'restored' | 'aside', count: number) => void;
  /** The same things were decided elsewhere: true keeps what was decided here. */
  readonly onConflict: (conflicts: readonly Conflict[]) => Promise<boolean>;
}

export interface SaveQueueStart {
  readonly fingering: string;
  readonly revision: number;
  /** The fingering as the server has it, and the ids of the edits that made it. */
  readonly base: Fingering;
  readonly savedIds: readonly string[];
}

/** The largest number of edits, at least one, that fits one request. */
const batchOf = (pending: readonly SentEdit[], most: number): readonly SentEdit[] => {
  let bytes = 0;
  let count = 0;
  for (const each of pending.slice(0, most)) {
    bytes += JSON.stringify(each).length * 2;
    if (count > 0 && bytes > MAX_REQUEST_BYTES) break;
    count += 1;
  }
  return pending.slice(0, count);
};

const editsOf = (sent: readonly (SentEdit | SavedEdit)[]): readonly Edit[] => sent.map(({ edit }) => edit);

/**
 * Sends edits in order, each on the revision it was made for. Keeps them in the browser until the server has
 * them; after others have saved it restates its own upon theirs; what the server refuses is set aside, and the rest goes
 * on.
 */
export class SaveQueue {
  state = $state<SaveState>('saved');
  waiting = $state(0);
  /** Edits that the server refuses. */
  aside = $state.raw<readonly SentEdit[]>([]);

  readonly #fingering: string;
  readonly #server: SaveServer;
  readonly #store: PendingStore;
  readonly #events: SaveQueueEvents;
  readonly #savedIds: ReadonlySet<string>;
  #pending: readonly SentEdit[] = [];
  #revision: number;
  #base: Fingering;
  /** Less than all after a refusal, to find out which edit it was. */
  #most = MAX_EDITS_PER_REQUEST;
  /** The sending that is under way. */
  #sending: Promise<void> | undefined;
  #failures = 0;
  #timer: ReturnType<typeof setTimeout> | undefined;
  #closed = false;

  constructor(start: SaveQueueStart, server: SaveServer, store: PendingStore, events: SaveQueueEvents) {
    this.#fingering = start.fingering;
    this.#revision = start.revision;
    this.#base = start.base;
    this.#savedIds = new Set(start.savedIds);
    this.#server = server;
    this.#store = store;
    this.#events = events;
  }

  /** The fingering with what earlier pages could not send any more; those of their edits that arrived count once. */
  async adopt(): Promise<Fingering> {
    const kept = await this.#store.adopt(this.#fingering).catch(() => ({ pending: [], aside: [] }));
    const fresh = kept.pending.filter(({ id }) => !this.#savedIds.has(id));
    this.aside = kept.aside;
    // Restated upon what is there now: what they were made on may be long gone.
    const rebase = rebaseEdits(this.#base, editsOf(fresh));
    if (rebase.conflicts.length > 0) {
      // A page closed meanwhile must not lose them.
      this.#pending = fresh;
      this.#changed();
      this.state = 'asking';
      const keepsMine = await this.#events.onConflict(rebase.conflicts);
      this.#pending = named(keepsMine ? rebase.edits : yielding(this.#base, rebase));
      this.state = 'saved';
    } else {
      // The ids stay while nothing changes: an edit that is on its way already is known by its own.
      const isPlain = JSON.stringify(rebase.edits) === JSON.stringify(editsOf(fresh));
      this.#pending = isPlain ? fresh : named(rebase.edits);
    }
    this.#changed();
    return this.fingering;
  }

  add(edit: Edit): void {
    this.#pending = [...this.#pending, { id: crypto.randomUUID(), edit }];
    this.#changed();
    if (this.state === 'saved') this.state = 'saving';
    clearTimeout(this.#timer);
    this.#timer = setTimeout(() => void this.send(), SETTLE);
  }

  /** Sends what was set aside once more. */
  tryAside(): void {
    const again = this.aside;
    this.aside = [];
    this.#pending = [...this.#pending, ...again];
    this.#changed();
    this.#events.onChanged(this.fingering, 'aside', 0);
    void this.send();
  }

  /** Lets go for good what was set aside. */
  dropAside(): void {
    this.aside = [];
    this.#changed();
  }

  /** Tries to send now: after an edit, when the connection is back, when the page asks. */
  async send(): Promise<void> {
    if (this.#closed || this.#pending.length === 0) return;
    this.#sending ??= this.#sendAll();
    await this.#sending;
  }

  /** Sends what waits, and tells whether the server has everything then. */
  async settle(): Promise<boolean> {
    await this.send();
    return this.#pending.length === 0 && this.state === 'saved';
  }

  async #sendAll(): Promise<void> {
    clearTimeout(this.#timer);
    try {
      while (this.#pending.length > 0 && !this.#closed) {
        this.state = 'saving';
        const batch = batchOf(this.#pending, this.#most);
        const answer = await this.#server.save(this.#fingering, {
          base: this.#revision,
          format: EDIT_FORMAT,
          edits: batch,
        });
        if (this.#closed) return;
        if (!(await this.#take(answer, batch))) return;
      }
      this.state = 'saved';
    } finally {
      this.#sending = undefined;
    }
  }

  /** Follows an answer; false when sending has to pause. */
  async #take(answer: SaveAnswer, batch: readonly SentEdit[]): Promise<boolean> {
    switch (answer.kind) {
      case 'outcome':
        this.#failures = 0;
        await this.#follow(answer.outcome, batch);
        this.#changed();
        return true;
      case 'refused':
        if (batch.length > 1) this.#most = Math.max(1, batch.length >> 1);
        else this.#setAside(batch);
        return true;
      case 'denied':
      case 'gone':
        this.state = answer.kind;
        return false;
      case 'trouble':
      case 'offline': {
        this.state = answer.kind;
        const waits = answer.kind === 'trouble' ? TROUBLE_AFTER : RETRY_AFTER;
        const wait = waits[Math.min(this.#failures, waits.length - 1)]!;
        this.#failures += 1;
        this.#timer = setTimeout(() => void this.send(), Math.max(wait, answer.after ?? 0));
        return false;
      }
    }
  }

  async #follow(outcome: SaveOutcome, batch: readonly SentEdit[]): Promise<void> {
    if (outcome.kind === 'behind') {
      await this.#merge(outcome);
      return;
    }
    this.#base = applyEdits(this.#base, editsOf(batch));
    this.#revision = outcome.revision;
    this.#pending = this.#pending.slice(batch.length);
    this.#most = MAX_EDITS_PER_REQUEST;
  }

  /** Takes in what others saved, and restates what stands here upon it. */
  async #merge({ after, revision, since }: Extract<SaveOutcome, { kind: 'behind' }>): Promise<void> {
    // Edits of this page whose answer was lost on the way are among what came in between.
    const arrived = new Set(since.map(({ id }) => id));
    const isRestored = after < this.#revision;
    const pending = this.#pending.filter(({ id }) => !arrived.has(id));
    const merged = applyEdits(isRestored ? EMPTY_FINGERING : this.#base, editsOf(since));
    const rebase: Rebase = isRestored
      ? restateUpon(merged, applyEdits(this.#base, editsOf(pending)))
      : rebaseEdits(merged, editsOf(pending));
    let { edits } = rebase;
    if (rebase.conflicts.length > 0) {
      this.state = 'asking';
      if (!(await this.#events.onConflict(rebase.conflicts))) edits = yielding(merged, rebase);
    }
    // What was decided here while the question stood open is restated too.
    const late = this.#pending.filter((each) => !arrived.has(each.id) && !pending.includes(each));
    this.#base = merged;
    this.#revision = revision;
    this.#pending = [...named(edits), ...late];
    this.#events.onChanged(this.fingering, isRestored ? 'restored' : 'merged', since.length);
  }

  /** What the server refuses is kept beside; what stands here is what it has and what it still shall have. */
  #setAside(refused: readonly SentEdit[]): void {
    this.aside = [...this.aside, ...refused];
    const rest = this.#pending.slice(refused.length);
    this.#pending = named(rebaseEdits(this.#base, editsOf(rest)).edits);
    this.#most = MAX_EDITS_PER_REQUEST;
    this.#changed();
    this.#events.onChanged(this.fingering, 'aside', refused.length);
  }

  #changed(): void {
    this.waiting = this.#pending.length;
    void this.#store
      .keep(this.#fingering, { pending: this.#pending, aside: this.aside })
      .catch(() => undefined);
  }

  /** The fingering as it stands here. */
  get fingering(): Fingering {
    return applyEdits(this.#base, editsOf(this.#pending));
  }

  /** Sends what has not settled yet without waiting for the answer, and leaves the rest to whoever opens the piece next. */
  close(): Promise<void> {
    if (this.#closed) return Promise.resolve();
    this.#closed = true;
    clearTimeout(this.#timer);
    if (this.#pending.length > 0 && !this.#sending)
      this.#server.farewell(this.#fingering, {
        base: this.#revision,
        format: EDIT_FORMAT,
        edits: batchOf(this.#pending, MAX_EDITS_PER_REQUEST),
      });
    return this.#store.release();
  }
}

const named = (edits: readonly Edit[]): readonly SentEdit[] =>
  edits.map((edit) => ({ id: crypto.randomUUID(), edit }));
