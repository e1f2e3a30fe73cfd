import { rebaseEdits, type Edit, type Fingering, type Rebase } from '@oculon/core';
import { adoptPending, claimTab, keepPending } from './pending-store.ts';
import { MAX_EDITS_PER_REQUEST, saveOutcomeSchema, type SavedEdit, type SentEdit } from './saving.ts';

/** How long to wait before trying again when the server cannot be reached, ms. */
const RETRY_AFTER = [1000, 2000, 5000, 10_000];

/** Quiet after an edit before it is sent, in ms: the new plan comes first, and quick edits travel together. */
const SETTLE = 300;

export type SaveState = 'saved' | 'saving' | 'offline' | 'asking' | 'refused';
export type Conflict = Rebase['conflicts'][number];

export interface SaveQueueEvents {
  /** Others saved these edits; `mine` is what of this page's own still stands upon them. */
  readonly onMerged: (theirs: readonly Edit[], mine: readonly Edit[]) => void;
  /** The same notes were decided elsewhere: true keeps what was decided here. */
  readonly onConflict: (conflicts: readonly Conflict[]) => Promise<boolean>;
}

/**
 * Sends edits in order, each on the revision it was made for. Keeps them in the browser until the server has
 * them; after others have saved it restates its own upon theirs.
 */
export class SaveQueue {
  state = $state<SaveState>('saved');
  waiting = $state(0);

  readonly #fingering: string;
  readonly #events: SaveQueueEvents;
  readonly #tab = claimTab();
  #pending: SentEdit[] = [];
  #revision: number;
  /** The fingering as the server has it. */
  #base: Fingering;
  #sending = false;
  #failures = 0;
  #timer: ReturnType<typeof setTimeout> | undefined;
  #closed = false;
  readonly #apply: (base: Fingering, edits: readonly Edit[]) => Fingering;

  constructor(
    fingering: string,
    revision: number,
    base: Fingering,
    apply: (base: Fingering, edits: readonly Edit[]) => Fingering,
    events: SaveQueueEvents,
  ) {
    this.#fingering = fingering;
    this.#revision = revision;
    this.#base = base;
    this.#apply = apply;
    this.#events = events;
  }

  /** Edits that an earlier page could not send any more. */
  async adopt(): Promise<readonly Edit[]> {
    const adopted = await adoptPending(this.#fingering, this.#tab).catch(() => []);
    this.#pending.push(...adopted);
    this.#changed();
    return adopted.map((each) => each.edit);
  }

  add(edit: Edit): void {
    this.#pending.push({ id: crypto.randomUUID(), edit });
    this.#changed();
    if (this.state === 'saved') this.state = 'saving';
    clearTimeout(this.#timer);
    this.#timer = setTimeout(() => void this.send(), SETTLE);
  }

  /** Tries to send now: after an edit, when the connection is back, when the page asks. */
  async send(): Promise<void> {
    if (this.#sending || this.#closed || this.#pending.length === 0) return;
    this.#sending = true;
    clearTimeout(this.#timer);
    try {
      while (this.#pending.length > 0 && !this.#closed) {
        this.state = 'saving';
        const batch = this.#pending.slice(0, MAX_EDITS_PER_REQUEST);
        const response = await fetch(`/api/fingerings/${this.#fingering}/edits`, {
          method: 'POST',
          headers: { 'content-type': 'application/json' },
          body: JSON.stringify({ base: this.#revision, edits: batch }),
        });
        if (response.status !== 200 && response.status !== 409) {
          if (response.status >= 400 && response.status < 500) {
            this.state = 'refused';
            return;
          }
          throw new Error(`the server answered ${response.status}`);
        }
        const outcome = saveOutcomeSchema.parse(await response.json());
        this.#failures = 0;
        if (outcome.kind === 'saved') {
          this.#base = this.#apply(
            this.#base,
            batch.map((each) => each.edit),
          );
          this.#revision = outcome.revision;
          this.#pending = this.#pending.slice(batch.length);
        } else await this.#rebase(outcome.since, outcome.revision);
        this.#changed();
      }
      this.state = 'saved';
    } catch {
      this.state = 'offline';
      const wait = RETRY_AFTER[Math.min(this.#failures, RETRY_AFTER.length - 1)];
      this.#failures += 1;
      this.#timer = setTimeout(() => void this.send(), wait);
    } finally {
      this.#sending = false;
    }
  }

  async #rebase(since: readonly SavedEdit[], revision: number): Promise<void> {
    // Edits of this page whose answer was lost on the way are among what came in between.
    const arrived = new Set(since.map((each) => each.id));
    const pending = this.#pending.filter((each) => !arrived.has(each.id));
    const theirs = since.map((each) => each.edit);
    const rebase = rebaseEdits(
      this.#base,
      theirs,
      pending.map((each) => each.edit),
    );
    let edits = rebase.edits;
    if (rebase.conflicts.length > 0) {
      this.state = 'asking';
      const keepMine = await this.#events.onConflict(rebase.conflicts);
      const disputed = new Set(rebase.conflicts.map((each) => each.note));
      if (!keepMine) edits = edits.filter((edit) => edit.kind !== 'choose' || !disputed.has(edit.note));
    }
    // What was decided here while the question stood open is restated too.
    const late = this.#pending.filter((each) => !arrived.has(each.id) && !pending.includes(each));
    this.#base = this.#apply(this.#base, theirs);
    this.#revision = revision;
    this.#pending = [...edits.map((edit): SentEdit => ({ id: crypto.randomUUID(), edit })), ...late];
    this.#events.onMerged(
      theirs,
      this.#pending.map((each) => each.edit),
    );
  }

  #changed(): void {
    this.waiting = this.#pending.length;
    void keepPending(this.#fingering, this.#tab, this.#pending).catch(() => undefined);
  }

  /** The fingering as the server has it. */
  get base(): Fingering {
    return this.#base;
  }

  /** Sends what has not settled yet, without waiting for the answer. */
  close(): void {
    void this.send();
    this.#closed = true;
    clearTimeout(this.#timer);
  }
}
