import type { Plan } from '../plan/plan.ts';
import { phrasesOf } from '../score/phrases.ts';
import { IMPORTANCE, type Moment, type MomentKind } from './moment.ts';
import { momentsOf } from './moments.ts';

export const DEPTHS = ['brief', 'shapes', 'bars', 'slow'] as const;
/** How closely a piece is walked through. */
export type Depth = (typeof DEPTHS)[number];

/** Bars, counted from 0, and what is told of them in playing order. */
export interface ToldBars {
  readonly from: number;
  readonly to: number;
  readonly moments: readonly Moment[];
}

/** Sentences of a bar beside those that are needed; more are not read. */
const MOST_OF_A_BAR = 4;
/** What the page shows by itself. */
const ON_THE_PAGE: ReadonlySet<MomentKind> = new Set(['slur']);
/** Where students go wrong, the worst first. */
const DANGERS: readonly MomentKind[] = [
  'stretch',
  'tiring',
  'stumble',
  'crossing',
  'shift',
  'finger',
  'place',
  'barre',
];

/** What is told bar by bar: bars that come back are told once, and a bar in which nothing changes is left out. */
export const toldByBar = (plan: Plan, moments: readonly Moment[] = momentsOf(plan)): readonly ToldBars[] => {
  const told: ToldBars[] = [];
  const said = new Set<string>();
  for (let bar = 0; bar < plan.score.bars.length; bar += 1) {
    const own = moments.filter((each) => each.bar === bar);
    const back = own.find(({ kind }) => kind === 'return');
    if (back?.kind === 'return') {
      const { start } = plan.score.bars[bar]!;
      const arrives = own.filter(({ kind, onset }) => kind === 'shift' && onset === start);
      told.push({ from: bar, to: back.values.to, moments: [...arrives, back] });
      bar = back.values.to;
    } else {
      const chosen = chosenOf(own, said);
      if (chosen.length > 0) told.push({ from: bar, to: bar, moments: chosen });
    }
  }
  return told;
};

/** What a moment says, wherever it stands. */
const sayingOf = ({ kind, values }: Moment): string =>
  kind + JSON.stringify(values, (key, value: unknown) => (PLACES_IN_TIME.has(key) ? undefined : value));
const PLACES_IN_TIME: ReadonlySet<string> = new Set(['sound', 'until', 'sounds']);

/** What is told of a bar: what is needed, and of the rest what matters most and was not said before. */
const chosenOf = (own: readonly Moment[], said: Set<string>): readonly Moment[] => {
  const needed = own.filter(({ isNeeded }) => isNeeded);
  /** Notes whose holding another sentence tells with its reason. */
  const held = new Set(own.flatMap((each) => (each.kind === 'finger' ? [each.values.on.sound] : [])));
  const others = own
    .filter(({ isNeeded, kind }) => !isNeeded && !ON_THE_PAGE.has(kind))
    .filter((each) => each.kind !== 'keep' || !held.has(each.values.note.sound))
    .filter((each) => !said.has(sayingOf(each)))
    .sort((a, b) => IMPORTANCE.indexOf(a.kind) - IMPORTANCE.indexOf(b.kind));
  const chosen = new Set([...needed, ...others.slice(0, Math.max(0, MOST_OF_A_BAR - needed.length))]);
  for (const each of chosen) said.add(sayingOf(each));
  return own.filter((each) => chosen.has(each));
};

/** A phrase in brief. */
export interface ToldPhrase {
  readonly from: number;
  readonly to: number;
  /** Positions in the order in which the hand goes through them. */
  readonly positions: readonly number[];
  readonly moments: readonly Moment[];
  readonly danger: Moment | undefined;
}

/** What is told of each phrase: where the hand lies, what matters most, the one danger. */
export const toldByPhrase = (
  plan: Plan,
  moments: readonly Moment[] = momentsOf(plan),
): readonly ToldPhrase[] => {
  const { score, left } = plan;
  let before = 0;
  return phrasesOf(score, left.sounds).map(({ from, to }): ToldPhrase => {
    const own = moments.filter(({ bar }) => bar >= from && bar <= to);
    const back = own.find((each) => each.kind === 'return' && each.bar === from && each.values.to >= to);
    const positions = before > 0 ? [before] : [];
    for (const { slice, position } of left.hands)
      if (slice.bar >= from && slice.bar <= to && position > 0 && position !== positions.at(-1))
        positions.push(position);
    before = positions.at(-1) ?? before;
    if (back) return { from, to, positions, moments: [back], danger: undefined };
    const danger = DANGERS.flatMap((kind) => own.find((each) => each.kind === kind) ?? [])[0];
    const main = (['barre', 'keep', 'block', 'pattern'] as const).flatMap(
      (kind) => own.find((each) => each.kind === kind && each !== danger) ?? [],
    );
    return { from, to, positions, moments: main.slice(0, 1), danger };
  });
};
