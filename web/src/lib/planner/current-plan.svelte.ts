import type { Choice, Correction, Density, Fingering, HandPoint, NoteId, NoteIndex } from '@oculon/core';
import * as Comlink from 'comlink';
import type { PlanSounds } from '../sound/listening.svelte.ts';
import {
  fingeringMessage,
  type MovementsView,
  type PageView,
  type PlanView,
  type VersionComparison,
  type VersionMessage,
} from './api.ts';
import { Outdated, questionsTo, type PlannerQuestions } from './asking.ts';
import type { Planner } from './client.ts';
import { changesBetween, planKey, sharing, type Change } from './plan-changes.ts';

/** Quiet before prices are asked for, in ms: walking through a piece must not pile them up. */
export const PAUSE = 250;
/** A change is planned in silence for so long, in ms: most are done by then, and a flash of news would only distract. */
const SILENCE = 250;

/** The plan of the fingering at hand, and what is worked out from it while the teacher looks. */
export class CurrentPlan {
  plan = $state.raw<PlanView>();
  planning = $state(false);
  /** Whether the teacher waits for a plan long enough to be told. */
  slow = $state(false);
  progress = $state(0);
  changes = $state.raw<readonly Change[]>([]);
  /** Notes that could as well be taken otherwise. */
  nearTies = $state.raw<ReadonlySet<NoteIndex>>(new Set());
  /** What stands on the page at the density asked for last; undefined until it is known. */
  page = $state.raw<PageView>();
  /** What the hands do; those of the plan before until those of this one are known, so that nothing closes meanwhile. */
  movements = $state.raw<MovementsView>();
  /** The plan that the movements belong to. */
  movementsOf = $state.raw<PlanView>();
  /** What the planner knows beyond the plan itself: prices, effects, other ways. */
  readonly questions: PlannerQuestions;

  readonly #planner: Planner;
  readonly #fingering: () => Fingering;
  readonly #say: (words: string) => void;
  #replanAgain = false;
  /** The planning that is under way, or was last. */
  #running: Promise<void> = Promise.resolve();
  /** What the plan at hand was made for. */
  #plannedFor: unknown;
  #closed = false;
  /** The plan before the change whose effect is being shown. */
  #before: PlanView | undefined;

  constructor(planner: Planner, fingering: () => Fingering, say: (words: string) => void) {
    this.#planner = planner;
    this.#fingering = fingering;
    this.#say = say;
    this.questions = questionsTo(planner.api, () => this.plan?.id ?? 0);
  }

  /** From here on changes are told against the plan as it stands. */
  compareFromHere(): void {
    this.#before = this.plan;
  }

  /** Shows at once what was decided about notes; what follows from it comes with the next plan. */
  anticipate(decided: readonly (readonly [NoteIndex, Choice])[]): void {
    const { plan } = this;
    if (!plan || decided.length === 0) return;
    const notes = [...plan.notes];
    for (const [index, { string, finger, pluck }] of decided) {
      const note = notes[index];
      if (!note || note.tied) continue;
      notes[index] = {
        ...note,
        ...(string != null && { string }),
        ...(finger != null && { finger }),
        ...(pluck != null && note.pluck !== undefined && { pluck }),
      };
    }
    this.plan = { ...plan, notes };
  }

  /** Plans anew; a call while one runs makes the running one be followed by another. */
  async replan(): Promise<void> {
    if (this.planning) {
      this.#replanAgain = true;
      return;
    }
    await this.planAlone();
    await this.#lookFurther();
  }

  /** Plans anew and looks no further, for a page that asks for neither movements nor prices. */
  async planAlone(): Promise<void> {
    this.planning = true;
    this.#running = this.#planAll();
    await this.#running;
  }

  async #planAll(): Promise<void> {
    this.progress = 0;
    this.slow = this.plan === undefined;
    const tell = setTimeout(() => (this.slow = true), SILENCE);
    try {
      do {
        this.#replanAgain = false;
        await this.#planOnce();
      } while (this.#replanAgain);
    } catch {
      this.#say('The planner stopped. Your decisions are kept; load the page again to go on.');
    } finally {
      clearTimeout(tell);
      this.planning = false;
      this.slow = false;
    }
  }

  async #planOnce(): Promise<void> {
    const fingering = this.#fingering();
    const answer = await this.#planner.api.plan(
      fingeringMessage(fingering),
      fingering.setup,
      Comlink.proxy((share) => {
        this.progress = share;
      }),
    );
    const plan = this.plan ? sharing(this.plan, answer) : answer;
    this.changes = this.#before ? changesBetween(this.#before, plan) : [];
    this.plan = plan;
    this.#plannedFor = planKey(fingering);
    this.nearTies = new Set();
    this.page = undefined;
  }

  /** Works out what stands on the page at a density. */
  async findPage(density: Density): Promise<void> {
    const { plan } = this;
    if (!plan || this.planning || this.page?.density === density) return;
    try {
      const page = await this.questions.page(density);
      if (this.plan === plan) this.page = page;
    } catch (error) {
      if (error instanceof Outdated) return;
      this.#say('The marks of the page could not be worked out. Load the page again.');
    }
  }

  /** Looks for the movements and for notes that leave a choice, once the teacher has paused. */
  async #lookFurther(): Promise<void> {
    const { plan } = this;
    await new Promise((resolve) => setTimeout(resolve, PAUSE));
    if (this.plan !== plan || this.planning || this.#closed) return;
    try {
      const movements = await this.questions.movements();
      if (this.plan !== plan) return;
      this.movements = movements;
      this.movementsOf = plan;
      const ties = await this.questions.nearTies();
      if (this.plan === plan) this.nearTies = new Set(ties);
    } catch (error) {
      if (this.#closed || error instanceof Outdated) return;
      this.#say('The movements could not be worked out. Load the page again.');
    }
  }

  /** Waits until the plan is that of the fingering as it stands. */
  async #settled(): Promise<void> {
    while (this.planning) await this.#running;
    if (this.#plannedFor !== planKey(this.#fingering()))
      throw new Error('The planner stopped before the last decision was planned. Load the page again.');
  }

  /** Where and why the plan differs from that of another version, made for another hand. */
  async handPoints(there: VersionMessage): Promise<readonly HandPoint[]> {
    await this.#settled();
    return this.#planner.api.handPoints(there);
  }

  /** Where two states of the piece would be taken otherwise. */
  compare(one: VersionMessage, other: VersionMessage): Promise<VersionComparison> {
    return this.#planner.api.compare(one, other);
  }

  /** What is heard of the plan. */
  async sounds(): Promise<PlanSounds> {
    await this.#settled();
    return this.questions.sounds();
  }

  /** What is heard of another version of the piece. */
  soundsOf(version: VersionMessage): Promise<PlanSounds> {
    return this.#planner.api.soundsOf(version);
  }

  async exportMusicXml(hasTablature = false) {
    await this.#settled();
    return this.#planner.api.writeMusicXml(hasTablature);
  }

  /** The file of the piece with one note corrected. */
  correct(note: NoteId, correction: Correction) {
    return this.#planner.api.correct(note, correction);
  }

  async exportJson() {
    await this.#settled();
    return this.#planner.api.writeJson();
  }

  /** Gives the planner back; `isOpening` while the piece is still being read in it. */
  close(isOpening: boolean): void {
    this.#closed = true;
    this.#planner.release(this.planning || isOpening);
  }
}
