import type { Score } from './score.ts';
import type { Sound } from './sounds.ts';

/** How a passage is like one that was heard before. */
export type Likeness =
  | { readonly kind: 'exact' }
  | { readonly kind: 'transposed'; readonly semitones: number }
  | { readonly kind: 'other-bass' }
  | { readonly kind: 'same-rhythm' };

/** Bars that come back in some way. */
export interface PassageReturn {
  /** First and last bar of the return, and the first bar of what it is like; counted from 0. */
  readonly from: number;
  readonly to: number;
  readonly like: number;
  readonly likeness: Likeness;
  /** Sounds that stand for one another: of the return, of its model. */
  readonly pairs: readonly (readonly [number, number])[];
}

/** Fewest sounds that are alike by more than accident, by kind, and fewest bars. Our own values. */
const FEWEST = {
  exact: { sounds: 2, bars: 1 },
  transposed: { sounds: 4, bars: 1 },
  'other-bass': { sounds: 4, bars: 1 },
  'same-rhythm': { sounds: 8, bars: 2 },
} as const;
type Kind = keyof typeof FEWEST;
/** The closer likeness first. */
const KINDS = ['exact', 'transposed', 'other-bass', 'same-rhythm'] as const satisfies readonly Kind[];

interface BarView {
  readonly sounds: readonly Sound[];
  /** Without the lowest note wherever others sound with it or after it in another voice. */
  readonly upper: readonly Sound[];
  readonly keys: Readonly<Record<Kind, string | undefined>>;
}

const viewOf = (score: Score, bar: number, sounds: readonly Sound[]): BarView => {
  const { start } = score.bars[bar]!;
  const rhythm = (each: Sound): string => `${each.onset - start}:${each.end - each.onset}:${each.grace}`;
  const voices = [...new Set(sounds.map(({ voice }) => voice))];
  const mean = (voice: string): number => {
    const own = sounds.filter((each) => each.voice === voice);
    return own.reduce((sum, { midi }) => sum + midi, 0) / own.length;
  };
  const bass = voices.length > 1 ? voices.reduce((a, b) => (mean(b) < mean(a) ? b : a)) : undefined;
  const upper = sounds.filter(({ voice }) => voice !== bass);
  const lowest = sounds[0]?.midi ?? 0;
  const key = (some: readonly Sound[], each: (sound: Sound) => string): string | undefined =>
    some.length === 0 ? undefined : some.map((sound) => `${each(sound)}`).join(' ');
  return {
    sounds,
    upper,
    keys: {
      exact: key(sounds, (each) => `${rhythm(each)}:${each.voice}:${each.midi}`),
      transposed: key(sounds, (each) => `${rhythm(each)}:${each.voice}:${each.midi - lowest}`),
      'other-bass':
        bass === undefined ? undefined : key(upper, (each) => `${rhythm(each)}:${each.voice}:${each.midi}`),
      'same-rhythm': key(sounds, (each) => `${rhythm(each)}:${each.voice}`),
    },
  };
};

/**
 * Passages of a piece that return: as they were, transposed, over another bass, or in the same rhythm, each compared
 * with the earliest bars like it. The closest and longest likeness is taken; every bar belongs to one return at most.
 * Handbook §2: annotate a passage once and carry it to its returns.
 */
export const passageReturns = (score: Score, sounds: readonly Sound[]): readonly PassageReturn[] => {
  const byBar: Sound[][] = score.bars.map(() => []);
  for (const sound of sounds) byBar[sound.bar]!.push(sound);
  const views = byBar.map((own, bar) => viewOf(score, bar, own));
  const known: Record<Kind, Map<string, number[]>> = {
    exact: new Map(),
    transposed: new Map(),
    'other-bass': new Map(),
    'same-rhythm': new Map(),
  };
  const returns: PassageReturn[] = [];
  let seen = 0;
  for (let bar = 0; bar < views.length;) {
    for (; seen < bar; seen += 1)
      for (const kind of KINDS) {
        const key = views[seen]!.keys[kind];
        if (key !== undefined) known[kind].set(key, [...(known[kind].get(key) ?? []), seen]);
      }
    const found = KINDS.map((kind) => longestFrom(views, known, bar, kind)).find(
      (each) => each !== undefined,
    );
    if (found) returns.push(found);
    bar = found ? found.to + 1 : bar + 1;
  }
  return returns;
};

/** Earlier bars that are tried as models of one bar. */
const MOST_MODELS = 6;

const longestFrom = (
  views: readonly BarView[],
  known: Readonly<Record<Kind, ReadonlyMap<string, readonly number[]>>>,
  bar: number,
  kind: Kind,
): PassageReturn | undefined => {
  const key = views[bar]!.keys[kind];
  const models = key === undefined ? [] : (known[kind].get(key) ?? []).slice(0, MOST_MODELS);
  let best: { readonly like: number; readonly bars: number } | undefined;
  for (const like of models) {
    const interval = intervalBetween(views, bar, like);
    if (kind === 'transposed' && interval === 0) continue;
    let bars = 0;
    while (
      bar + bars < views.length &&
      like + bars < bar &&
      views[bar + bars]!.keys[kind] !== undefined &&
      views[bar + bars]!.keys[kind] === views[like + bars]!.keys[kind] &&
      (kind !== 'transposed' || intervalBetween(views, bar + bars, like + bars) === interval)
    )
      bars += 1;
    if (bars > (best?.bars ?? 0)) best = { like, bars };
  }
  if (!best) return undefined;
  const { like, bars } = best;
  const pairs = Array.from({ length: bars }, (_, step) => {
    const [here, there] = [views[bar + step]!, views[like + step]!];
    const which = kind === 'other-bass' ? 'upper' : 'sounds';
    return here[which].map((sound, place) => [sound.index, there[which][place]!.index] as const);
  }).flat();
  if (bars < FEWEST[kind].bars || pairs.length < FEWEST[kind].sounds) return undefined;
  const likeness: Likeness =
    kind === 'transposed' ? { kind, semitones: intervalBetween(views, bar, like) } : { kind };
  return { from: bar, to: bar + bars - 1, like, likeness, pairs };
};

const intervalBetween = (views: readonly BarView[], bar: number, like: number): number =>
  views[bar]!.sounds[0]!.midi - views[like]!.sounds[0]!.midi;
