import type { Barre, Lying } from '@oculon/core';
import type { HandView } from '../../planner/api.ts';

/** Frets that the picture shows at least, and at most for the sake of what comes next. */
const FEWEST_FRETS = 5;
const MOST_FRETS = 8;

/** A finger on the neck. */
export interface FingerDot {
  readonly string: number;
  readonly fret: number;
  readonly finger: number;
  /** Whether its note sounds, or it only lies there. */
  readonly sounding: boolean;
}

/** Where a finger goes next. */
export interface GhostDot extends Omit<FingerDot, 'sounding'> {
  /** The fret from which it goes along its string, led by the string; undefined when it is set anew. */
  readonly leadsFrom: number | undefined;
}

/** The window of the neck round the hand: what lies now, and what comes next. Frets counted from the nut or the capo. */
export interface NeckPicture {
  readonly base: number;
  readonly frets: number;
  readonly position: number;
  readonly now: readonly FingerDot[];
  readonly next: readonly GhostDot[];
  /** Position of the next hand when it lies outside the window. */
  readonly beyond: number | undefined;
  readonly barre: { readonly fret: number; readonly from: number; readonly to: number } | undefined;
  /** Open strings that sound; strings that are silent. */
  readonly open: readonly number[];
  readonly silent: readonly number[];
}

const STRINGS = [1, 2, 3, 4, 5, 6] as const;

const isSamePlace = (one: Lying, other: Lying): boolean =>
  one.finger === other.finger && one.string === other.string && one.fret === other.fret;

const stopped = (lying: readonly Lying[]): readonly Lying[] => lying.filter(({ finger }) => finger > 0);

/** The next hand after a slice in which a finger is set that does not lie now. */
const nextHand = (hands: readonly HandView[], slice: number): HandView | undefined =>
  hands
    .slice(slice + 1)
    .find(({ lying }) =>
      stopped(lying).some((each) => !hands[slice]!.lying.some((now) => isSamePlace(now, each))),
    );

/** The hand at a tick and what it does next; undefined where no hand lies yet. `others` are further frets to be in sight. */
export const handOnNeck = (
  hands: readonly HandView[],
  barres: readonly Barre[],
  onset: number,
  others: readonly number[] = [],
): NeckPicture | undefined => {
  const slice = hands.findLastIndex((hand) => hand.onset <= onset);
  const hand = hands[slice];
  if (!hand) return undefined;
  const now = stopped(hand.lying);
  const following = nextHand(hands, slice);
  const coming = stopped(following?.lying ?? []).filter(
    (each) => !now.some((lies) => isSamePlace(lies, each)),
  );
  const barre = barres.find((each) => each.onset <= onset && each.until > onset);

  const lying = [...now.map(({ fret }) => fret), ...(barre ? [barre.fret] : [])];
  const low = Math.min(...lying, hand.position || Infinity, ...others);
  const near = Number.isFinite(low) ? low : (coming[0]?.fret ?? 1);
  const top = Math.max(near, ...lying, ...others);
  const all = [...coming.map(({ fret }) => fret)];
  // What comes next is in sight as far as the picture reaches.
  const withNext = {
    low: Math.min(near, ...all.filter((fret) => top - fret < MOST_FRETS)),
    high: Math.max(top, ...all.filter((fret) => fret - near < MOST_FRETS)),
  };
  const base = withNext.high <= FEWEST_FRETS ? 1 : withNext.low;
  const frets = Math.max(FEWEST_FRETS, withNext.high - base + 1);
  const isInSight = (fret: number): boolean => fret >= base && fret < base + frets;
  const seen = coming.filter(({ fret }) => isInSight(fret));

  return {
    base,
    frets,
    position: hand.position,
    now: now.map(({ string, fret, finger, sounding }) => ({ string, fret, finger, sounding })),
    next: seen.map(({ string, fret, finger }) => ({
      string,
      fret,
      finger,
      leadsFrom: now.find((each) => each.finger === finger && each.string === string)?.fret,
    })),
    beyond: following && seen.length < coming.length ? following.position : undefined,
    barre: barre && { fret: barre.fret, from: barre.strings[0], to: barre.strings[1] },
    open: hand.lying.filter(({ finger, sounding }) => finger === 0 && sounding).map(({ string }) => string),
    silent: STRINGS.filter((string) => !hand.lying.some((each) => each.string === string && each.sounding)),
  };
};
