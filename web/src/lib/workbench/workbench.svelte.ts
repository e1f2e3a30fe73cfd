import {
  applyEdit,
  applyEdits,
  chooseEdit,
  EMPTY_FINGERING,
  invertEdit,
  type Choice,
  type Edit,
  type Fingering,
  type ImportProblem,
  type Note,
  type NoteIndex,
  type NotePlan,
  type Repair,
  type Score,
} from '@oculon/core';
import * as Comlink from 'comlink';
import type { PlanView } from '../planner/api.ts';
import { takePlanner, type Planner } from '../planner/client.ts';
import type { SetupChoice } from '../planner/setup.ts';
import { SaveQueue, type Conflict } from './save-queue.svelte.ts';

export type Phase = 'opening' | 'ready' | 'failed';

/** A note whose fingering became another one after a change. */
export interface Change {
  readonly note: NoteIndex;
  readonly before: NotePlan;
  readonly after: NotePlan;
}

export interface WorkbenchStart {
  readonly piece: string;
  readonly fingering: string;
  readonly revision: number;
  readonly edits: readonly Edit[];
  readonly part: string;
  readonly setup: SetupChoice;
}

const sameFingering = (a: NotePlan, b: NotePlan): boolean =>
  a.string === b.string && a.finger === b.finger && a.pluck === b.pluck;

/** The state of one open piece. Edits flow one way: command → edit → fingering → planner → sheet. */
export class Workbench {
  phase = $state<Phase>('opening');
  problem = $state<ImportProblem>();
  score = $state.raw<Score>();
  repairs = $state.raw<readonly Repair[]>([]);
  fingering = $state.raw<Fingering>(EMPTY_FINGERING);
  plan = $state.raw<PlanView>();
  planning = $state(false);
  progress = $state(0);
  caret = $state<NoteIndex>(0);
  changes = $state.raw<readonly Change[]>([]);
  notice = $state('');
  conflict = $state.raw<{
    readonly conflicts: readonly Conflict[];
    readonly decide: (keepMine: boolean) => void;
  }>();
  setup = $state.raw<SetupChoice>() as SetupChoice;
  canUndo = $derived.by(() => this.#undo.length > 0);
  canRedo = $derived.by(() => this.#redo.length > 0);

  readonly saving: SaveQueue;
  readonly #start: WorkbenchStart;
  readonly #planner: Planner = takePlanner();
  #undo = $state.raw<readonly Edit[]>([]);
  #redo = $state.raw<readonly Edit[]>([]);
  #replanAgain = false;
  /** The plan before the change whose effect is being shown. */
  #planBefore: PlanView | undefined;

  constructor(start: WorkbenchStart) {
    this.#start = start;
    this.setup = start.setup;
    this.fingering = applyEdits(EMPTY_FINGERING, start.edits);
    this.saving = new SaveQueue(start.fingering, start.revision, this.fingering, applyEdits, {
      onMerged: (theirs, mine) => {
        this.fingering = applyEdits(this.saving.base, mine);
        this.notice = `${theirs.length === 1 ? 'A change' : `${theirs.length} changes`} made in another window ${theirs.length === 1 ? 'was' : 'were'} taken in.`;
        this.#undo = [];
        this.#redo = [];
        void this.replan();
      },
      onConflict: (conflicts) =>
        new Promise((resolve) => {
          this.conflict = {
            conflicts,
            decide: (keepMine) => {
              this.conflict = undefined;
              resolve(keepMine);
            },
          };
        }),
    });
  }

  async open(): Promise<void> {
    try {
      const response = await fetch(`/api/pieces/${this.#start.piece}/source`);
      if (!response.ok)
        throw new Error('The piece could not be fetched. Check the connection and load the page again.');
      const bytes = new Uint8Array(await response.arrayBuffer());
      const opened = await this.#planner.api.open(Comlink.transfer(bytes, [bytes.buffer]), this.#start.part);
      if (!opened.ok) {
        this.problem = opened.error;
        this.phase = 'failed';
        return;
      }
      this.score = opened.value.score;
      this.repairs = opened.value.repairs;
      const adopted = await this.saving.adopt();
      if (adopted.length > 0) {
        this.fingering = applyEdits(this.fingering, adopted);
        void this.saving.send();
      }
      this.phase = 'ready';
      await this.replan();
    } catch (error) {
      this.problem = { code: 'no-notes', message: (error as Error).message };
      this.phase = 'failed';
    }
  }

  /** Plans anew; a call while one runs makes the running one be followed by another. */
  async replan(): Promise<void> {
    if (this.planning) {
      this.#replanAgain = true;
      return;
    }
    this.planning = true;
    this.progress = 0;
    try {
      do {
        this.#replanAgain = false;
        const plan = await this.#planner.api.plan(
          { choices: [...this.fingering.choices], rules: [...this.fingering.rules] },
          $state.snapshot(this.setup),
          Comlink.proxy((share) => {
            this.progress = share;
          }),
        );
        this.changes = this.#planBefore ? changesBetween(this.#planBefore, plan) : [];
        this.plan = plan;
      } while (this.#replanAgain);
    } catch {
      this.notice = 'The planner stopped. Your decisions are kept; load the page again to go on.';
    } finally {
      this.planning = false;
    }
  }

  #perform(edit: Edit): void {
    this.#planBefore = this.plan;
    this.notice = '';
    this.fingering = applyEdit(this.fingering, edit);
    this.saving.add(edit);
    void this.replan();
  }

  /** Decides something about a note; what is left undefined goes back to the planner. */
  choose(note: Note, change: Choice): void {
    const edit = chooseEdit(this.fingering, note.id, change);
    this.#undo = [...this.#undo, edit];
    this.#redo = [];
    this.#perform(edit);
  }

  undo(): void {
    const edit = this.#undo.at(-1);
    if (!edit) return;
    this.#undo = this.#undo.slice(0, -1);
    this.#redo = [...this.#redo, edit];
    this.#moveTo(edit);
    this.#perform(invertEdit(edit));
  }

  redo(): void {
    const edit = this.#redo.at(-1);
    if (!edit) return;
    this.#redo = this.#redo.slice(0, -1);
    this.#undo = [...this.#undo, edit];
    this.#moveTo(edit);
    this.#perform(edit);
  }

  #moveTo(edit: Edit): void {
    if (edit.kind !== 'choose') return;
    const note = this.score?.notes.find((each) => each.id === edit.note);
    if (note) this.caret = note.index;
  }

  /** Changes hand, instrument or schools; kept with the fingering. */
  setSetup(setup: SetupChoice): void {
    this.#planBefore = this.plan;
    this.setup = setup;
    void this.replan();
    void fetch(`/api/fingerings/${this.#start.fingering}`, {
      method: 'PATCH',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ setup }),
    }).catch(() => {
      this.notice = 'The setup could not be saved; it stays until this page is closed.';
    });
  }

  exportMusicXml() {
    return this.#planner.api.writeMusicXml();
  }

  exportJson() {
    return this.#planner.api.writeJson();
  }

  get caretNote(): Note | undefined {
    return this.score?.notes[this.caret];
  }

  get caretPlan(): NotePlan | undefined {
    return this.plan?.notes[this.caret];
  }

  close(): void {
    this.saving.close();
    this.#planner.release(this.planning || this.phase === 'opening');
  }
}

const changesBetween = (before: PlanView, after: PlanView): readonly Change[] =>
  after.notes.flatMap((note, index) => {
    const old = before.notes[index];
    return old && !note.tied && !sameFingering(old, note) ? [{ note: index, before: old, after: note }] : [];
  });
