import type { Steps } from '@oculon/core';

/** Names a plan among those a planner has made. */
export type PlanId = number;

/** What became of a question about a plan. */
export type Answer<T> =
  | { readonly kind: 'answer'; readonly plan: PlanId; readonly value: T }
  /** Another plan was made meanwhile, or the question was taken back: nobody needs the answer any more. */
  | { readonly kind: 'outdated' };

/** Work on a question: at once, or in steps between which it can be left off. */
export type Work<T> = () => T | Steps<T>;

const isSteps = <T>(made: T | Steps<T>): made is Steps<T> =>
  typeof made === 'object' && made !== null && 'next' in made && Symbol.iterator in made;

/** How long a question is worked on before others are listened to, in ms. */
const BREATH = 25;

const breathe = (): Promise<void> =>
  new Promise((resolve) => {
    setTimeout(resolve, 0);
  });

/**
 * Where questions about plans are answered. Each is about one plan, and its answer says so; a question about a plan that is
 * no longer the latest is left off, also in the midst of it.
 */
export class Desk {
  private latest: PlanId = 0;
  private readonly withdrawn = new Set<number>();

  /** A new plan lies on the desk; questions about those before are outdated. */
  lay(): PlanId {
    this.latest += 1;
    return this.latest;
  }

  /** Takes a question back, by the number it was asked with. */
  withdraw(question: number): void {
    this.withdrawn.add(question);
  }

  async answer<T>(plan: PlanId, question: number, work: Work<T>): Promise<Answer<T>> {
    const isWanted = (): boolean => plan === this.latest && !this.withdrawn.has(question);
    try {
      if (!isWanted()) return { kind: 'outdated' };
      const made = work();
      if (!isSteps(made)) return { kind: 'answer', plan, value: made };
      for (let since = performance.now(); ;) {
        const step = made.next();
        if (step.done) return { kind: 'answer', plan, value: step.value };
        if (performance.now() - since < BREATH) continue;
        await breathe();
        if (!isWanted()) return { kind: 'outdated' };
        since = performance.now();
      }
    } finally {
      this.withdrawn.delete(question);
    }
  }
}
