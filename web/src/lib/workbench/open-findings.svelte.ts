import { findingKey, noteById, type Finding, type NoteIndex } from '@oculon/core';
import type { Decisions } from '../document/decisions.svelte.ts';
import type { CurrentPlan } from '../planner/current-plan.svelte.ts';
import type { Caret } from './caret.svelte.ts';
import type { OpenPiece } from './open-piece.svelte.ts';
import { stepOf, type WorkStep } from './steps/work-steps.ts';

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

  /** The next open finding after the caret, or before it, and round again, with its note; undefined when there is none. */
  fromCaret(
    direction: 1 | -1,
    of: readonly Finding[] = this.open,
  ): { finding: Finding; note: NoteIndex } | undefined {
    const { score } = this.#piece;
    if (!score) return undefined;
    const placed = of
      .flatMap((finding) => {
        const note = noteById(score, finding.note);
        return note ? [{ finding, note }] : [];
      })
      .sort((a, b) => a.note.onset - b.note.onset);
    const here = this.#caret.note?.onset ?? 0;
    const next =
      direction === 1
        ? (placed.find(({ note }) => note.onset > here) ?? placed[0])
        : (placed.findLast(({ note }) => note.onset < here) ?? placed.at(-1));
    return next && { finding: next.finding, note: next.note.index };
  }

  /** Open findings that are worked on in a step. */
  of(step: WorkStep): readonly Finding[] {
    return this.open.filter((finding) => stepOf(finding) === step);
  }
}
