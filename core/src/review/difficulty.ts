import type { Performance } from '../performance/performance.ts';
import { barLabel } from '../score/score.ts';

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
  /** Tempo up to which the bar stays comfortable, in quarters a minute; undefined when it has no effort at all. */
  readonly comfortableTempo: number | undefined;
}

/**
 * Effort a second at which a hand works at two thirds of its scale, in units of effort: about one finger placed in each
 * quarter of a second for the left hand. Our own values.
 */
const BUSY = { left: 4.5, right: 1.8 } as const;
/** Level up to which a bar counts as comfortable. Our own value. */
export const COMFORTABLE_LEVEL = 5;
const HIGHEST_LEVEL = 10;
const REASONS = 3;
const WORTH_NAMING = 0.3;

/** Level of an effort a second: rises fast at first, and ever more slowly toward 10. */
const levelOf = (perSecond: number, busy: number): number =>
  HIGHEST_LEVEL * (1 - Math.exp(-perSecond / busy));
const effortAt = (level: number, busy: number): number => -busy * Math.log(1 - level / HIGHEST_LEVEL);

/**
 * The difficulty of every bar, from the named terms of both hands against the time there is at the tempo of `clock`.
 * `tempo` (quarters a minute) is the tempo that the clock stands for; the comfortable tempo follows from it on the
 * assumption that the effort itself stays the same.
 */
export const difficultyOf = (
  { score, left, right, clock }: Performance,
  tempo: number,
): readonly BarDifficulty[] => {
  const bars = score.bars.map(() => ({ left: 0, right: 0, terms: new Map<string, number>() }));
  const add = (
    bar: number,
    hand: 'left' | 'right',
    cost: Readonly<Record<string, number>> | undefined,
  ): void => {
    const own = bars[bar]!;
    for (const [term, amount] of Object.entries(cost ?? {})) {
      own[hand] += amount;
      own.terms.set(term, (own.terms.get(term) ?? 0) + amount);
    }
  };
  for (const { index, bar } of left.sounds) {
    add(bar, 'left', left.choices[index]?.cost);
    add(bar, 'right', right.choices[index]?.cost);
  }
  return score.bars.map((bar, index) => {
    const own = bars[index]!;
    const seconds = clock.seconds(bar.start + bar.length) - clock.seconds(bar.start);
    const perSecond = { left: own.left / seconds, right: own.right / seconds };
    const levels = { left: levelOf(perSecond.left, BUSY.left), right: levelOf(perSecond.right, BUSY.right) };
    const room = Math.min(
      effortAt(COMFORTABLE_LEVEL, BUSY.left) / perSecond.left,
      effortAt(COMFORTABLE_LEVEL, BUSY.right) / perSecond.right,
    );
    return {
      bar: index,
      number: barLabel(bar),
      ...levels,
      level: Math.max(levels.left, levels.right),
      reasons: [...own.terms]
        .filter(([, amount]) => amount >= WORTH_NAMING)
        .sort(([, a], [, b]) => b - a)
        .slice(0, REASONS)
        .map(([term, amount]) => ({ term, amount })),
      comfortableTempo: Number.isFinite(room) ? tempo * room : undefined,
    };
  });
};
