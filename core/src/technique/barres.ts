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
const FULL_BARRE_STRINGS = 5;

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

/** The barres of a plan, in playing order. A barre lasts while its finger stays on that fret and one of its notes sounds. */
export const barresOf = (plan: LeftPlan): readonly Barre[] => {
  const barres: { -readonly [K in keyof Barre]: Barre[K] }[] = [];
  const open = new Map<number, { -readonly [K in keyof Barre]: Barre[K] }>();
  /** Fingers that lay on one string before they lay flat: the barre is laid down from there. */
  let single = new Map<number, number>();
  for (const { slice, lying } of plan.hands) {
    for (const [finger, barre] of open) {
      const stays = lying.some((each) => each.finger === finger && each.fret === barre.fret);
      if (stays && barre.until >= slice.onset) continue;
      barre.until = Math.min(barre.until, Math.max(slice.onset, barre.onset));
      open.delete(finger);
    }
    for (const flat of flatFingers(lying)) {
      const strings = flat.lying.map((each) => each.string);
      const until = Math.max(...flat.lying.map((each) => plan.sounds[each.sound]!.end));
      const running = open.get(flat.finger);
      if (running) {
        running.until = Math.max(running.until, until);
        running.strings = [
          Math.min(running.strings[0], ...strings),
          Math.max(running.strings[1], ...strings),
        ];
        continue;
      }
      const barre = {
        kind: (single.get(flat.finger) === flat.fret ? 'hinge' : 'partial') as BarreKind,
        onset: slice.onset,
        until,
        fret: flat.fret,
        finger: flat.finger,
        strings: [Math.min(...strings), Math.max(...strings)] as [number, number],
      };
      open.set(flat.finger, barre);
      barres.push(barre);
    }
    for (const [finger, barre] of open)
      for (const each of lying)
        if (each.finger === finger && each.fret === barre.fret)
          barre.until = Math.max(barre.until, plan.sounds[each.sound]!.end);
    for (const barre of open.values()) if (soundsOpenUnderBase(barre, lying)) barre.kind = 'hinge';
    single = new Map(
      [1, 2, 3, 4].flatMap((finger) => {
        const own = lying.filter((each) => each.finger === finger);
        return own.length === 1 ? [[finger, own[0]!.fret] as const] : [];
      }),
    );
  }
  for (const barre of barres)
    if (barre.kind === 'partial' && barre.strings[1] - barre.strings[0] + 1 >= FULL_BARRE_STRINGS)
      barre.kind = 'full';
  return barres;
};

/** Whether an open string sounds just on the treble side of the index, whose base must lift for it. */
const soundsOpenUnderBase = ({ finger, strings }: Barre, lying: readonly Lying[]): boolean =>
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
