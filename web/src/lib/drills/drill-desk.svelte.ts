import {
  EMPTY_FINGERING,
  placedMarks,
  type Mark,
  type MarkId,
  type NoteIndex,
  type Score,
  type Setup,
} from '@oculon/core';
import { takePlanner, type Planner } from '../planner/client.ts';
import { CurrentPlan } from '../planner/current-plan.svelte.ts';
import { problemWords } from '../words.ts';

/** A drill to be planned and shown. */
export interface WantedDrill {
  readonly title: string;
  /** The document as it was made, without a plan. */
  readonly source: string;
  /** Quarters a minute. */
  readonly tempo: number;
  readonly care: readonly string[];
  readonly setup: Setup;
}

/** A drill that is made and planned. */
export interface MadeDrill extends WantedDrill {
  readonly score: Score;
  readonly sourceMarks: ReadonlyMap<MarkId, Mark>;
  readonly planned: CurrentPlan;
}

/** Why there is nothing to show, in words. */
export class NoDrill extends Error {}

/** Has drills planned as they are asked for; the last one that was asked for counts. */
export class DrillDesk {
  made = $state.raw<MadeDrill>();
  problem = $state('');
  isMaking = $state(false);
  readonly placed = $derived.by(() => {
    const plan = this.made?.planned.plan;
    return plan && this.made ? placedMarks(plan.proposals, this.made.sourceMarks, new Map()) : [];
  });
  #planner: Planner | undefined;
  #next: (() => Promise<WantedDrill>) | undefined;

  /** Shows a drill; while one is being made the last one asked for waits. `find` throws `NoDrill` where there is none. */
  show(find: () => Promise<WantedDrill>): void {
    this.#next = find;
    if (!this.isMaking) void this.#work();
  }

  async #work(): Promise<void> {
    this.isMaking = true;
    for (let next = this.#next; next; next = this.#next) {
      this.#next = undefined;
      try {
        this.made = await this.#make(await next());
        this.problem = '';
      } catch (error) {
        this.problem =
          error instanceof NoDrill ? error.message : 'The drill could not be made. Load the page again.';
      }
    }
    this.isMaking = false;
  }

  async #make(wanted: WantedDrill): Promise<MadeDrill> {
    const planner = (this.#planner ??= takePlanner());
    const bytes = new TextEncoder().encode(wanted.source);
    const opened = await planner.openBytes(bytes);
    if (!opened.ok) throw new NoDrill(problemWords(opened.error));
    const fingering = { ...EMPTY_FINGERING, setup: { ...wanted.setup, tempo: wanted.tempo } };
    const planned = new CurrentPlan(
      planner,
      () => fingering,
      (words) => (this.problem = words),
    );
    await planned.planAlone();
    if (!planned.plan) throw new Error('the planner stopped');
    return {
      ...wanted,
      score: opened.value.score,
      sourceMarks: new Map(opened.value.marks),
      planned,
    };
  }

  close(): void {
    this.#next = undefined;
    this.#planner?.release(this.isMaking);
    this.#planner = undefined;
  }
}

/** The bar of a note, counted from 0. */
export const barOf = ({ score }: MadeDrill, note: NoteIndex): number => score.notes[note]?.bar ?? 0;
