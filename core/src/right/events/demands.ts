import { STROKE_FINGERS, type StrokeFinger } from '../../fingering/vocabulary.ts';
import type { Cell } from './cells.ts';
import { RIGHT_COSTS } from '../search/costs.ts';
import type { PluckEvent, Wanted } from './events.ts';
import type { PatternRule, RightRules, RightSetup } from './setup.ts';

export const rankOf = (letter: string): number => STROKE_FINGERS.indexOf(letter as StrokeFinger);

/** Where a pattern stands at each event of its range: the letter's place, event by event. */
const alongRange = (
  events: readonly PluckEvent[],
  { from, to, pattern }: PatternRule,
): ReadonlyMap<number, number> => {
  const letters = new Map<number, number>();
  const strokesIn = new Map<number, number>();
  for (const { bar } of events) strokesIn.set(bar, (strokesIn.get(bar) ?? 0) + 1);
  let place = 0;
  events.forEach(({ bar }, index) => {
    if (bar < from || bar > to) return;
    const isFirstInBar = events[index - 1]?.bar !== bar;
    // A pattern that a bar holds begins again with it; a longer one runs on over the bar line.
    if (isFirstInBar && pattern.length <= strokesIn.get(bar)!) place = 0;
    letters.set(index, rankOf(pattern[place % pattern.length]!));
    place += 1;
  });
  return letters;
};

const asked = (ranks: readonly number[], cost: number): Wanted => ({ ranks, cost });

/** Tremolo in the order asked for: letters over the cell, or over its repeated notes when it names no thumb. */
const inTremolo = (cell: Cell, letters: string, wanted: Map<number, Wanted>): void => {
  const first = letters.includes('p') ? cell.first : cell.first + 1;
  for (let index = first; index < cell.end; index += 1)
    wanted.set(index, asked([rankOf(letters[(index - first) % letters.length]!)], RIGHT_COSTS.patternBroken));
};

/** What the teacher asks of single events: patterns over ranges, and an order of tremolo. */
export const demandsOf = (
  cells: readonly Cell[],
  events: readonly PluckEvent[],
  setup: RightSetup,
  rules: RightRules,
): ReadonlyMap<number, Wanted> => {
  const wanted = new Map<number, Wanted>();
  if (setup.tremolo !== undefined)
    for (const cell of cells) if (cell.kind === 'tremolo') inTremolo(cell, setup.tremolo, wanted);
  for (const rule of rules.patterns)
    for (const [index, rank] of alongRange(events, rule))
      wanted.set(index, asked([rank], RIGHT_COSTS.patternBroken));
  return wanted;
};

/** Cells, and the fingers that play the events they point to, as ranks. */
export interface CellsPlayed {
  readonly cells: readonly Cell[];
  readonly options: readonly (readonly number[])[];
}

/** By key of a cell: the ways its equals are played, event by event, each with how often. */
const waysByKey = ({ cells, options }: CellsPlayed): ReadonlyMap<string, ReadonlyMap<string, Vote>> => {
  const byKey = new Map<string, Map<string, Vote>>();
  for (const { key, first, end } of cells) {
    const ranks = options.slice(first, end);
    const name = ranks.map((each) => each.join('')).join(' ');
    const ways = byKey.get(key) ?? new Map<string, Vote>();
    byKey.set(key, ways.set(name, { ranks, count: (ways.get(name)?.count ?? 0) + 1 }));
  }
  return byKey;
};

/** A way to play a cell, and how many of its equals are played so. */
interface Vote {
  readonly ranks: readonly (readonly number[])[];
  readonly count: number;
}

/**
 * The order established for cells that come at least twice: for every event of such a cell the fingers that most of
 * its equals use there in a first plan (the earlier ones win a draw), or used before the teacher decided anything: one
 * decision does not turn the order of a whole piece. What is demanded already stays as it is.
 */
export const establishedOrder = (
  cells: readonly Cell[],
  events: readonly PluckEvent[],
  chosen: readonly (readonly number[])[],
  rules: RightRules,
  undecided?: CellsPlayed,
): ReadonlyMap<number, Wanted> => {
  const wanted = new Map<number, Wanted>();
  const ordered = cells.filter(({ first }) => rules.in(events[first]!.bar).keepOrder);
  const ways = waysByKey({ cells: ordered, options: chosen });
  const waysBefore = undecided && waysByKey(undecided);
  for (const { key, first, end } of ordered) {
    const votes = [...(waysBefore?.get(key) ?? ways.get(key)!).values()];
    const isAlone = votes.length === 1 && votes[0]!.count === 1;
    if (isAlone) continue;
    const { ranks } = votes.reduce((a, b) => (b.count > a.count ? b : a));
    // Cells that have the order already are left as they are: less has to be solved again.
    if (chosen.slice(first, end).every((own, place) => own.join() === ranks[place]!.join())) continue;
    for (let index = first; index < end; index += 1)
      if (!events[index]!.wanted) wanted.set(index, asked(ranks[index - first]!, RIGHT_COSTS.orderLeft));
  }
  return wanted;
};
