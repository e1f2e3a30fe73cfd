import { CHOICE_FIELDS, type Fingering, type Plan, type PlanSetup } from '@oculon/core';

/** Plans kept at once, and the largest piece, in noteheads, whose plans are: those of a longer one take too much memory. */
const KEPT = 16;
const MOST_NOTES = 3000;

/** What of a fingering decides a plan, as text; choices in any order. */
const keyOf = ({ choices, rules, marks }: Fingering): string =>
  JSON.stringify([
    [...choices]
      .map(([id, choice]) => [id, ...CHOICE_FIELDS.map((field) => choice[field])])
      .toSorted(([one], [other]) => (String(one) < String(other) ? -1 : 1)),
    [...rules],
    [...marks],
  ]);

/**
 * Plans under decisions that nobody has made yet, worked out while the teacher looks at a note: when one of them is made, its
 * plan is there already.
 */
export class PlansAhead {
  readonly #plans = new Map<string, Plan>();

  /** Whether plans of a piece as long as that of a plan are kept: those of others need not be made. */
  keeps({ score }: Pick<Plan, 'score'>): boolean {
    return score.notes.length <= MOST_NOTES;
  }

  keep(plan: Plan): void {
    if (!this.keeps(plan)) return;
    this.#plans.set(keyOf(plan.fingering), plan);
    const [oldest] = this.#plans.keys();
    if (this.#plans.size > KEPT && oldest !== undefined) this.#plans.delete(oldest);
  }

  find(fingering: Fingering, setup: PlanSetup): Plan | undefined {
    const plan = this.#plans.get(keyOf(fingering));
    return plan?.setup === setup ? plan : undefined;
  }

  /** Forgets them all: from another plan on, other decisions are the next ones. */
  clear(): void {
    this.#plans.clear();
  }
}

/** Those of the piece that is open. */
export const plansAhead = new PlansAhead();
