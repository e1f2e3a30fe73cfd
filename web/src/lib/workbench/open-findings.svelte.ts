import { findingKey, type NoteIndex } from '@oculon/core';
import type { Decisions } from '../document/decisions.svelte.ts';
import type { CurrentPlan } from '../planner/current-plan.svelte.ts';
import type { Caret } from './caret.svelte.ts';
import type { OpenPiece } from './open-piece.svelte.ts';

/** The findings that the teacher has not put aside. */
export class OpenFindings {
  readonly #piece: OpenPiece;
  readonly #decisions: Decisions;
  readonly #planned: CurrentPlan;
  readonly #caret: Caret;
  readonly open = $derived.by(() =>
    (this.#planned.plan?.findings ?? []).filter(
      (finding) => !this.#decisions.fingering.dismissed.has(findingKey(finding)),
    ),
  );

  constructor(piece: OpenPiece, decisions: Decisions, planned: CurrentPlan, caret: Caret) {
    this.#piece = piece;
    this.#decisions = decisions;
    this.#planned = planned;
    this.#caret = caret;
  }

  /** The note of the next open finding after the caret, or before it, and round again; undefined when there is none. */
  noteFromCaret(direction: 1 | -1): NoteIndex | undefined {
    const ids = new Set(this.open.map(({ note }) => note));
    const notes = this.#piece.score?.notes.filter(({ id }) => ids.has(id)) ?? [];
    const here = this.#caret.note?.onset ?? 0;
    const next =
      direction === 1
        ? (notes.find((note) => note.onset > here) ?? notes[0])
        : (notes.findLast((note) => note.onset < here) ?? notes.at(-1));
    return next?.index;
  }
}
