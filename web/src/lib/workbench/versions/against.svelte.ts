import type { ChoicePreview, Edit } from '@oculon/core';
import * as z from 'zod/mini';
import { savedEditSchema } from '../../document/saving.ts';
import type { Decisions } from '../../document/decisions.svelte.ts';
import type { VersionComparison } from '../../planner/api.ts';
import type { CurrentPlan } from '../../planner/current-plan.svelte.ts';
import { messageOf, versionMessage } from '../../versions/comparison.ts';

export interface NamedVersion {
  readonly id: string;
  readonly name: string;
}

const answerSchema = z.object({ edits: z.array(savedEditSchema) });

/** Another version of the piece, laid beside the one at hand. */
export class Against {
  version = $state.raw<NamedVersion>();
  problem = $state('');
  #edits: readonly Edit[] = [];
  #compared = $state.raw<{ readonly plan: unknown; readonly value: VersionComparison }>();
  readonly #decisions: Decisions;
  readonly #planned: CurrentPlan;

  constructor(decisions: Decisions, planned: CurrentPlan) {
    this.#decisions = decisions;
    this.#planned = planned;
  }

  /** What differs, as it was for this plan or the one before it: nothing closes while one decides. */
  get compared(): VersionComparison | undefined {
    return this.#compared?.value;
  }

  /** How the other version takes the notes that differ. */
  get shown(): ChoicePreview | undefined {
    if (!this.#compared || this.#compared.plan !== this.#planned.plan) return undefined;
    const { differences, terms, rightTerms } = this.#compared.value;
    return {
      terms,
      rightTerms,
      notes: differences.map(({ note, other }) => [note, other]),
      appearing: [],
      vanishing: [],
    };
  }

  async lay(version: NamedVersion): Promise<void> {
    this.version = version;
    this.problem = '';
    this.#compared = undefined;
    try {
      const answer = await fetch(`/api/fingerings/${version.id}/edits`);
      if (!answer.ok) throw new Error();
      this.#edits = answerSchema.parse(await answer.json()).edits.map(({ edit }) => edit);
      await this.compare();
    } catch {
      this.problem = 'The version could not be fetched. Check the connection and try again.';
    }
  }

  /** Compares with the plan at hand. */
  async compare(): Promise<void> {
    const { plan } = this.#planned;
    const { version } = this;
    if (!version || !plan || this.#compared?.plan === plan) return;
    const value = await this.#planned.compare(
      messageOf(this.#decisions.fingering),
      versionMessage(this.#edits),
    );
    if (this.version === version) this.#compared = { plan, value };
  }

  close(): void {
    this.version = undefined;
    this.#compared = undefined;
  }
}
