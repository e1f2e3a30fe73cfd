import { NEAR_TIE } from './near-tie.ts';

/** Moments from `first` to before `end` in which a way departs from what was. */
export interface Stretch {
  readonly first: number;
  readonly end: number;
}

/** A way through a stretch, and what it costs more than the cheapest one, in units of effort. */
export interface Detour<Way> {
  readonly way: Way;
  readonly price: number;
}

/** Moments that agree again between two stretches that are looked at one by one. */
const AGREES_AGAIN = 6;
/** Moments after the last departure over which both ways must have met again. */
export const MEETS_AGAIN = 12;
/** Bars before and after a decision in which a plan is free, from the nearest on; the first that is near enough is taken. */
const FREE_BARS: readonly (readonly [before: number, after: number])[] = [1, 2, 4, 8].flatMap(
  (bars) =>
    [
      [bars, bars],
      [bars, Infinity],
      [Infinity, bars],
    ] as const,
);

const stretchesOf = (departing: readonly number[]): readonly Stretch[] => {
  const stretches: Stretch[] = [];
  for (const index of departing) {
    const last = stretches.at(-1);
    if (last && index - last.end <= AGREES_AGAIN)
      stretches[stretches.length - 1] = { ...last, end: index + 1 };
    else stretches.push({ first: index, end: index + 1 });
  }
  return stretches;
};

/** A cheapest way through a piece as the search for detours sees it. */
export interface Departing<Way> {
  /** Bar of every moment. */
  readonly bars: readonly number[];
  /** Moments in which the cheapest way departs from what was, rising. */
  readonly departing: readonly number[];
  /** Whether what was cannot be taken at a moment any more. */
  readonly isDecided: (index: number) => boolean;
  /**
   * The cheapest way through a stretch that takes what was wherever it is not free; may be undefined for one that costs more
   * than `margin`.
   */
  readonly through: (
    stretch: Stretch,
    isFree: (index: number) => boolean,
    margin: number,
  ) => Detour<Way> | undefined;
}

/**
 * Ways by which decisions are felt where they are made: for every stretch that departs from what was, the way that is free in
 * the fewest bars around what is decided there and costs, all of them together, no more than a near tie.
 */
export const detoursOf = <Way>({
  bars,
  departing,
  isDecided,
  through,
}: Departing<Way>): ReadonlyMap<Stretch, Way> => {
  const ways = new Map<Stretch, Way>();
  let margin = NEAR_TIE;
  for (const stretch of stretchesOf(departing)) {
    const own = departing.filter((index) => index >= stretch.first && index < stretch.end);
    const decided = [...new Set(own.filter(isDecided).map((index) => bars[index]!))];
    const freedoms = decided.length > 0 ? FREE_BARS : FREE_BARS.slice(0, 1);
    const tried = new Set<string>();
    for (const [before, after] of freedoms) {
      const isFree = (index: number): boolean =>
        decided.some((bar) => bars[index]! >= bar - before && bars[index]! <= bar + after);
      if (own.every(isFree)) continue;
      const free = bars
        .slice(stretch.first, stretch.end + MEETS_AGAIN)
        .map((_, at) => isFree(stretch.first + at));
      if (tried.has(free.join())) continue;
      tried.add(free.join());
      const detour = through(stretch, isFree, margin);
      if (!detour || detour.price > margin) continue;
      ways.set(stretch, detour.way);
      margin -= Math.max(0, detour.price);
      break;
    }
  }
  return ways;
};
