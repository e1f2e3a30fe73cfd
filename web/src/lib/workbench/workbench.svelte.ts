import {
  noteById,
  applyEdits,
  chooseEdit,
  dismissEdit,
  EMPTY_FINGERING,
  findingKey,
  invertEdit,
  markEdit,
  markId,
  placedMarks,
  ruleEdit,
  sameValue,
  SETUP_FIELDS,
  setupEdit,
  wholeSetup,
  type Choice,
  type Conflict,
  type Edit,
  type Essential,
  type FindingKey,
  type Fingering,
  type Fix,
  type Mark,
  type MarkDecision,
  type MarkId,
  type Note,
  type NoteId,
  type NoteIndex,
  type NotePlan,
  type PassageRule,
  type PricedPlacement,
  type Repair,
  type RuleId,
  type Score,
  type SetupChange,
  type WholeSetup,
} from '@oculon/core';
import * as Comlink from 'comlink';
import { problemWords } from '../words.ts';
import type { MovementsView, PlanView } from '../planner/api.ts';
import { CHANGE_WORDS } from '../document/change-words.ts';
import { changesBetween, planKey, sharing, type Change } from './plan-changes.ts';
import { Outdated, questionsTo, type PlannerQuestions } from '../planner/asking.ts';
import { takePlanner, type Planner } from '../planner/client.ts';
import { scoreAsRead } from '../planner/setup.ts';
import { History, type Deed } from '../document/history.svelte.ts';
import { browserStore } from '../document/pending-store.ts';
import { SaveQueue } from '../document/save-queue.svelte.ts';
import { pageServer } from '../document/save-server.ts';

export type Phase = 'opening' | 'ready' | 'failed';

export interface WorkbenchStart {
  readonly piece: string;
  readonly fingering: string;
  readonly revision: number;
  readonly edits: readonly Edit[];
  /** Ids of the edits, in their order. */
  readonly editIds: readonly string[];
  readonly part: string;
}

/** Quiet before prices are asked for, in ms: walking through a piece must not pile them up. */
export const PAUSE = 250;
/** A change is planned in silence for so long, in ms: most are done by then, and a flash of news would only distract. */
const SILENCE = 250;

