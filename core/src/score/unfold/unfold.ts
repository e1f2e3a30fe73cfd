import type { Score } from '../score.ts';
import { sectionsOf, type Section, type SectionTrouble } from './sections.ts';

/** One bar as it is played: in unfolded time it may come several times. */
export interface PlayedBar {
  /** Place of the bar in `score.bars`. */
  readonly bar: number;
  /** Tick of the unfolded piece at which it begins. */
  readonly start: number;
  /** Which time the bar is played, from 1. */
  readonly pass: number;
}

export type UnfoldTrouble =
  | SectionTrouble
  | {
      readonly kind: 'segno-missing' | 'coda-missing' | 'to-coda-missing' | 'fine-never-reached';
      readonly bar: number;
    }
  | { readonly kind: 'too-long'; readonly bar: number };

/** The order in which a piece is played, with a map both ways. Ticks are those of the score. */
export interface Unfolded {
  readonly bars: readonly PlayedBar[];
  /** Length of the unfolded piece. */
  readonly length: number;
  /** Signs that lead nowhere, each with what was done instead by `wording`. */
  readonly troubles: readonly UnfoldTrouble[];
  /** Where a moment of the unfolded piece stands on the page. */
  readonly writtenAt: (tick: number) => number;
  /** Every moment at which something written is played, in playing order; empty for what is never played. */
  readonly playedAt: (writtenTick: number) => readonly number[];
}

/** Two bars that follow one another when played and not on the page. */
export interface Seam {
  /** The bar before the jump, and the one it leads to. */
  readonly from: number;
  readonly to: number;
}

/** A piece is not unfolded beyond so many bars: repeats within repeats can make it endless for all purposes. */
const MOST_BARS = 20_000;

/**
 * The order in which the bars of a score are played: repeats with their endings, then D.C. or D.S. (without repeats, in
 * the last ending, as is common practice) to *Fine*, or by *To Coda* to the coda, whose own repeats are played. Signs
 * that lead nowhere are passed over and listed.
 */
export const unfold = (score: Score): Unfolded => {
  const { order, troubles } = playingOrder(score);
  return playedIn(score, order, troubles);
};

/** Every bar of the page once, whatever its signs ask for. */
export const onceThrough = (score: Score): Unfolded =>
  playedIn(
    score,
    score.bars.map(({ index }) => index),
    [],
  );

const playedIn = (score: Score, order: readonly number[], troubles: readonly UnfoldTrouble[]): Unfolded => {
  const passes = new Map<number, number>();
  let start = 0;
  const bars = order.map((bar): PlayedBar => {
    const pass = (passes.get(bar) ?? 0) + 1;
    passes.set(bar, pass);
    const played = { bar, start, pass };
    start += score.bars[bar]!.length;
    return played;
  });
  const byBar = new Map<number, PlayedBar[]>();
  for (const played of bars) byBar.set(played.bar, [...(byBar.get(played.bar) ?? []), played]);
  return {
    bars,
    length: start,
    troubles,
    writtenAt: (tick) => {
      const played = lastStartingBefore(bars, tick);
      return played ? score.bars[played.bar]!.start + tick - played.start : tick;
    },
    playedAt: (writtenTick) => {
      const bar = lastStartingBefore(score.bars, writtenTick);
      return bar ? (byBar.get(bar.index) ?? []).map((played) => played.start + writtenTick - bar.start) : [];
    },
  };
};

/** The jumps of an unfolded piece, each once, in playing order. */
export const seamsOf = ({ bars }: Unfolded): readonly Seam[] => {
  const seams = new Map<string, Seam>();
  bars.forEach(({ bar: to }, index) => {
    const from = bars[index - 1]?.bar;
    if (from !== undefined && to !== from + 1 && !seams.has(`${from} ${to}`))
      seams.set(`${from} ${to}`, { from, to });
  });
  return [...seams.values()];
};

const lastStartingBefore = <T extends { readonly start: number }>(
  bars: readonly T[],
  tick: number,
): T | undefined => {
  let low = 0;
  let high = bars.length - 1;
  while (low < high) {
    const middle = (low + high + 1) >> 1;
    if (bars[middle]!.start <= tick) low = middle;
    else high = middle - 1;
  }
  return bars[low];
};

