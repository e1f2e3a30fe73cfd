import type { LeftFinger } from '../../fingering/vocabulary.ts';
import { spanOf, type Hand, type NeckTables } from './hand.ts';

/** A sound on the fingerboard: string 1 to 6, fret 0 (open) and up, finger 0 (open) to 4. */
export interface Placement {
  readonly string: number;
  readonly fret: number;
  readonly finger: LeftFinger;
}

/** Widest small barre of fingers 2, 3 and 4, in strings. */
const SMALL_BARRE_STRINGS = 4;
/**
 * Frets above a small barre within which other fingers may stop notes inside it: 2 bends out of their way, 3 lets 4 down
 * just beside it, 4 lies flat with nothing above. Common practice, no published source.
 */
const REACH_ABOVE_FLAT: Readonly<Record<number, number>> = { 1: Infinity, 2: Infinity, 3: 1, 4: 0 };

/** Whether a finger that lies flat at a fret leaves room for a note that is stopped inside its barre. */
export const leavesRoom = (finger: number, barre: number, fret: number): boolean =>
  fret >= barre && fret - barre <= REACH_ABOVE_FLAT[finger]!;

/** Spans and frets are sums in mm; what lies on the edge fits. */
const ROUNDING = 1e-9;

/** Strings between two, both included. */
const isBetween = (string: number, a: number, b: number): boolean =>
  string >= Math.min(a, b) && string <= Math.max(a, b);

/** Whether two fingers (lower first) can stop these frets at once: order and widest span. */
export const pairFits = (
  hand: Hand,
  neck: NeckTables,
  lower: number,
  lowerFret: number,
  higher: number,
  higherFret: number,
): boolean =>
  lowerFret <= higherFret &&
  neck.tip[higherFret]! - neck.tip[lowerFret]! <= openingOf(hand, lower, higher, WHOLE_SHARE);

/** Share of the way from the comfortable to the widest span that a player opens for a note that merely rings on. Our own. */
export const EASY_SHARE = 0.5;
/** The same for a broken chord with a plain pattern: its shape lies as it would if it were struck at once, short of strain. */
export const SHAPE_SHARE = 0.6;
/** The whole way: what a hand can hold at all. */
export const WHOLE_SHARE = 1;

/** How far a pair of fingers (lower first) opens, in mm: a share of the way from its comfortable to its widest span. */
export const openingOf = (hand: Hand, lower: number, higher: number, share: number): number => {
  const { comfortable, maximum } = spanOf(hand, lower, higher);
  return comfortable + share * (maximum - comfortable) + ROUNDING;
};

/**
 * Why no hand holds these placements at once, or undefined when one can. Hard rules of handbook §3: one note a
 * string; one finger one fret, flat over neighbouring strings as a barre; nothing open or lower inside a barre;
 * no higher finger behind a lower one; no pair beyond its widest span.
 */
export const gripProblem = (
  placements: readonly Placement[],
  hand: Hand,
  neck: NeckTables,
): string | undefined => {
  for (let a = 0; a < placements.length; a += 1) {
    const first = placements[a]!;
    if ((first.fret === 0) !== (first.finger === 0)) return 'an open string has no finger, a stopped one has';
    for (let b = a + 1; b < placements.length; b += 1) {
      const second = placements[b]!;
      if (first.string === second.string) return `two notes need string ${first.string}`;
      if (first.finger === 0 || second.finger === 0) continue;
      if (first.finger === second.finger) {
        if (first.fret !== second.fret) return `finger ${first.finger} is needed on two frets`;
        const [low, high] = [Math.min(first.string, second.string), Math.max(first.string, second.string)];
        if (first.finger > 1 && high - low >= SMALL_BARRE_STRINGS)
          return `finger ${first.finger} cannot cover so many strings`;
        const inside = placements.filter((each) => isBetween(each.string, low, high));
        if (inside.some((each) => each.fret < first.fret))
          return `a barre at fret ${first.fret} covers a lower or open note`;
        if (inside.some((each) => !leavesRoom(first.finger, first.fret, each.fret)))
          return `finger ${first.finger} cannot lie flat under another finger`;
        continue;
      }
      const [lower, higher] = first.finger < second.finger ? [first, second] : [second, first];
      if (lower.fret > higher.fret)
        return `finger ${higher.finger} would cross behind finger ${lower.finger}`;
      if (!pairFits(hand, neck, lower.finger, lower.fret, higher.finger, higher.fret))
        return `fingers ${lower.finger} and ${higher.finger} cannot reach from fret ${lower.fret} to ${higher.fret}`;
    }
  }
  return undefined;
};