/** The state of one open piece. Edits flow one way: command → edit → fingering → planner → sheet. */
export class Workbench {
  phase = $state<Phase>('opening');
  problem = $state('');
  /** The piece as the file was read. */
  #opened = $state.raw<Score>();
  repairs = $state.raw<readonly Repair[]>([]);
  /** Marks that the source writes. */
  sourceMarks = $state.raw<ReadonlyMap<MarkId, Mark>>(new Map());
  fingering = $state.raw<Fingering>(EMPTY_FINGERING);
  plan = $state.raw<PlanView>();
  planning = $state(false);
  /** Whether the teacher waits for a plan long enough to be told. */
  slow = $state(false);
  progress = $state(0);
  caret = $state<NoteIndex>(0);
  /** Priced ways to take the note at the caret; empty until they are known. */
  ways = $state.raw<readonly PricedPlacement[]>([]);
  /** Notes that could as well be taken otherwise. */
  nearTies = $state.raw<ReadonlySet<NoteIndex>>(new Set());
  /** The marks from which all others follow; undefined until somebody asks for them. */
  essential = $state.raw<ReadonlyMap<NoteIndex, Essential>>();
  /** What the hands do; those of the plan before until those of this one are known, so that nothing closes meanwhile. */
  movements = $state.raw<MovementsView>();
  /** The plan that the movements belong to. */
  movementsOf = $state.raw<PlanView>();
  changes = $state.raw<readonly Change[]>([]);
  notice = $state('');
  conflict = $state.raw<{
    readonly conflicts: readonly Conflict[];
    readonly decide: (keepMine: boolean) => void;
  }>();
  /** Hand, instrument, schools: what is decided, and what is usual where nothing is. */
  readonly setup: WholeSetup = $derived(wholeSetup(this.fingering.setup));
  readonly #octave = $derived(this.setup.octave);
  /** The piece in the octave in which the teacher reads it. */
  readonly score = $derived(this.#opened && scoreAsRead(this.#opened, { octave: this.#octave }));
  /** Marks on the sheet, whoever wants them. */
  marks = $derived.by(() => placedMarks(this.plan?.proposals ?? [], this.sourceMarks, this.fingering.marks));
  /** Findings that the teacher has not put aside. */
  openFindings = $derived.by(() =>
    (this.plan?.findings ?? []).filter((finding) => !this.fingering.dismissed.has(findingKey(finding))),
  );
  /** How often a new mark was asked for by key: the panel of marks answers. */
  markAskedFor = $state(0);

  /** What was done and can be taken back. */
  readonly history = new History();
  readonly saving: SaveQueue;
  readonly #start: WorkbenchStart;
  readonly #planner: Planner = takePlanner();
  /** What the planner knows beyond the plan itself: prices, effects, other ways. */
  readonly planner: PlannerQuestions = questionsTo(this.#planner.api, () => this.plan?.id ?? 0);
  #replanAgain = false;
  /** The planning that is under way, or was last. */
  #running: Promise<void> = Promise.resolve();
  /** What the plan at hand was made for. */
  #plannedFor: unknown;
  #closed = false;
  /** The plan before the change whose effect is being shown. */
  #planBefore: PlanView | undefined;

  constructor(start: WorkbenchStart) {
    this.#start = start;
    this.fingering = applyEdits(EMPTY_FINGERING, start.edits);
    this.saving = new SaveQueue(
      {
        fingering: start.fingering,
        revision: start.revision,
        base: this.fingering,
        savedIds: start.editIds,
      },
      pageServer,
      browserStore(),
      {
        onChanged: (fingering, why, count) => {
          this.fingering = fingering;
          this.notice = CHANGE_WORDS[why](count);
          this.history.clear();
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
      },
    );
  }

  async open(): Promise<void> {
    try {
      const response = await fetch(`/api/pieces/${this.#start.piece}/source`);
      if (!response.ok)
        throw new Error('The piece could not be fetched. Check the connection and load the page again.');
      const bytes = new Uint8Array(await response.arrayBuffer());
      const opened = await this.#planner.api.open(Comlink.transfer(bytes, [bytes.buffer]), this.#start.part);
      if (!opened.ok) {
        this.problem = problemWords(opened.error);
        this.phase = 'failed';
        return;
      }
      this.#opened = opened.value.score;
      this.repairs = opened.value.repairs;
      this.sourceMarks = new Map(opened.value.marks);
      this.fingering = await this.saving.adopt();
      void this.saving.send();
      this.phase = 'ready';
      await this.replan();
    } catch (error) {
      this.problem = (error as Error).message;
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
    this.#running = this.#planAll();
    await this.#running;
    await this.#lookFurther();
  }

  async #planAll(): Promise<void> {
    this.progress = 0;
    this.slow = this.plan === undefined;
    const tell = setTimeout(() => (this.slow = true), SILENCE);
    try {
      do {
        this.#replanAgain = false;
        const wanted = planKey(this.fingering);
        const answer = await this.#planner.api.plan(
          {
            choices: [...this.fingering.choices],
            rules: [...this.fingering.rules],
            // Of the marks only slurs change what is played.
            marks: [...this.fingering.marks],
          },
          this.fingering.setup,
          Comlink.proxy((share) => {
            this.progress = share;
          }),
        );
        const plan = this.plan ? sharing(this.plan, answer) : answer;
        this.changes = this.#planBefore ? changesBetween(this.#planBefore, plan) : [];
        this.plan = plan;
        this.#plannedFor = wanted;
        this.nearTies = new Set();
        this.essential = undefined;
      } while (this.#replanAgain);
    } catch {
      this.notice = 'The planner stopped. Your decisions are kept; load the page again to go on.';
    } finally {
      clearTimeout(tell);
      this.planning = false;
      this.slow = false;
    }
  }

  /** Works out which marks of the plan are essential. */
  async findEssential(): Promise<void> {
    const { plan } = this;
    if (!plan || this.planning || this.essential) return;
    try {
      const essential = new Map(await this.planner.essential());
      if (this.plan === plan) this.essential = essential;
    } catch (error) {
      if (error instanceof Outdated) return;
      this.notice = 'The essential marks could not be worked out. Load the page again.';
    }
  }

  /** Looks for the movements and for notes that leave a choice, once the teacher has paused. */
  async #lookFurther(): Promise<void> {
    const { plan } = this;
    await new Promise((resolve) => setTimeout(resolve, PAUSE));
    if (this.plan !== plan || this.planning || this.#closed) return;
    try {
      const movements = await this.planner.movements();
      if (this.plan !== plan) return;
      this.movements = movements;
      this.movementsOf = plan;
      const ties = await this.planner.nearTies();
      if (this.plan === plan) this.nearTies = new Set(ties);
    } catch (error) {
      if (this.#closed || error instanceof Outdated) return;
      this.notice = 'The movements could not be worked out. Load the page again.';
    }
  }

  #perform(edits: Deed): void {
    this.#planBefore = this.plan;
    this.notice = '';
    this.fingering = applyEdits(this.fingering, edits);
    // The planner sets to work first; keeping the edits happens beside it.
    if (edits.some((edit) => edit.kind !== 'dismiss')) void this.replan();
    for (const edit of edits) this.saving.add(edit);
  }

  #do(edits: Deed): void {
    if (edits.length === 0) return;
    this.history.add(edits);
    this.#perform(edits);
  }

  /** Decides something about a note; what is left undefined goes back to the planner. */
  choose(note: Note, change: Choice): void {
    this.#do([chooseEdit(this.fingering, note.id, change)]);
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

  /** Sets or changes a mark, takes one away, or with null leaves it to the plan and the source again. */
  setMark(id: MarkId, decision: MarkDecision | null): void {
    this.#do([markEdit(this.fingering, id, decision)]);
  }

  /** Takes a mark away: one that the plan or the source would still have is kept away. */
  removeMark(id: MarkId): void {
    this.setMark(id, this.#absence(id));
  }

  #absence(id: MarkId): MarkDecision | null {
    const isElsewhere =
      this.sourceMarks.has(id) || (this.plan?.proposals.some((mark) => markId(mark) === id) ?? false);
    return isElsewhere ? { kind: 'removed' } : null;
  }

  /** Puts a mark somewhere else; one undo takes both steps back. */
  moveMark(from: MarkId, to: MarkId, mark: Mark): void {
    this.#do([markEdit(this.fingering, from, this.#absence(from)), markEdit(this.fingering, to, mark)]);
  }

  /** Asks the panel of marks for a new mark at the caret. */
  askForMark(): void {
    this.markAskedFor += 1;
  }

  /** The note of the next open finding after the caret, or before it, and round again; undefined when there is none. */
  findingNote(direction: 1 | -1): NoteIndex | undefined {
    const ids = new Set(this.openFindings.map(({ note }) => note));
    const notes = this.score?.notes.filter(({ id }) => ids.has(id)) ?? [];
    const here = this.caretNote?.onset ?? 0;
    const next =
      direction === 1
        ? (notes.find((note) => note.onset > here) ?? notes[0])
        : (notes.findLast((note) => note.onset < here) ?? notes.at(-1));
    return next?.index;
  }

  /** Makes the decisions that answer a finding; one undo takes them all back. */
  applyFix({ choices, marks }: Fix): void {
    this.#do([
      ...choices.map(([id, change]) => chooseEdit(this.fingering, id, change)),
      ...marks.map(([id, decision]) => markEdit(this.fingering, id, decision)),
    ]);
  }

  undo(): void {
    const deed = this.history.takeBack();
    if (!deed) return;
    this.#moveTo(deed);
    this.#perform(deed.toReversed().map(invertEdit));
  }

  redo(): void {
    const deed = this.history.doAgain();
    if (!deed) return;
    this.#moveTo(deed);
    this.#perform(deed);
  }

  #moveTo([edit]: Deed): void {
    const id =
      edit?.kind === 'choose' ? edit.note : edit?.kind === 'mark' ? edit.mark.split('@')[1] : undefined;
    const note = this.score && noteById(this.score, id as NoteId | undefined);
    if (note) this.caret = note.index;
  }

