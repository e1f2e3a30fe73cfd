/** Best clean tempo of a spot on a day; days counted from 0, only those on which it was practised. */
export interface TempoSeen {
  /** The how manieth day of practice. */
  readonly day: number;
  /** Quarters a minute. */
  readonly tempo: number;
}

/** When the target will be reached, in days of practice. */
export type Forecast =
  /** Too few days are known. */
  | { readonly kind: 'too-early'; readonly days: number; readonly needed: number }
  | { readonly kind: 'reached'; readonly day: number }
  /** `day` with the interval that holds it in four of five cases. */
  | { readonly kind: 'on-its-way'; readonly day: number; readonly from: number; readonly until: number }
  /** As things go it is not reached. */
  | { readonly kind: 'not-at-this-pace' };

/** Numbers of the forecast. Our own values. */
export const FORECAST = {
  leastDays: 4,
  /** So many of the latest days are looked at: what was long ago tells little, and costs much. */
  mostDays: 20,
  /** Ceilings that are tried, as shares of the target: denser where they matter more. */
  ceilings: [1.01, 1.03, 1.06, 1.1, 1.15, 1.22, 1.3],
  /** How often the best one is looked for between its neighbours. */
  refinements: 4,
  /** How often the days are drawn anew for the interval. */
  draws: 120,
  /**
   * Share of the draws that the interval leaves out on each side: with so much it held the true day in four of five cases
   * of 1000 made-up logs, while a tenth on each side held it in nine of ten (`npm run evaluate` measures it).
   */
  tail: 0.15,
  /** Further ahead nothing is told, in days of practice. */
  horizon: 365,
} as const;

/** A curve that rises toward a ceiling: `c − (c − s) · exp(−d / τ)`. */
interface Curve {
  readonly ceiling: number;
  readonly start: number;
  readonly tau: number;
}

const median = (values: readonly number[]): number => {
  const sorted = values.toSorted((a, b) => a - b);
  const middle = sorted.length >> 1;
  return sorted.length % 2 === 1 ? sorted[middle]! : (sorted[middle - 1]! + sorted[middle]!) / 2;
};

/** The line through points that the median slope of all pairs gives (Theil 1950, Sen 1968). */
const theilSen = (points: readonly (readonly [number, number])[]) => {
  const slopes: number[] = [];
  for (let one = 0; one < points.length; one += 1)
    for (let other = one + 1; other < points.length; other += 1) {
      const run = points[other]![0] - points[one]![0];
      if (run !== 0) slopes.push((points[other]![1] - points[one]![1]) / run);
    }
  const slope = slopes.length > 0 ? median(slopes) : 0;
  return { slope, intercept: median(points.map(([x, y]) => y - slope * x)) };
};

const tempoOn = ({ ceiling, start, tau }: Curve, day: number): number =>
  ceiling - (ceiling - start) * Math.exp(-day / tau);

/** The curve with this ceiling that fits best; undefined when nothing rises. */
const curveUnder = (ceiling: number, seen: readonly TempoSeen[]): Curve | undefined => {
  // What lies above the ceiling counts as just below it.
  const points = seen.map(
    ({ day, tempo }) => [day, Math.log(Math.max(ceiling * 0.005, ceiling - tempo))] as const,
  );
  const { slope, intercept } = theilSen(points);
  return slope < 0 ? { ceiling, start: ceiling - Math.exp(intercept), tau: -1 / slope } : undefined;
};

const misfit = (curve: Curve, seen: readonly TempoSeen[]): number =>
  seen.reduce((sum, { day, tempo }) => sum + Math.abs(tempo - tempoOn(curve, day)), 0);

/** The best curve under some ceilings, given as shares of the target; undefined when nothing rises. */
const bestUnder = (
  seen: readonly TempoSeen[],
  target: number,
  shares: readonly number[],
): Curve | undefined => {
  let best: Curve | undefined;
  let least = Infinity;
  for (const share of shares) {
    const curve = curveUnder(share * target, seen);
    const amount = curve ? misfit(curve, seen) : Infinity;
    if (amount < least) [best, least] = [curve, amount];
  }
  return best;
};

/** The best curve: its ceiling is looked for among those that are tried, then between its neighbours. */
const fit = (seen: readonly TempoSeen[], target: number): Curve | undefined => {
  const { ceilings } = FORECAST;
  const first = bestUnder(seen, target, ceilings);
  if (!first) return undefined;
  const place = ceilings.findIndex((share) => share * target === first.ceiling);
  const [low, high] = [ceilings[place - 1] ?? ceilings[place]!, ceilings[place + 1] ?? ceilings[place]!];
  let [share, reach] = [ceilings[place]!, (high - low) / 4];
  let curve = first;
  for (let step = 0; step < FORECAST.refinements; step += 1, reach /= 2) {
    curve = bestUnder(seen, target, [share, share - reach, share + reach])!;
    share = curve.ceiling / target;
  }
  return curve;
};

/** The day on which a curve reaches a tempo. */
const dayOf = ({ ceiling, start, tau }: Curve, target: number): number =>
  target >= ceiling ? Infinity : Math.max(0, tau * Math.log((ceiling - start) / (ceiling - target)));

/** Numbers from 0 to 1 from a seed, the same each time (mulberry32, public domain, from memory). */
export const randomFrom = (seed: number): (() => number) => {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let mixed = Math.imul(state ^ (state >>> 15), state | 1);
    mixed ^= mixed + Math.imul(mixed ^ (mixed >>> 7), mixed | 61);
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4_294_967_296;
  };
};

const quantile = (sorted: readonly number[], share: number): number =>
  sorted[Math.min(sorted.length - 1, Math.max(0, Math.round(share * (sorted.length - 1))))]!;

/**
 * When a target tempo will be reached, from the best clean tempo of each day of practice. The interval comes of drawing the
 * deviations from the curve anew, with `seed`: the same log gives the same answer.
 */
export const forecastOf = (all: readonly TempoSeen[], target: number, seed = 1): Forecast => {
  const already = all.find(({ tempo }) => tempo >= target);
  if (already) return { kind: 'reached', day: already.day };
  const seen = all.slice(-FORECAST.mostDays);
  if (seen.length < FORECAST.leastDays)
    return { kind: 'too-early', days: seen.length, needed: FORECAST.leastDays };
  const curve = fit(seen, target);
  if (!curve) return { kind: 'not-at-this-pace' };
  const ceilings = [...FORECAST.ceilings, curve.ceiling / target];
  const random = randomFrom(seed);
  const deviations = seen.map(({ day, tempo }) => tempo - tempoOn(curve, day));
  const days: number[] = [];
  for (let draw = 0; draw < FORECAST.draws; draw += 1) {
    const drawn = seen.map(({ day }) => ({
      day,
      tempo: tempoOn(curve, day) + deviations[Math.floor(random() * deviations.length)]!,
    }));
    const again = bestUnder(drawn, target, ceilings);
    days.push(again ? dayOf(again, target) : Infinity);
  }
  days.sort((a, b) => a - b);
  const day = dayOf(curve, target);
  const middle = quantile(days, 0.5);
  if (middle > FORECAST.horizon || day > FORECAST.horizon) return { kind: 'not-at-this-pace' };
  return {
    kind: 'on-its-way',
    day,
    from: quantile(days, FORECAST.tail),
    until: Math.min(FORECAST.horizon, quantile(days, 1 - FORECAST.tail)),
  };
};
