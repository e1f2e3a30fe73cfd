import {
  applyEdits,
  chooseEdit,
  dismissEdit,
  editsBetween,
  EMPTY_FINGERING,
  invertEdit,
  markEdit,
  ruleEdit,
  sentenceEdit,
  sameValue,
  SETUP_FIELDS,
  setupEdit,
  wholeSetup,
  type Choice,
  type Conflict,
  type Edit,
  type FindingKey,
  type Fingering,
  type Fix,
  type MarkDecision,
  type MarkId,
  type Note,
  type NoteId,
  type OwnWords,
  type PassageRule,
  type RuleId,
  type SentenceKey,
  type SetupChange,
  type WholeSetup,
} from '@oculon/core';
import { CHANGE_WORDS } from './change-words.ts';
import { History, type Deed } from './history.svelte.ts';
import { browserStore } from './pending-store.ts';
import { SaveQueue } from './save-queue.svelte.ts';
import { pageServer } from './save-server.ts';

/** A fingering as the server has it when the page is opened. */
export interface SavedFingering {
  readonly fingering: string;
  readonly revision: number;
  readonly edits: readonly Edit[];
  /** Ids of the edits, in their order. */
  readonly editIds: readonly string[];
}

/** Who hears of decisions. */
export interface DecisionListener {
  /** The teacher decided something here, or took it back. */
  readonly onDecided: (deed: Deed) => void;
  /** Decisions came from elsewhere: another window, or the server. */
  readonly onBrought: (words: string) => void;
  /** A deed is about to be taken back or done again. */
  readonly onRevisited: (deed: Deed) => void;
}

/** What the teacher has decided in the fingering at hand: changed by edits, kept on the server, taken back by undo. */
export class Decisions {
  fingering = $state.raw<Fingering>(EMPTY_FINGERING);
  conflict = $state.raw<{
    readonly conflicts: readonly Conflict[];
    readonly decide: (keepMine: boolean) => void;
  }>();
  /** Hand, instrument, schools: what is decided, and what is usual where nothing is. */
  readonly setup: WholeSetup = $derived(wholeSetup(this.fingering.setup));
  /** What was done and can be taken back. */
  readonly history = new History();
  readonly saving: SaveQueue;
  readonly #listener: DecisionListener;

  constructor({ fingering, revision, edits, editIds }: SavedFingering, listener: DecisionListener) {
    this.#listener = listener;
    this.fingering = applyEdits(EMPTY_FINGERING, edits);
    this.saving = new SaveQueue(
      { fingering, revision, base: this.fingering, savedIds: editIds },
      pageServer,
      browserStore(),
      {
        onChanged: (changed, why, count) => {
          this.fingering = changed;
          this.history.clear();
          listener.onBrought(CHANGE_WORDS[why](count));
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
      },
    );
  }

  /** Takes up what this browser still had to save, and sends it. */
  async adopt(): Promise<void> {
    this.fingering = await this.saving.adopt();
    void this.saving.send();
  }

  #perform(deed: Deed): void {
    this.fingering = applyEdits(this.fingering, deed);
    // The planner sets to work first; keeping the edits happens beside it.
    this.#listener.onDecided(deed);
    for (const edit of deed) this.saving.add(edit);
  }

  #do(deed: Deed): void {
    if (deed.length === 0) return;
    this.history.add(deed);
    this.#perform(deed);
  }

  /** Decides something about a note; what is left undefined goes back to the planner. */
  choose(note: Note, change: Choice): void {
    const edit = chooseEdit(this.fingering, note.id, change);
    if (edit.kind === 'choose' && !sameValue(edit.before, edit.after)) this.#do([edit]);
  }

  /** Decides several notes at once; one undo takes them all back. */
  chooseAll(choices: readonly (readonly [NoteId, Choice])[]): void {
    this.#do(choices.map(([id, change]) => chooseEdit(this.fingering, id, change)));
  }

  /** Sets a rule for a passage, or takes one away. */
  setRule(id: RuleId, rule: PassageRule | null): void {
    this.#do([ruleEdit(this.fingering, id, rule)]);
  }

  /** Puts a finding aside for a reason, or shows it again with null. The plan stays as it is. */
  dismiss(finding: FindingKey, reason: string | null): void {
    this.#do([dismissEdit(this.fingering, finding, reason)]);
  }

  /** Decides marks; null leaves one to the plan and the source again. One undo takes them all back. */
  setMarks(marks: readonly (readonly [MarkId, MarkDecision | null])[]): void {
    this.#do(marks.map(([id, decision]) => markEdit(this.fingering, id, decision)));
  }

  /** Says sentences of the walk-through otherwise; null leaves one to the plan again. One undo takes them all back. */
  say(words: readonly (readonly [SentenceKey, OwnWords | null])[]): void {
    this.#do(words.map(([key, own]) => sentenceEdit(this.fingering, key, own)));
  }

  /** Makes the decisions that answer a finding; one undo takes them all back. */
  applyFix({ choices, marks }: Fix): void {
    this.#do([
      ...choices.map(([id, change]) => chooseEdit(this.fingering, id, change)),
      ...marks.map(([id, decision]) => markEdit(this.fingering, id, decision)),
    ]);
  }

  /** Changes hand, instrument or schools; a field given as undefined is left to the piece or to what is usual. */
  changeSetup(part: Partial<WholeSetup>): void {
    const { setup } = this.fingering;
    const changed = SETUP_FIELDS.filter((field) => field in part && !sameValue(part[field], setup[field]));
    if (changed.length === 0) return;
    const change = Object.fromEntries(changed.map((field) => [field, part[field] ?? null])) as SetupChange;
    this.#do([setupEdit(this.fingering, change)]);
  }

  /** Takes rules away; one undo brings them all back. */
  dropRules(ids: readonly RuleId[]): void {
    this.#do(ids.map((id) => ruleEdit(this.fingering, id, null)));
  }

  /** Becomes what it was at another time, or elsewhere; one undo takes it back. */
  become(wanted: Fingering): void {
    this.#do(editsBetween(this.fingering, wanted));
  }

  undo(): void {
    const deed = this.history.takeBack();
    if (!deed) return;
    this.#listener.onRevisited(deed);
    this.#perform(deed.toReversed().map(invertEdit));
  }

  redo(): void {
    const deed = this.history.doAgain();
    if (!deed) return;
    this.#listener.onRevisited(deed);
    this.#perform(deed);
  }
}
