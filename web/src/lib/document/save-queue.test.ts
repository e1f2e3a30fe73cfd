import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  applyEdits,
  chooseEdit,
  editsBetween,
  EMPTY_FINGERING,
  filledSlots,
  invertEdit,
  markEdit,
  valueIn,
  type Edit,
  type Fingering,
  type MarkId,
  type NoteId,
} from '@oculon/core';
import { doing, type Doing } from '../../../../core/src/testing/histories.ts';
import type { Kept, PendingStore } from './pending-store.ts';
import { SaveQueue } from './save-queue.svelte.ts';
import type { SaveAnswer, SaveRequest, SaveServer } from './save-server.ts';
import type { SavedEdit } from './saving.ts';

/** The server's rules, as in `appendEdits`, over a list; edits that `refuses` names are never taken. */
class Log {
  edits: SavedEdit[] = [];
  refuses: (edit: Edit) => boolean = () => false;
  /** Last requests of closed pages that are still on their way. */
  late: SaveRequest[] = [];

  /** A request that was overtaken arrives. */
  deliver(): void {
    const request = this.late.shift();
    if (request) this.save(request);
  }

  save({ base, edits }: SaveRequest): SaveAnswer {
    if (edits.some(({ edit }) => this.refuses(edit))) return { kind: 'refused' };
    const revision = this.edits.length;
    if (base > revision)
      return { kind: 'outcome', outcome: { kind: 'behind', revision, after: 0, since: [...this.edits] } };
    const since = this.edits.slice(base);
    if (since.some(({ id }) => edits.every((own) => own.id !== id)))
      return { kind: 'outcome', outcome: { kind: 'behind', revision, after: base, since } };
    const known = new Set(this.edits.map(({ id }) => id));
    for (const { id, edit } of edits)
      if (!known.has(id)) this.edits.push({ id, edit, revision: this.edits.length + 1 });
    return { kind: 'outcome', outcome: { kind: 'saved', revision: this.edits.length } };
  }

  get fingering(): Fingering {
    return applyEdits(
      EMPTY_FINGERING,
      this.edits.map(({ edit }) => edit),
    );
  }
}

/** What one browser keeps, whichever page runs in it. */
class Browser {
  kept: Kept = { pending: [], aside: [] };
  store(): PendingStore {
    let isReleased = false;
    return {
      adopt: () => Promise.resolve(this.kept),
      keep: (_, kept) => {
        if (!isReleased) this.kept = kept;
        return Promise.resolve();
      },
      release: () => {
        isReleased = true;
        return Promise.resolve();
      },
    };
  }
}

type Weather = 'fine' | 'offline' | 'answer-lost' | 'trouble';

/** One window of one browser on one fingering. */
class Window {
  weather: Weather = 'fine';
  keepsMine = true;
  asked = 0;
  fingering: Fingering = EMPTY_FINGERING;
  queue!: SaveQueue;
  private readonly log: Log;
  private readonly browser: Browser;

  constructor(log: Log, browser: Browser) {
    this.log = log;
    this.browser = browser;
  }

  private readonly server: SaveServer = {
    save: (_, request) => {
      if (this.weather === 'offline') return Promise.resolve({ kind: 'offline' });
      if (this.weather === 'trouble') return Promise.resolve({ kind: 'trouble' });
      const answer = this.log.save(JSON.parse(JSON.stringify(request)) as SaveRequest);
      return Promise.resolve(this.weather === 'answer-lost' ? { kind: 'offline' } : answer);
    },
    farewell: (_, request) => {
      if (this.weather !== 'offline') this.log.late.push(JSON.parse(JSON.stringify(request)) as SaveRequest);
    },
  };

  async open(): Promise<void> {
    const { edits, fingering } = this.log;
    this.queue = new SaveQueue(
      {
        fingering: 'f',
        revision: edits.length,
        base: fingering,
        savedIds: edits.map(({ id }) => id),
      },
      this.server,
      this.browser.store(),
      {
        onChanged: (changed) => (this.fingering = changed),
        onConflict: () => {
          this.asked += 1;
          return Promise.resolve(this.keepsMine);
        },
      },
    );
    this.fingering = await this.queue.adopt();
    await this.queue.send();
  }

  private readonly done: Edit[] = [];

  do(what: Doing): void {
    this.done.push(this.decide(what));
  }

  /** Decides something that is not taken back. */
  decide(what: Doing): Edit {
    const edit = what(this.fingering);
    this.perform([edit]);
    return edit;
  }

  undo(): void {
    const edit = this.done.pop();
    if (edit) this.perform([invertEdit(edit)]);
  }

  /** Becomes what the log was after some of its edits; what stood here and does not stand there goes. */
  restore(revision: number): void {
    const then = applyEdits(
      EMPTY_FINGERING,
      this.log.edits.slice(0, revision).map(({ edit }) => edit),
    );
    this.perform(editsBetween(this.fingering, then));
  }

