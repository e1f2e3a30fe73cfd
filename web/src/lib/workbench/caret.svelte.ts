import type { Note, NoteIndex, NotePlan } from '@oculon/core';
import type { CurrentPlan } from '../planner/current-plan.svelte.ts';
import type { OpenPiece } from './open-piece.svelte.ts';

/** Where the teacher is in the piece, and what is selected from there. */
export class Caret {
  #index = $state<NoteIndex>(0);
  /** The note from which the selection reaches to the caret. */
  #anchor = $state<NoteIndex>();
  readonly #piece: OpenPiece;
  readonly #planned: CurrentPlan;

  constructor(piece: OpenPiece, planned: CurrentPlan) {
    this.#piece = piece;
    this.#planned = planned;
  }

  get index(): NoteIndex {
    return this.#index;
  }

  /** Goes to a note; what was selected is selected no longer. */
  set index(note: NoteIndex) {
    this.#index = note;
    this.#anchor = undefined;
  }

  /** Goes to a note and selects all that is struck from where the caret stood. */
  extendTo(note: NoteIndex): void {
    this.#anchor ??= this.#index;
    this.#index = note;
  }

  /** Selects whole bars, counted from 0. */
  selectBars(from: number, to: number): void {
    const inside = this.#piece.score?.notes.filter(
      ({ bar, tiedFrom }) => bar >= from && bar <= to && tiedFrom === undefined,
    );
    const [first, last] = [inside?.[0], inside?.at(-1)];
    if (!first || !last) return;
    this.#anchor = last.index;
    this.#index = first.index;
  }

  get hasSelection(): boolean {
    return this.#anchor !== undefined;
  }

  /** Selects nothing more. */
  collapse(): void {
    this.#anchor = undefined;
  }

  get note(): Note | undefined {
    return this.#piece.score?.notes[this.#index];
  }

  /** How the note is taken. */
  get plan(): NotePlan | undefined {
    return this.#planned.plan?.notes[this.#index];
  }

  /** First and last tick at which something selected is struck; undefined without a selection. */
  readonly selected = $derived.by((): { readonly from: number; readonly to: number } | undefined => {
    const [one, other] = [this.#anchor, this.#index].map((at) =>
      at === undefined ? undefined : this.#piece.score?.notes[at]?.onset,
    );
    return one === undefined || other === undefined
      ? undefined
      : { from: Math.min(one, other), to: Math.max(one, other) };
  });

  /** The struck notes that a deed is about: the selected ones, or the one at the caret. */
  readonly notes = $derived.by((): readonly Note[] => {
    const { selected } = this;
    if (!selected) return this.note ? [this.note] : [];
    return (this.#piece.score?.notes ?? []).filter(
      ({ onset, tiedFrom }) => tiedFrom === undefined && onset >= selected.from && onset <= selected.to,
    );
  });

  /** Bars that a deed is about, counted from 0. */
  readonly bars = $derived.by((): { readonly from: number; readonly to: number } => {
    const bars = this.notes.map(({ bar }) => bar);
    return bars.length > 0 ? { from: Math.min(...bars), to: Math.max(...bars) } : { from: 0, to: 0 };
  });
}
