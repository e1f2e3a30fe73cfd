import type { Note, NoteIndex, NotePlan, PricedPlacement } from '@oculon/core';
import type { CurrentPlan } from '../planner/current-plan.svelte.ts';
import type { OpenPiece } from './open-piece.svelte.ts';

/** Where the teacher is in the piece. */
export class Caret {
  index = $state<NoteIndex>(0);
  /** Priced ways to take the note; empty until they are known. */
  ways = $state.raw<readonly PricedPlacement[]>([]);
  readonly #piece: OpenPiece;
  readonly #planned: CurrentPlan;

  constructor(piece: OpenPiece, planned: CurrentPlan) {
    this.#piece = piece;
    this.#planned = planned;
  }

  get note(): Note | undefined {
    return this.#piece.score?.notes[this.index];
  }

  /** How the note is taken. */
  get plan(): NotePlan | undefined {
    return this.#planned.plan?.notes[this.index];
  }
}