  private perform(edits: readonly Edit[]): void {
    this.fingering = applyEdits(this.fingering, edits);
    for (const edit of edits) this.queue.add(edit);
  }

  async reload(): Promise<void> {
    await this.queue.close();
    await this.open();
  }
}

const opened = async (log: Log, browser = new Browser()): Promise<Window> => {
  const window = new Window(log, browser);
  await window.open();
  return window;
};

const said = (fingering: Fingering) =>
  Object.fromEntries(filledSlots(fingering).map((slot) => [JSON.stringify(slot), valueIn(fingering, slot)]));

const NOTE = '1:1:0:60:0' as NoteId;
const finger =
  (value: 1 | 2 | 3 | 4): Doing =>
  (at) =>
    chooseEdit(at, NOTE, { finger: value });

type Step =
  | { readonly kind: 'do'; readonly who: 0 | 1; readonly what: Doing }
  /** A decision on a note that nobody else ever touches. */
  | { readonly kind: 'own'; readonly who: 0 | 1 }
  | { readonly kind: 'undo'; readonly who: 0 | 1 }
  /** Brings back what stood after a share of what has been saved. */
  | { readonly kind: 'restore'; readonly who: 0 | 1; readonly share: number }
  | { readonly kind: 'send'; readonly who: 0 | 1 }
  | { readonly kind: 'reload'; readonly who: 0 | 1 }
  | { readonly kind: 'deliver'; readonly who: 0 | 1 }
  | { readonly kind: 'weather'; readonly who: 0 | 1; readonly weather: Weather };
const who = fc.constantFrom<0 | 1>(0, 1);
const step: fc.Arbitrary<Step> = fc.oneof(
  { weight: 5, arbitrary: fc.record({ kind: fc.constant('do' as const), who, what: doing }) },
  { weight: 2, arbitrary: fc.record({ kind: fc.constant('own' as const), who }) },
  { weight: 2, arbitrary: fc.record({ kind: fc.constant('undo' as const), who }) },
  fc.record({
    kind: fc.constant('restore' as const),
    who,
    share: fc.double({ min: 0, max: 1, noNaN: true }),
  }),
  { weight: 4, arbitrary: fc.record({ kind: fc.constant('send' as const), who }) },
  fc.record({ kind: fc.constant('reload' as const), who }),
  fc.record({ kind: fc.constant('deliver' as const), who }),
  fc.record({
    kind: fc.constant('weather' as const),
    who,
    weather: fc.constantFrom<Weather>('fine', 'offline', 'answer-lost', 'trouble'),
  }),
);

describe('two windows on one fingering', () => {
  it('end with the same fingering, nothing acknowledged is lost and nothing is done twice, whatever happens between', async () => {
    await fc.assert(
      fc.asyncProperty(fc.array(step, { maxLength: 40 }), fc.boolean(), async (steps, keepsMine) => {
        const log = new Log();
        const windows = [await opened(log), await opened(log)] as const;
        for (const window of windows) window.keepsMine = keepsMine;
        let own: NoteId[] = [];
        for (const [index, each] of steps.entries()) {
          const window = windows[each.who];
          if (each.kind === 'do') window.do(each.what);
          else if (each.kind === 'own') {
            const note = `own${index}` as NoteId;
            own.push(note);
            window.decide((at) => chooseEdit(at, note, { finger: 2 }));
          } else if (each.kind === 'undo') window.undo();
          else if (each.kind === 'restore') {
            // What it takes back is no longer what nobody argued with.
            own = own.filter((note) => !window.fingering.choices.has(note));
            window.restore(Math.floor(each.share * log.edits.length));
          } else if (each.kind === 'send') await window.queue.send();
          else if (each.kind === 'reload') await window.reload();
          else if (each.kind === 'deliver') log.deliver();
          else window.weather = each.weather;
          const known = log.edits.length;
          // The log only grows, by edits with ids of their own.
          expect(new Set(log.edits.map(({ id }) => id)).size).toBe(known);
        }
        for (const window of windows) window.weather = 'fine';
        for (let round = 0; round < 3; round += 1)
          for (const window of windows) {
            await window.queue.send();
            // A page learns of the others when it saves, or when it is loaded.
            await window.reload();
          }
        // Every decision that nobody argued with is there, made once.
        for (const note of own) {
          expect(log.fingering.choices.get(note)).toEqual({ finger: 2 });
          expect(log.edits.filter(({ edit }) => edit.kind === 'choose' && edit.note === note)).toHaveLength(
            1,
          );
        }
        for (const window of windows) {
          expect(window.queue.waiting).toBe(0);
          expect(window.queue.state).toBe('saved');
          expect(said(window.fingering)).toEqual(said(log.fingering));
        }
      }),
      { numRuns: 500 },
    );
  });

  it('an edit saved without its answer is not done again over what others decided since', async () => {
    const log = new Log();
    const [here, there] = [await opened(log), await opened(log)];
    here.weather = 'answer-lost';
    here.do(finger(1));
    await here.queue.send();
    expect(log.edits).toHaveLength(1);
    await there.reload();
    there.do(finger(4));
    await there.queue.send();
    here.weather = 'fine';
    await here.reload();
    expect(here.fingering.choices.get(NOTE)).toEqual({ finger: 4 });
    expect(said(here.fingering)).toEqual(said(log.fingering));
    expect(here.asked).toBe(0);
  });

  it('an edit made offline is there again when the piece is opened again', async () => {
    const log = new Log();
    const here = await opened(log);
    here.weather = 'offline';
    here.do(finger(2));
    await here.queue.send();
    expect(here.queue.state).toBe('offline');
    await here.reload();
    expect(here.fingering.choices.get(NOTE)).toEqual({ finger: 2 });
    expect(here.queue.state).toBe('offline');
    here.weather = 'fine';
    await here.queue.send();
    expect(log.edits).toHaveLength(1);
  });

  it('an offline edit is asked about when the note was decided elsewhere meanwhile', async () => {
    for (const keepsMine of [true, false]) {
      const log = new Log();
      const [here, there] = [await opened(log), await opened(log)];
      here.keepsMine = keepsMine;
      here.weather = 'offline';
      here.do(finger(1));
      await here.queue.send();
      there.do(finger(3));
      await there.queue.send();
      here.weather = 'fine';
      await here.reload();
      expect(here.asked).toBe(1);
      expect(log.fingering.choices.get(NOTE)).toEqual({ finger: keepsMine ? 1 : 3 });
      expect(said(here.fingering)).toEqual(said(log.fingering));
    }
  });

  it('what is set and taken back here leaves the same mark of another window alone', async () => {
    const log = new Log();
    const [here, there] = [await opened(log), await opened(log)];
    const id = `text@${NOTE}` as MarkId;
    const set = markEdit(EMPTY_FINGERING, id, { kind: 'text', from: NOTE, text: 'sing' });
    here.do(() => set);
    here.do(() => invertEdit(set));
    there.do(() => set);
    await there.queue.send();
    await here.queue.send();
    expect(log.fingering.marks.get(id)).toMatchObject({ text: 'sing' });
    expect(here.asked).toBe(0);
  });
});

