import { pulse } from '../music/meter.ts';
import type { Plan } from '../plan/plan.ts';
import type { FindingCode } from '../review/finding.ts';
import { timesAsked, type TimeAsked } from '../review/needed-time.ts';
import type { Level, RateName } from '../review/rates.ts';
import type { Score } from '../score/score.ts';

/** What makes a passage hard; it chooses the drills. */
export const SPOT_KINDS = [
  'shift',
  'stretch',
  'barre',
  'held-voice',
  'finger-change',
  'crossing',
  'repetition',
  'coordination',
  'slur',
  'damping',
] as const;
export type SpotKind = (typeof SPOT_KINDS)[number];

/** A hard place of a piece: from the last easy note before the difficulty to the first note after it. */
export interface Spot {
  /** The same for the same bars of a piece, whatever is planned there. */
  readonly id: string;
  /** Bars counted from 0, both included. */
  readonly from: number;
  readonly to: number;
  /** Where it begins and where its last note is struck, in ticks. */
  readonly start: number;
  readonly end: number;
  readonly kind: SpotKind;
  /** Time that its tightest moment takes, as a share of the time there is at the tempo of the plan. */
  readonly effort: number;
  /** Up to which it is comfortable, in quarters a minute; missing when nothing has to be timed. */
  readonly comfortable: number | undefined;
  readonly findings: readonly FindingCode[];
  /** Where the same notes come again under the same fingers of the left hand: first bars, counted from 0. Practised once. */
  readonly returns: readonly number[];
}

/** Which kind of difficulty each rate stands for. */
const KIND_OF_RATE: Readonly<Record<RateName, SpotKind>> = {
  shift: 'shift',
  shiftLed: 'shift',
  chord: 'finger-change',
  chordLed: 'finger-change',
  barre: 'barre',
  slur: 'slur',
  line: 'coordination',
  arpeggio: 'coordination',
  tremolo: 'repetition',
  sameFinger: 'repetition',
};
/** Findings that make a bar a spot of their own, and the kind they make it. */
const KIND_OF_FINDING: Readonly<Partial<Record<FindingCode, SpotKind>>> = {
  'held-note-cut': 'held-voice',
  'finger-needed-twice': 'finger-change',
  'wide-stretch': 'stretch',
  'barre-too-long': 'barre',
  'gap-at-shift': 'shift',
  'jump-not-made': 'shift',
  'slur-trouble': 'slur',
  'crossing-where-busy': 'crossing',
  'repeat-at-speed': 'repetition',
};
/** How far a bar must stand out from the median of the piece. Our own value. */
const STANDS_OUT = 1.5;
/** Below this share of the time there is nothing is hard, however easy the rest of the piece. Our own value. */
const LEAST_EFFORT = 0.35;
const MOST_BARS = 3;
/** A loop of fewer moments is over before it has begun. Our own value. */
const LEAST_MOMENTS = 5;
/** A moment belongs to the difficulty of a spot from this share of its tightest one on. Our own value. */
const IN_DIFFICULTY = 0.75;

const median = (values: readonly number[]): number => {
  const sorted = values.toSorted((a, b) => a - b);
  return sorted[Math.floor(sorted.length / 2)] ?? 0;
};

/** What every bar asks for: its tightest moment. */
const effortOfBars = (bars: number, asked: readonly TimeAsked[]): readonly number[] => {
  const efforts = Array.from({ length: bars }, () => 0);
  for (const { bar, needed, available } of asked) efforts[bar] = Math.max(efforts[bar]!, needed / available);
  return efforts;
};

/** Bars that stand out, each a local maximum, or with a finding that must be practised; at least the hardest of all. */
const hardBars = (efforts: readonly number[], findings: Plan['findings']): readonly number[] => {
  const least = Math.max(LEAST_EFFORT, STANDS_OUT * median(efforts.filter((effort) => effort > 0)));
  const found = new Set(findings.flatMap(({ code, bar }) => (KIND_OF_FINDING[code] ? [bar] : [])));
  const hard = efforts.flatMap((effort, bar) => {
    const isPeak = effort >= (efforts[bar - 1] ?? 0) && effort >= (efforts[bar + 1] ?? 0);
    return (effort >= least && isPeak) || found.has(bar) ? [bar] : [];
  });
  if (hard.length > 0) return hard;
  const most = Math.max(...efforts);
  return most > 0 ? [efforts.indexOf(most)] : [];
};

/** Bars in runs that touch, none longer than three: a longer one is parted. */
const runsOf = (bars: readonly number[]): readonly (readonly number[])[] => {
  const runs: number[][] = [];
  for (const bar of bars) {
    const last = runs.at(-1);
    if (last && bar === last.at(-1)! + 1 && last.length < MOST_BARS) last.push(bar);
    else runs.push([bar]);
  }
  return runs;
};

