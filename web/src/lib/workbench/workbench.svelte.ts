import { noteById, type Edit, type NoteId } from '@oculon/core';
import { Decisions, type SavedFingering } from '../document/decisions.svelte.ts';
import type { Deed } from '../document/history.svelte.ts';
import { takePlanner, type Planner } from '../planner/client.ts';
import { CurrentPlan } from '../planner/current-plan.svelte.ts';
import { Caret } from './caret.svelte.ts';
import { Choices } from './choices.svelte.ts';
import { DeskView } from './desk-view.svelte.ts';
import { OtherWays } from './other-ways.svelte.ts';
import { OpenFindings } from './open-findings.svelte.ts';
import { OpenPiece, type WantedSource } from './open-piece.svelte.ts';
import { Against } from './versions/against.svelte.ts';
import { Past } from './past/past.svelte.ts';
import { SheetMarks } from './sheet-marks.svelte.ts';

/** Edits that change nothing in what is played. */
const UNPLAYED: ReadonlySet<Edit['kind']> = new Set(['dismiss', 'sentence']);

export interface WorkbenchStart extends SavedFingering, WantedSource {}

/** A version as a page has loaded it. */
export interface LoadedVersion extends Omit<WorkbenchStart, 'piece'> {
  readonly piece: { readonly id: string };
}

/** The workbench of a version that a page has loaded; `open` has still to be called, and `close` at the end. */
export const workbenchOf = ({ piece, ...start }: LoadedVersion): Workbench =>
  new Workbench({ ...start, piece: piece.id });

/**
 * One open piece: its parts, and what passes between them. Edits flow one way: command → decisions → plan → sheet. A
 * panel takes the parts it needs; only what performs commands takes the whole.
 */
export class Workbench {
  /** News for the teacher. */
  notice = $state('');
  /** Bars whose fingering was taken up, counted from 0. */
  takenUp = $state.raw<{ readonly from: number; readonly to: number }>();
  readonly decisions: Decisions;
  readonly piece: OpenPiece;
  readonly planned: CurrentPlan;
  readonly caret: Caret;
  readonly choices: Choices;
  readonly view: DeskView;
  readonly otherWays: OtherWays;
  readonly past: Past;
  readonly against: Against;
  readonly marks: SheetMarks;
  readonly findings: OpenFindings;
  readonly #start: WorkbenchStart;
  readonly #planner: Planner = takePlanner();

  constructor(start: WorkbenchStart) {
    this.#start = start;
    this.decisions = new Decisions(start, {
      onDecided: (deed) => this.#decided(deed),
      onRevisited: (deed) => this.#moveTo(deed),
      onBrought: (words) => {
        this.notice = words;
        void this.planned.replan();
      },
    });
    this.piece = new OpenPiece(() => this.decisions.setup.octave);
    this.planned = new CurrentPlan(
      this.#planner,
      () => this.decisions.fingering,
      (words) => (this.notice = words),
    );
    this.caret = new Caret(this.piece, this.planned);
    this.choices = new Choices(this.caret, this.planned);
    this.view = new DeskView(start.fingering);
    this.otherWays = new OtherWays(this.planned);
    this.against = new Against(this.decisions, this.planned);
    this.past = new Past(start.fingering, this.decisions, this.planned);
    this.marks = new SheetMarks(this.piece, this.decisions, this.planned);
    this.findings = new OpenFindings(this.piece, this.decisions, this.planned, this.caret);
  }

  async open(): Promise<void> {
    if (!(await this.piece.open(this.#start, this.#planner))) return;
    try {
      await this.decisions.adopt();
      this.piece.phase = 'ready';
      this.caret.index = this.#caretBefore();
      await this.planned.replan();
    } catch (error) {
      this.piece.fail((error as Error).message);
    }
  }

  /** The struck note at which the teacher left the piece, or the last one of what is there now. */
  #caretBefore(): number {
    const notes = this.piece.score?.notes ?? [];
    const at = Math.max(0, Math.min(this.view.caretBefore, notes.length - 1));
    return notes[at]?.tiedFrom ?? at;
  }

  #decided(deed: Deed): void {
    this.planned.compareFromHere();
    this.notice = '';
    const { score } = this.piece;
    this.planned.anticipate(
      deed.flatMap((edit) => {
        const index = edit.kind === 'choose' ? score?.indexOf.get(edit.note) : undefined;
        return edit.kind === 'choose' && index !== undefined ? [[index, edit.after] as const] : [];
      }),
    );
    if (deed.some(({ kind }) => !UNPLAYED.has(kind))) void this.planned.replan();
  }

  #moveTo([edit]: Deed): void {
    const id =
      edit?.kind === 'choose' ? edit.note : edit?.kind === 'mark' ? edit.mark.split('@')[1] : undefined;
    const note = this.piece.score && noteById(this.piece.score, id as NoteId | undefined);
    if (note) this.caret.index = note.index;
  }

  close(): void {
    void this.decisions.saving.close();
    this.planned.close(this.piece.phase === 'opening');
  }
}