  /** Changes hand, instrument or schools; a field given as undefined is left to the piece or to what is usual. */
  changeSetup(part: Partial<WholeSetup>): void {
    const { setup } = this.fingering;
    const changed = SETUP_FIELDS.filter((field) => field in part && !sameValue(part[field], setup[field]));
    if (changed.length === 0) return;
    const change = Object.fromEntries(changed.map((field) => [field, part[field] ?? null])) as SetupChange;
    this.#do([setupEdit(this.fingering, change)]);
  }

  /** Waits until the plan is that of the fingering as it stands. */
  async #planned(): Promise<void> {
    while (this.planning) await this.#running;
    if (this.#plannedFor !== planKey(this.fingering))
      throw new Error('The planner stopped before the last decision was planned. Load the page again.');
  }

  async exportMusicXml() {
    await this.#planned();
    return this.#planner.api.writeMusicXml();
  }

  async exportJson() {
    await this.#planned();
    return this.#planner.api.writeJson();
  }

  get caretNote(): Note | undefined {
    return this.score?.notes[this.caret];
  }

  get caretPlan(): NotePlan | undefined {
    return this.plan?.notes[this.caret];
  }

  close(): void {
    this.#closed = true;
    void this.saving.close();
    this.#planner.release(this.planning || this.phase === 'opening');
  }
}
