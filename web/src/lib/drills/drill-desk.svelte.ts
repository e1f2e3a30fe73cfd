import {
  drillCare,
  drillKindNamed,
  drillProblemText,
  drillSource,
  drillTitle,
  EMPTY_FINGERING,
  placedMarks,
  readDrill,
  wordingIn,
  type Drill,
  type DrillName,
  type Language,
  type Mark,
  type MarkId,
  type NoteNames,
  type Score,
  type Setup,
} from '@oculon/core';
import * as Comlink from 'comlink';
import { takePlanner, type Planner } from '../planner/client.ts';
import { CurrentPlan } from '../planner/current-plan.svelte.ts';
import { problemWords } from '../words.ts';

/** For whom a drill is made: their hand and instrument, and the language in which it is named. */
export interface DrillPlayer {
  readonly setup: Setup;
  readonly language: Language;
  readonly noteNames: NoteNames;
}

/** A drill that is made and planned. */
export interface MadeDrill {
  readonly drill: Drill;
  readonly title: string;
  readonly care: readonly string[];
  /** The document as it was made, without the plan. */
  readonly source: string;
  readonly score: Score;
  readonly sourceMarks: ReadonlyMap<MarkId, Mark>;
  readonly planned: CurrentPlan;
}

/** Makes drills as they are asked for, and has both hands planned; the last one that was asked for counts. */
export class DrillDesk {
  made = $state.raw<MadeDrill>();
  problem = $state('');
  isMaking = $state(false);
  readonly placed = $derived.by(() => {
    const plan = this.made?.planned.plan;
    return plan && this.made ? placedMarks(plan.proposals, this.made.sourceMarks, new Map()) : [];
  });
  #planner: Planner | undefined;
  #next: (() => Promise<void>) | undefined;

  /** Makes a drill from what is chosen for it; while one is being made the last one asked for waits. */
  ask(kind: DrillName, typed: Readonly<Record<string, string>>, player: DrillPlayer): void {
    this.#next = () => this.#make(kind, typed, player);
    if (!this.isMaking) void this.#work();
  }

  async #work(): Promise<void> {
    this.isMaking = true;
    try {
      for (let next = this.#next; next; next = this.#next) {
        this.#next = undefined;
        await next();
      }
    } catch {
      this.problem = 'The drill could not be made. Load the page again.';
    } finally {
      this.isMaking = false;
    }
  }

  async #make(
    kind: DrillName,
    typed: Readonly<Record<string, string>>,
    { setup, language, noteNames }: DrillPlayer,
  ): Promise<void> {
    const wording = wordingIn(language, noteNames);
    const read = readDrill(kind, typed);
    if (!read.ok) {
      this.problem = drillProblemText(wordingIn('en'), read.error);
      return;
    }
    const title = drillTitle(wording, read.value);
    const source = drillSource(read.value, title);
    const planner = (this.#planner ??= takePlanner());
    const bytes = new TextEncoder().encode(source);
    const opened = await planner.api.open(Comlink.transfer(bytes, [bytes.buffer]), undefined);
    if (!opened.ok) {
      this.problem = problemWords(opened.error);
      return;
    }
    const fingering = { ...EMPTY_FINGERING, setup: { ...setup, tempo: Number(read.value.values.tempo) } };
    const planned = new CurrentPlan(
      planner,
      () => fingering,
      (words) => (this.problem = words),
    );
    void planned.replan();
    await planned.settled();
    this.problem = '';
    this.made = {
      drill: read.value,
      title,
      care: drillCare(wording, kind),
      source,
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

export const isDrillName = (name: string): name is DrillName => drillKindNamed(name) !== undefined;
