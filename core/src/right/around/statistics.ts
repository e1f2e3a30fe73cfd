import type { StrokeFinger } from '../../fingering/vocabulary.ts';
import { barLabel, type Score } from '../../score/score.ts';
import { framesOf } from './frames.ts';
import { measureOrder, type CrossingKind, type OrderMeasures } from './orders.ts';
import type { RightPlan } from '../right-plan.ts';

/** The right hand of one bar in figures. */
export interface BarFigures {
  readonly bar: number;
  readonly number: string;
  readonly strokes: number;
  readonly crossings: Readonly<Record<CrossingKind, number>>;
  readonly repeats: number;
  /** Shortest time in which one finger plays twice running, in ms; null when none does. */
  readonly fastestRepeat: number | null;
}

/** A cell that comes back, the order of fingers it is played with, and how often. */
export interface PatternFigures {
  /** Fingers stroke by stroke; those struck together in brackets. */
  readonly order: string;
  readonly kind: 'arpeggio' | 'tremolo';
  readonly times: number;
}

export interface RightStatistics {
  readonly strokes: number;
  readonly alternationBreaks: number;
  readonly crossings: Readonly<Record<CrossingKind, number>>;
  readonly repeats: number;
  readonly pivots: number;
  readonly load: Readonly<Record<StrokeFinger, number>>;
  readonly longestRun: number;
  readonly fastestReturn: number | null;
  /** The quickest repeats of one finger, quickest first. */
  readonly fastestRepeats: readonly {
    readonly bar: number;
    readonly number: string;
    readonly finger: StrokeFinger;
    readonly ms: number;
  }[];
  readonly patterns: readonly PatternFigures[];
  /** Share of the events that belong to a cell with a pattern that comes at least twice, 0 to 1. */
  readonly patternCoverage: number;
  readonly bars: readonly BarFigures[];
  readonly frames: readonly {
    readonly bar: number;
    readonly strings: readonly { readonly finger: StrokeFinger; readonly string: number }[];
  }[];
}

const MOST_REPEATS_LISTED = 10;

const countKinds = ({ crossings }: OrderMeasures): Record<CrossingKind, number> => ({
  'toward-treble': crossings.filter(({ kind }) => kind === 'toward-treble').length,
  'toward-bass': crossings.filter(({ kind }) => kind === 'toward-bass').length,
});

const LETTERS = ['p', 'i', 'm', 'a'] as const;
/** Fingers of a stroke as letters: `p`, or `(pa)` for two together. */
export const strokeLetters = (ranks: readonly number[]): string => {
  const letters = ranks.map((rank) => LETTERS[rank]).join('');
  return ranks.length > 1 ? `(${letters})` : letters;
};

/** The right hand of a whole piece in figures. Times in ms at the tempo of the plan. */
export const rightStatistics = (score: Score, { cells, events, options }: RightPlan): RightStatistics => {
  const whole = measureOrder(events, options);
  const bars: BarFigures[] = [];
  for (let from = 0; from < events.length;) {
    const { bar } = events[from]!;
    let to = from;
    while (to < events.length && events[to]!.bar === bar) to += 1;
    const strokes = events.slice(from, to).reduce((sum, { notes }) => sum + notes.length, 0);
    const own = {
      crossings: whole.crossings.filter(({ event }) => event >= from && event < to),
      repeats: whole.repeats.filter(({ event }) => event >= from && event < to),
    };
    bars.push({
      bar: bar + 1,
      number: barLabel(score.bars[bar]!),
      strokes,
      crossings: countKinds({ ...whole, crossings: own.crossings }),
      repeats: own.repeats.length,
      fastestRepeat: own.repeats.length > 0 ? Math.round(Math.min(...own.repeats.map(({ ms }) => ms))) : null,
    });
    from = to;
  }
  const byOrder = new Map<string, PatternFigures>();
  const orderOf = (first: number, end: number): string =>
    options.slice(first, end).map(strokeLetters).join('');
  for (const { kind, first, end } of cells) {
    const order = orderOf(first, end);
    const key = `${kind} ${order}`;
    byOrder.set(key, { order, kind, times: (byOrder.get(key)?.times ?? 0) + 1 });
  }
  const returning = [...byOrder.values()].filter(({ times }) => times > 1);
  const covered = cells
    .filter(({ kind, first, end }) => (byOrder.get(`${kind} ${orderOf(first, end)}`)?.times ?? 0) > 1)
    .reduce((sum, { first, end }) => sum + end - first, 0);
  return {
    strokes: whole.strokes,
    alternationBreaks: whole.alternationBreaks,
    crossings: countKinds(whole),
    repeats: whole.repeats.length,
    pivots: whole.pivots,
    load: whole.load,
    longestRun: whole.longestRun,
    fastestReturn: whole.fastestReturn === undefined ? null : Math.round(whole.fastestReturn),
    fastestRepeats: whole.repeats
      .toSorted((a, b) => a.ms - b.ms)
      .slice(0, MOST_REPEATS_LISTED)
      .map(({ event, finger, ms }) => {
        const { bar } = events[event]!;
        return { bar: bar + 1, number: barLabel(score.bars[bar]!), finger, ms: Math.round(ms) };
      }),
    patterns: returning.sort((a, b) => b.times - a.times),
    patternCoverage: events.length === 0 ? 0 : covered / events.length,
    bars,
    frames: framesOf(cells, events, options).map(({ event, strings }) => ({
      bar: events[event]!.bar + 1,
      strings,
    })),
  };
};
