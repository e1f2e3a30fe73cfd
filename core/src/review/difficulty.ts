import type { Performance } from '../performance/performance.ts';
import { barLabel } from '../score/score.ts';
import { timesAsked } from './needed-time.ts';
import type { Level } from './rates.ts';

/** How hard a bar is for both hands. */
export interface BarDifficulty {
  /** Counted from 0. */
  readonly bar: number;
  readonly number: string;
  /** Level from 0 (nothing to do) to 10 by hand, at the tempo of the plan. */
  readonly left: number;
  readonly right: number;
  /** The greater of both. */
  readonly level: number;
  /** What costs most in the bar, the largest first, in units of effort. */
  readonly reasons: readonly { readonly term: string; readonly amount: number }[];
  /** Tempo at which its tightest moment has just its time, in quarters a minute; undefined when nothing has to be timed. */
  readonly comfortableTempo: number | undefined;
}

/** Level up to which a bar counts as comfortable. Our own value. */
export const COMFORTABLE_LEVEL = 5;
const HIGHEST_LEVEL = 10;
const REASONS = 3;
const WORTH_NAMING = 0.3;

/** Level of a share of the time there is: 5 where a moment needs just the time it has, ever more slowly toward 10. */
const levelOf = (share: number): number => HIGHEST_LEVEL * (1 - 2 ** -share);

/**
 * The difficulty of every bar for a level of playing: its tightest moment, in which what a hand has to do takes the largest
 * share of the time there is at the tempo of `clock`. `tempo` (quarters a minute) is the tempo that the clock stands for;
 * the comfortable tempo is the one at which that moment has just its time.
 */
export const difficultyOf = (
  performance: Performance,
  tempo: number,
  level: Level = 'intermediate',
): readonly BarDifficulty[] => {
  const { score, left, right } = performance;
  const shares = score.bars.map(() => ({ left: 0, right: 0 }));
  const terms = score.bars.map(() => new Map<string, number>());
  for (const { bar, hand, needed, available } of timesAsked(performance, level))
    shares[bar]![hand] = Math.max(shares[bar]![hand], needed / available);
  for (const { index, bar } of left.sounds)
    for (const cost of [left.choices[index]?.cost, right.choices[index]?.cost])
      for (const [term, amount] of Object.entries(cost ?? {}))
        terms[bar]!.set(term, (terms[bar]!.get(term) ?? 0) + amount);
  return score.bars.map((bar, index) => {
    const share = shares[index]!;
    const tightest = Math.max(share.left, share.right);
    return {
      bar: index,
      number: barLabel(bar),
      left: levelOf(share.left),
      right: levelOf(share.right),
      level: levelOf(tightest),
      reasons: [...terms[index]!]
        .filter(([, amount]) => amount >= WORTH_NAMING)
        .sort(([, a], [, b]) => b - a)
        .slice(0, REASONS)
        .map(([term, amount]) => ({ term, amount })),
      comfortableTempo: tightest > 0 ? tempo / tightest : undefined,
    };
  });
};

/** Bars, counted from 0, that are not comfortable at the tempo that was planned for. */
export const hardBars = (performance: Performance): ReadonlySet<number> =>
  new Set(
    // The level of a bar goes by times alone; the tempo is only told beside it.
    difficultyOf(performance, 1)
      .filter(({ level }) => level > COMFORTABLE_LEVEL)
      .map(({ bar }) => bar),
  );
