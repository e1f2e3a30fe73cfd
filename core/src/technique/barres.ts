import type { BARRE_EXTENTS } from '../fingering/marks.ts';
import type { LeftPlan, Lying } from '../left/left-plan.ts';
import type { Performance } from '../performance/performance.ts';
import type { Preparation } from './preparation.ts';

/**
 * Over at least five strings, over fewer, or lifted at its base or laid down from its tip so that a string beside it can
 * sound open or be stopped first. Handbook §3.
 */
export type BarreKind = (typeof BARRE_EXTENTS)[number];

/** A full barre covers at least this many strings; a smaller one is partial. */
export const FULL_BARRE_STRINGS = 5;

/** One finger flat over several strings, from when it is set until it can be released. Times in ticks. */
export interface Barre {
  readonly kind: BarreKind;
  readonly onset: number;
  readonly until: number;
  readonly fret: number;
  readonly finger: number;
  /** Treble-most and bass-most string it stops. */
  readonly strings: readonly [number, number];
}

interface Flat {
  readonly finger: number;
  readonly fret: number;
  readonly lying: readonly Lying[];
}

const flatFingers = (lying: readonly Lying[]): readonly Flat[] =>
  [1, 2, 3, 4].flatMap((finger): Flat[] => {
    const own = lying.filter((each) => each.finger === finger);
    return own.length > 1 ? [{ finger, fret: own[0]!.fret, lying: own }] : [];
  });

/** A barre while it is followed through the slices. */
interface Followed {
  readonly finger: number;
  readonly fret: number;
  readonly onset: number;
  strings: readonly [number, number];
  until: number;
  /** Until when it was needed when it last lay over several strings. */
  flatUntil: number;
  /** Since when the index has lain on its tip, for open strings that the barre would cover. */
  onTip: number | undefined;
  /** Whether it is laid down from a tip that lay there already, or lifted at its base for an open string. */
  isHinge: boolean;
}

/** Index that lies nowhere for longer has left its fret for the reader, in quarters. Our own value. */
const LEAVES_AFTER = 4;

/** One that has stood on its tip for so long, for open strings under the barre, has been lifted, in quarters. Our own value. */
const LIFTED_AFTER = 2;

const spanOf = (strings: readonly number[]): readonly [number, number] => [
  Math.min(...strings),
  Math.max(...strings),
];

/**
 * The barres of a plan, in playing order. A barre of the index lasts from where it lies flat until it leaves the fret, also
 * across moments at which one note alone, or none, needs it; one of another finger while one of its notes sounds.
 */
export const barresOf = (plan: LeftPlan): readonly Barre[] => {
  const followed: Followed[] = [];
  const open = new Map<number, Followed>();
  const { ticksPerQuarter } = plan.piece.score;
  const longest = LEAVES_AFTER * ticksPerQuarter;
  /** Fingers that lie on one string before they lie flat. */
  let tips = new Map<number, Tip>();
  for (const { slice, lying: all, flat } of plan.hands) {
    // A finger that touches strings for their harmonics presses nothing down.
    const lying = all.filter(({ sound }) => !isTouched(plan, sound));
    const lies = ({ finger, fret }: Followed): boolean =>
      lying.some((each) => each.finger === finger && each.fret === fret);
    for (const [finger, barre] of open) {
      if (barre.onTip !== undefined && slice.onset - barre.onTip >= LIFTED_AFTER * ticksPerQuarter) {
        barre.until = barre.flatUntil;
        open.delete(finger);
        continue;
      }
      barre.onTip = finger === 1 && standsOnTip(barre, lying) ? (barre.onTip ?? slice.onset) : undefined;
      const stays =
        finger === 1
          ? flat === barre.fret && (lies(barre) || slice.onset - barre.until < longest)
          : lies(barre) && barre.until >= slice.onset;
      if (stays) continue;
      barre.until = Math.min(barre.until, Math.max(slice.onset, barre.onset));
      open.delete(finger);
    }
    for (const { finger, fret, lying: own } of flatFingers(lying)) {
      const strings = own.map((each) => each.string);
      const running = open.get(finger);
      if (running) running.strings = spanOf([...running.strings, ...strings]);
      else {
        const tip = tips.get(finger);
        const own = tip?.fret === fret ? tip : undefined;
        const span = spanOf(own ? [...strings, own.string] : strings);
        // Where no open string is in the way the finger lies flat as soon as it comes; else it is laid down from its tip.
        const isFree = own !== undefined && own.open.every((string) => string < span[0] || string > span[1]);
        const barre: Followed = {
          finger,
          fret,
          onset: isFree ? own.onset : slice.onset,
          strings: isFree ? span : spanOf(strings),
          until: slice.onset,
          flatUntil: slice.onset,
          onTip: undefined,
          isHinge: own !== undefined && !isFree,
        };
        open.set(finger, barre);
        followed.push(barre);
      }
    }
    for (const barre of open.values()) {
      const own = lying.filter((each) => each.finger === barre.finger && each.fret === barre.fret);
      for (const each of own) barre.until = Math.max(barre.until, plan.sounds[each.sound]!.end, slice.onset);
      if (own.length > 1) barre.flatUntil = barre.until;
      if (soundsOpenUnderBase(barre, lying)) barre.isHinge = true;
    }
    tips = tipsAt(slice.onset, lying, tips);
  }
  return followed.map(({ finger, fret, isHinge, onset, strings, until }): Barre => ({
    finger,
    fret,
    onset,
    until,
    strings,
    kind: isHinge ? 'hinge' : strings[1] - strings[0] + 1 >= FULL_BARRE_STRINGS ? 'full' : 'partial',
  }));
};