describe('a server that', () => {
  it('refuses one edit of many: that one is set aside and shown, the others are saved', async () => {
    const log = new Log();
    const here = await opened(log);
    log.refuses = (edit) => edit.kind === 'choose' && edit.after.finger === 3;
    here.weather = 'offline';
    for (let index = 0; index < 7; index += 1)
      here.do((at) => chooseEdit(at, `n${index}` as NoteId, { finger: index === 4 ? 3 : 1 }));
    here.do((at) => chooseEdit(at, 'n4' as NoteId, { pluck: 'm' }));
    here.weather = 'fine';
    await here.queue.send();
    expect(here.queue.state).toBe('saved');
    expect(here.queue.aside).toHaveLength(1);
    expect([...log.fingering.choices.keys()]).toEqual(['n0', 'n1', 'n2', 'n3', 'n5', 'n6', 'n4']);
    expect(log.fingering.choices.get('n4' as NoteId)).toEqual({ pluck: 'm' });
    expect(said(here.fingering)).toEqual(said(log.fingering));
    // It is kept over a reload, and saved once the server takes it.
    await here.reload();
    expect(here.queue.aside).toHaveLength(1);
    log.refuses = () => false;
    here.queue.tryAside();
    await here.queue.send();
    await here.queue.send();
    expect(here.queue.aside).toEqual([]);
    expect(log.fingering.choices.get('n4' as NoteId)).toMatchObject({ finger: 3 });
  });

  it('is in trouble is told from no connection', async () => {
    const here = await opened(new Log());
    here.weather = 'trouble';
    here.do(finger(1));
    await here.queue.send();
    expect(here.queue.state).toBe('trouble');
    await here.queue.close();
  });

  it('was set back to an old copy receives again what it had acknowledged', async () => {
    const log = new Log();
    const here = await opened(log);
    here.do((at) => chooseEdit(at, 'a' as NoteId, { finger: 1 }));
    await here.queue.send();
    const copy = [...log.edits];
    here.do((at) => chooseEdit(at, 'b' as NoteId, { finger: 2 }));
    here.do((at) => chooseEdit(at, 'c' as NoteId, { finger: 3 }));
    await here.queue.send();
    log.edits = copy;
    here.do((at) => chooseEdit(at, 'd' as NoteId, { finger: 4 }));
    await here.queue.send();
    expect([...log.fingering.choices].map(([id, { finger: each }]) => [id, each])).toEqual([
      ['a', 1],
      ['b', 2],
      ['c', 3],
      ['d', 4],
    ]);
    expect(here.asked).toBe(0);
    expect(said(here.fingering)).toEqual(said(log.fingering));
  });
});