const playingOrder = ({
  bars,
}: Score): { readonly order: readonly number[]; readonly troubles: readonly UnfoldTrouble[] } => {
  const { sections, troubles: found } = sectionsOf(bars);
  const troubles: UnfoldTrouble[] = [...found];
  const order: number[] = [];
  const has = (bar: number, sign: (typeof bars)[number]['navigation'][number]): boolean =>
    bars[bar]?.navigation.includes(sign) ?? false;
  const codas = bars.filter(({ index }) => has(index, 'coda')).map(({ index }) => index);
  const toCodas = bars.filter(({ index }) => has(index, 'to-coda')).map(({ index }) => index);
  // Of two plain coda signs the first is where one leaves.
  const leavesFor = toCodas[0] ?? (codas.length > 1 ? codas[0] : undefined);
  const coda = codas.find((index) => leavesFor === undefined || index > leavesFor);
  const segno = bars.find(({ index }) => has(index, 'segno'))?.index;
  const jumps = bars.filter(({ navigation }) =>
    navigation.some((sign) => sign === 'da-capo' || sign === 'dal-segno'),
  );
  if (leavesFor !== undefined && coda === undefined) troubles.push({ kind: 'coda-missing', bar: leavesFor });
  if (leavesFor === undefined && coda !== undefined && jumps.length > 0)
    troubles.push({ kind: 'to-coda-missing', bar: coda });

  /** Plays the bars from one to another with their repeats; false when the piece is cut off. */
  const play = (from: number, to: number, within: readonly Section[]): boolean => {
    for (let bar = from; bar <= to;) {
      const section = within.find((each) => each.from === bar);
      if (section) {
        if (!playSection(section)) return false;
        bar = section.to + 1;
        continue;
      }
      if (order.length >= MOST_BARS) return false;
      order.push(bar);
      bar += 1;
    }
    return true;
  };
  const playSection = (section: Section): boolean => {
    for (let pass = 1; pass <= section.times; pass += 1) {
      for (let bar = section.from; bar <= section.to;) {
        const ending = section.endings.find((each) => each.from === bar);
        if (ending && !ending.passes.has(pass)) {
          bar = ending.to + 1;
          continue;
        }
        const inner = section.inner.find((each) => each.from === bar && each !== section);
        const end = inner ? inner.to : bar;
        if (inner ? !playSection(inner) : !play(bar, bar, [])) return false;
        bar = end + 1;
        // Of the first endings, nothing of the next one is played in the same pass.
        if (ending && bar > ending.to && pass < section.times) bar = section.to + 1;
      }
    }
    return true;
  };

  /** Plays once more from an earlier bar: no repeats, last endings, until *Fine* or the coda. */
  const playAgain = (from: number, until: number): boolean => {
    const skipped = new Set(sections.flatMap(barsOfEarlierEndings));
    for (let bar = from; bar <= until; bar += 1) {
      if (skipped.has(bar)) continue;
      if (order.length >= MOST_BARS) return false;
      order.push(bar);
      if (has(bar, 'fine')) return true;
      if (bar === leavesFor && coda !== undefined) return play(coda, bars.length - 1, sections);
    }
    // What follows the jump on the page is the coda, or was never reached.
    return true;
  };

  const jump = jumps[0];
  const end = jump?.index ?? bars.length - 1;
  let isWhole = play(
    0,
    end,
    sections.filter(({ to }) => to <= end || jump === undefined),
  );
  if (isWhole && jump) {
    const isDalSegno = jump.navigation.includes('dal-segno');
    if (isDalSegno && segno === undefined) troubles.push({ kind: 'segno-missing', bar: jump.index });
    const target = isDalSegno ? (segno ?? 0) : 0;
    const before = order.length;
    isWhole = playAgain(target, jump.index);
    const endsAtFine = order.length > before && has(order.at(-1)!, 'fine');
    const wentToCoda = leavesFor !== undefined && coda !== undefined && leavesFor >= target;
    const hasFine = bars.some(({ index }) => has(index, 'fine'));
    if (hasFine && !endsAtFine && !wentToCoda)
      troubles.push({ kind: 'fine-never-reached', bar: bars.findIndex(({ index }) => has(index, 'fine')) });
    // Nothing sent the player away: the music after the jump is played at last.
    if (isWhole && !endsAtFine && !wentToCoda && jump.index < bars.length - 1)
      isWhole = play(jump.index + 1, bars.length - 1, sections);
  }
  if (!isWhole) troubles.push({ kind: 'too-long', bar: order.at(-1) ?? 0 });
  return { order, troubles };
};

const barsOfEarlierEndings = ({ endings, inner, times }: Section): readonly number[] => [
  ...endings
    .filter(({ passes }) => !passes.has(times))
    .flatMap(({ from, to }) => Array.from({ length: to - from + 1 }, (_, index) => from + index)),
  ...inner.flatMap(barsOfEarlierEndings),
];
