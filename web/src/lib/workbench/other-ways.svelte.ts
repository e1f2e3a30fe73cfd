import type { Passage } from '@oculon/core';
import { troubleText } from '../planner/asking.ts';
import type { WayView } from '../planner/api.ts';
import type { CurrentPlan } from '../planner/current-plan.svelte.ts';

/** Other ways of a passage: looked for when asked, shown until another plan makes them old. */
export class OtherWays {
  isOpen = $state(false);
  searching = $state(false);
  problem = $state('');
  /** Whether what lies outside the passage stays as it is. */
  holdsRest = $state(false);
  #found = $state.raw<{
    readonly ways: readonly WayView[];
    readonly passage: Passage;
    readonly plan: unknown;
  }>();
  readonly #planned: CurrentPlan;

  constructor(planned: CurrentPlan) {
    this.#planned = planned;
  }

  /** What was found holds for the plan it was found in. */
  get found(): { readonly ways: readonly WayView[]; readonly passage: Passage } | undefined {
    return this.#found?.plan === this.#planned.plan ? this.#found : undefined;
  }

  get canSearch(): boolean {
    return !this.searching && !this.#planned.planning && this.#planned.plan !== undefined;
  }

  /** Closes, and leaves off a search that is under way. */
  close(): void {
    this.isOpen = false;
    if (this.searching) this.#planned.questions.takeBack('otherWays');
  }

  async search(passage: Passage): Promise<void> {
    if (!this.canSearch) return;
    this.searching = true;
    this.isOpen = true;
    this.problem = '';
    this.#found = undefined;
    const { plan } = this.#planned;
    try {
      this.#found = {
        ways: await this.#planned.questions.otherWays(passage, this.holdsRest),
        passage,
        plan,
      };
    } catch (error) {
      this.problem = troubleText(error, 'The search stopped. Load the page again and try once more.');
    } finally {
      this.searching = false;
    }
  }
}