const isTouched = ({ sounds, piece }: LeftPlan, sound: number): boolean =>
  piece.score.notes[sounds[sound]!.head]!.harmonic === 'natural';

/** A finger on one string: since when, and the open strings that have sounded since. */
interface Tip {
  readonly fret: number;
  readonly string: number;
  readonly onset: number;
  readonly open: readonly number[];
}

const tipsAt = (
  onset: number,
  lying: readonly Lying[],
  before: ReadonlyMap<number, Tip>,
): Map<number, Tip> => {
  const open = lying.filter(({ finger, sounding }) => finger === 0 && sounding).map(({ string }) => string);
  return new Map(
    [1, 2, 3, 4].flatMap((finger) => {
      const [own, ...others] = lying.filter((each) => each.finger === finger);
      if (!own || others.length > 0) return [];
      const { fret, string } = own;
      const tip = before.get(finger);
      const isSame = tip?.fret === fret && tip.string === string;
      return [
        [finger, isSame ? { ...tip, open: [...tip.open, ...open] } : { fret, string, onset, open }] as const,
      ];
    }),
  );
};

/** Whether the index stands on its tip because open strings on the treble side of it sound that the barre would cover. */
const standsOnTip = ({ fret, strings }: Followed, lying: readonly Lying[]): boolean => {
  const [own, more] = lying.filter((each) => each.finger === 1 && each.fret === fret);
  return (
    own !== undefined &&
    more === undefined &&
    lying.some(({ finger, string }) => finger === 0 && string >= strings[0] && string < own.string)
  );
};

/** Whether an open string sounds just on the treble side of the index, whose base must lift for it. */
const soundsOpenUnderBase = (
  { finger, strings }: Pick<Barre, 'finger' | 'strings'>,
  lying: readonly Lying[],
): boolean =>
  finger === 1 && lying.some((each) => each.finger === 0 && each.sounding && each.string === strings[0] - 1);

/** When a barre can be set and must be released, and what to make of it. */
export interface BarreCare {
  readonly barre: Barre;
  /** Slice from which it can lie without disturbing anything. */
  readonly set: number;
  /** Slice at which its first note is struck. */
  readonly needed: number;
  /** First slice that needs it no more; the number of slices when it lasts to the end. */
  readonly release: number;
  readonly seconds: number;
  readonly advice: readonly ('set-early' | 'release-early' | 'lay-down-from-tip' | 'lift-base')[];
}

/** A barre that lies longer without being needed is worth a word, in seconds. Our own value. */
const NEEDLESS = 0.3;

/** How to care for every barre of a plan. */
export const barreCare = (
  { left: plan, clock }: Performance,
  barres: readonly Barre[],
  preparations: readonly Preparation[],
): readonly BarreCare[] => {
  const sliceFrom = new Map(plan.hands.map(({ slice }) => [slice.onset, slice.index]));
  /** By slice and finger: the stay that lies there. */
  const lying = new Map<string, Preparation>();
  for (const each of preparations)
    for (let slice = each.stay.from; slice < each.stay.to; slice += 1)
      lying.set(`${slice} ${each.stay.finger}`, each);
  return barres.map((barre): BarreCare => {
    const needed = sliceFrom.get(barre.onset)!;
    const own = lying.get(`${needed} ${barre.finger}`);
    const set = Math.min(needed, own?.should ?? needed);
    let release = needed;
    while (release < plan.hands.length && plan.hands[release]!.slice.onset < barre.until) release += 1;
    const leaves = own?.stay.to ?? release;
    const last = plan.hands[Math.min(leaves, plan.hands.length - 1)]!.slice.onset;
    const needless = clock.seconds(Math.max(last, barre.until)) - clock.seconds(barre.until);
    const isLaidDown = own !== undefined && own.stay.from < needed;
    return {
      barre,
      set,
      needed,
      release,
      seconds: clock.seconds(barre.until) - clock.seconds(barre.onset),
      advice: [
        ...(set < needed && !isLaidDown ? (['set-early'] as const) : []),
        ...(isLaidDown ? (['lay-down-from-tip'] as const) : []),
        ...(barre.kind === 'hinge' && !isLaidDown ? (['lift-base'] as const) : []),
        ...(leaves > release && needless > NEEDLESS ? (['release-early'] as const) : []),
      ],
    };
  });
};