/** What most of the difficulty comes from: findings before times. */
const kindOf = (asked: readonly TimeAsked[], findings: readonly FindingCode[]): SpotKind => {
  const weights = new Map<SpotKind, number>();
  const add = (kind: SpotKind, weight: number) => weights.set(kind, (weights.get(kind) ?? 0) + weight);
  const most = Math.max(0, ...asked.map(({ needed, available }) => needed / available));
  for (const { rate, needed, available } of asked)
    if (needed / available >= IN_DIFFICULTY * most) add(KIND_OF_RATE[rate], needed / available);
  for (const code of findings) {
    const kind = KIND_OF_FINDING[code];
    if (kind) add(kind, most);
  }
  return [...weights].reduce<readonly [SpotKind, number]>(
    (best, each) => (each[1] > best[1] ? each : best),
    ['coordination', 0],
  )[0];
};

const isOnBeat = (score: Score, onset: number): boolean => {
  const bar = score.bars.findLast((each) => each.start <= onset)!;
  return (onset - bar.start) % pulse(bar.meter, score.ticksPerQuarter) === 0;
};

/**
 * What is played over and over: from an easy note before the difficulty, on a beat, to the first note after it, across the
 * bar line where it comes to that. Handbook §8.
 */
const loopAround = (
  first: number,
  last: number,
  onsets: readonly number[],
  isBeat: (onset: number) => boolean,
): { readonly start: number; readonly end: number } => {
  const after = onsets.findIndex((onset) => onset > last);
  const end = after < 0 ? onsets.length - 1 : after;
  const at = onsets.findIndex((onset) => onset >= first);
  let start = Math.max(0, (at < 0 ? end : at) - 1);
  while (start > 0 && (!isBeat(onsets[start]!) || end - start + 1 < LEAST_MOMENTS)) start -= 1;
  return { start: onsets[start]!, end: onsets[end]! };
};

/**
 * The hard spots of a planned piece in playing order. What a bar asks for is its tightest moment: the time that a hand needs
 * for what it does there at a level of playing (usual rates, handbook §8) as a share of the time there is.
 */
export const spotsOf = (plan: Plan, level: Level = 'intermediate'): readonly Spot[] => {
  const { score, performance, findings } = plan;
  const asked = timesAsked(performance, level);
  const efforts = effortOfBars(score.bars.length, asked);
  const onsets = [...new Set(score.notes.map(({ onset }) => onset as number))].sort((a, b) => a - b);
  const tempo = plan.setup.tempo ?? score.tempi[0]!.quartersPerMinute;
  const spots = runsOf(hardBars(efforts, findings)).map((bars): Spot => {
    const within = asked.filter(({ bar }) => bars.includes(bar));
    const own = findings.filter(({ code, bar }) => KIND_OF_FINDING[code] && bars.includes(bar));
    const effort = Math.max(0, ...bars.map((bar) => efforts[bar]!));
    const hard = [
      ...within
        .filter(({ needed, available }) => needed / available >= IN_DIFFICULTY * effort)
        .map(({ onset }) => onset),
      ...own.map(({ bar, beat }) => score.bars[bar]!.start + beat),
    ];
    const [first, last] = [Math.min(...hard), Math.max(...hard)];
    const { start, end } = loopAround(first, last, onsets, (onset) => isOnBeat(score, onset));
    const barAt = (onset: number): number => score.bars.findLastIndex((bar) => bar.start <= onset);
    const codes = [...new Set(own.map(({ code }) => code))];
    return {
      id: `${bars[0]! + 1}-${bars.at(-1)! + 1}`,
      from: barAt(start),
      to: barAt(end),
      start,
      end,
      kind: kindOf(within, codes),
      effort,
      comfortable: effort > 0 ? tempo / effort : undefined,
      findings: codes,
      returns: [],
    };
  });
  return onceEach(plan, spots);
};

/** Spots that hold the same notes under the same fingers of the left hand become one, the first. */
const onceEach = (plan: Plan, spots: readonly Spot[]): readonly Spot[] => {
  const firsts = new Map<string, Spot>();
  for (const spot of spots) {
    const key = plan.score.notes
      .filter(({ onset }) => onset >= spot.start && onset <= spot.end)
      .map(({ index, onset, midi }) => {
        const { string, finger } = plan.notes[index]!;
        return `${onset - spot.start} ${midi} ${string} ${finger}`;
      })
      .join(', ');
    const first = firsts.get(key);
    firsts.set(key, first ? { ...first, returns: [...first.returns, spot.from] } : spot);
  }
  return [...firsts.values()];
};
