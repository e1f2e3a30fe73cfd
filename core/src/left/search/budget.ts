/** What a search may spend. */
export interface SearchBudget {
  /**
   * A state is left behind when another one holding the same notes is cheaper by more than this, in units of effort.
   * Not proven to lose nothing: the tests compare it with Infinity, which keeps everything.
   */
  readonly window: number;
  /**
   * The same among states in one hand position, which no shift tells apart; at most `window`.
   */
  readonly windowInPosition: number;
  /** States kept at one moment; beyond it the cheapest are kept and the result is marked as not exact. */
  readonly maxStates: number;
}

export const DEFAULT_BUDGET: SearchBudget = { window: 10, windowInPosition: 5, maxStates: 6000 };
