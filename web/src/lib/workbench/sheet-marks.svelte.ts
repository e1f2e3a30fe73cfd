import { markId, placedMarks, type Mark, type MarkDecision, type MarkId } from '@oculon/core';
import type { Decisions } from '../document/decisions.svelte.ts';
import type { CurrentPlan } from '../planner/current-plan.svelte.ts';
import type { OpenPiece } from './open-piece.svelte.ts';

/** The marks on the sheet, whoever wants them: the plan, the file or the teacher. */
export class SheetMarks {
  readonly #piece: OpenPiece;
  readonly #decisions: Decisions;
  readonly #planned: CurrentPlan;
  readonly placed = $derived.by(() =>
    placedMarks(
      this.#planned.plan?.proposals ?? [],
      this.#piece.sourceMarks,
      this.#decisions.fingering.marks,
    ),
  );
  /** A new mark was asked for by key: the panel of marks answers. */
  isAskedFor = $state(false);

  constructor(piece: OpenPiece, decisions: Decisions, planned: CurrentPlan) {
    this.#piece = piece;
    this.#decisions = decisions;
    this.#planned = planned;
  }

  /** Asks the panel of marks for a new mark at the caret. */
  askFor(): void {
    this.isAskedFor = true;
  }

  /** Sets or changes a mark, or with null leaves it to the plan and the source again. */
  set(id: MarkId, decision: MarkDecision | null): void {
    this.#decisions.setMarks([[id, decision]]);
  }

  /** Takes a mark away: one that the plan or the source would still have is kept away. */
  remove(id: MarkId): void {
    this.set(id, this.#absence(id));
  }

  /** Puts a mark somewhere else; one undo takes both steps back. */
  move(from: MarkId, to: MarkId, mark: Mark): void {
    this.#decisions.setMarks([
      [from, this.#absence(from)],
      [to, mark],
    ]);
  }

  #absence(id: MarkId): MarkDecision | null {
    const isElsewhere =
      this.#piece.sourceMarks.has(id) ||
      (this.#planned.plan?.proposals.some((mark) => markId(mark) === id) ?? false);
    return isElsewhere ? { kind: 'removed' } : null;
  }
}
