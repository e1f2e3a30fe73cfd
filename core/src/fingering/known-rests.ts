/** What remains to the end from the states of a layer, and from the one that the plan takes. In units of effort. */
interface Remains {
  readonly rest: Float64Array;
  readonly remaining: number;
}

/** The states of the plan before and after a step. */
type Taken = readonly [number, number];

interface KnownStep {
  readonly taken: Taken;
  readonly after: Remains;
  /** What the step and all after it cost from the states before it. */
  readonly rest: Float64Array;
}

/** Differences below this are noise of summing, in units of effort. */
const NOISE = 1e-9;

/** By how much more remains from every state; undefined when it is not the same from all of them. */
const moreFrom = (one: Remains, other: Remains): number | undefined => {
  const more = one.remaining - other.remaining;
  if (one.rest.length !== other.rest.length) return undefined;
  for (let state = 0; state < one.rest.length; state += 1) {
    // Where there is no way from either, the difference is no number.
    const difference = one.rest[state]! - other.rest[state]! - more;
    if (Math.abs(difference) > NOISE) return undefined;
  }
  return more;
};

/**
 * Steps of a search backward that come back. Layers that were told by an earlier one have their ways in common with it, by
 * which they are known; where after two such steps the same remains but for a constant, so it does before them.
 */
export class KnownRests {
  private readonly byWays = new Map<Int32Array, KnownStep[]>();

  add(ways: Int32Array, taken: Taken, after: Remains, rest: Float64Array): void {
    const alike = this.byWays.get(ways);
    if (alike) alike.push({ taken, after, rest });
    else this.byWays.set(ways, [{ taken, after, rest }]);
  }

  /** What remains before a step to a layer with those ways, where one like it is known. */
  before(ways: Int32Array, taken: Taken, after: Remains): Float64Array | undefined {
    for (const step of this.byWays.get(ways)?.toReversed() ?? []) {
      if (step.taken[0] !== taken[0] || step.taken[1] !== taken[1]) continue;
      const more = moreFrom(after, step.after);
      if (more !== undefined) return step.rest.map((each) => each + more);
    }
    return undefined;
  }
}
