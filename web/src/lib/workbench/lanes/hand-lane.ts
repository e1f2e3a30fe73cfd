import type { ShiftRide } from '@oculon/core';
import type { TimeAxis } from '../../engraving/time-axis.ts';
import type { PlanView } from '../../planner/api.ts';
import { LANE_HEIGHTS } from './lane.ts';

/** Frets that one hand covers without reaching. */
const HAND = 4;
/** Room above and below the neck, in px. */
const PADDING = 5;
/** A finger is drawn as held where it lies over so many slices at least. */
const HELD_FROM = 2;

/** The part of the neck that a piece uses. */
export interface NeckRange {
  readonly low: number;
  readonly high: number;
}

export interface HandBand {
  readonly x: number;
  readonly width: number;
  readonly y: number;
  readonly height: number;
  readonly position: number;
  readonly onset: number;
}
export interface BarreBlock {
  readonly x: number;
  readonly width: number;
  readonly y: number;
  readonly height: number;
  readonly fret: number;
  readonly onset: number;
}
export interface HeldLine {
  readonly x: number;
  readonly until: number;
  readonly y: number;
  readonly finger: number;
}
export interface ShiftStroke {
  readonly onset: number;
  readonly from: readonly [number, number];
  readonly to: readonly [number, number];
  readonly rides: ShiftRide;
  /** Time from the note before to the first note there, in ms. */
  readonly window: number;
  readonly positions: readonly [number, number];
}
export interface HandLane {
  readonly bands: readonly HandBand[];
  readonly barres: readonly BarreBlock[];
  readonly held: readonly HeldLine[];
  readonly shifts: readonly ShiftStroke[];
}

type HandPlan = Pick<PlanView, 'positions' | 'barres' | 'shifts'>;

/** The frets from the lowest to the highest that the hand covers in the whole piece, so that lanes can be compared. */
export const neckRange = ({ positions }: Pick<PlanView, 'positions'>): NeckRange => {
  const used = positions.map(({ position }) => position).filter((position) => position > 0);
  return used.length === 0
    ? { low: 1, high: HAND + 1 }
    : { low: Math.min(...used), high: Math.max(...used) + HAND };
};

/** What the left hand does along one system, in px of it; the lane begins at y 0, the nut lies below. */
export const layHandLane = (axis: TimeAxis, plan: HandPlan, { low, high }: NeckRange): HandLane => {
  const room = LANE_HEIGHTS.hand - 2 * PADDING;
  const fretHeight = room / Math.max(HAND + 1, high - low);
  /** Upper edge of what lies at a fret. */
  const yOf = (fret: number): number => PADDING + room - (fret - low + 1) * fretHeight;
  const xFrom = (onset: number): number => axis.xAt(Math.max(onset, axis.from)) ?? 0;
  const xUntil = (onset: number): number => axis.xUntil(Math.min(onset, axis.until)) ?? 0;
  const touches = (from: number, until: number): boolean => from < axis.until && until > axis.from;

  const { positions } = plan;
  const bands: HandBand[] = [];
  let begin = 0;
  positions.forEach(({ position, onset }, slice) => {
    const next = positions[slice + 1];
    if (next?.position === position) return;
    const from = positions[begin]!.onset;
    begin = slice + 1;
    // The hand is on its way from the last note it struck there; at the end it stays.
    const until = next ? onset : axis.until;
    if (position === 0 || !touches(from, next?.onset ?? Infinity) || from >= axis.until || until < axis.from)
      return;
    const x = xFrom(from);
    const end = next && onset < axis.until ? (axis.xAt(Math.max(onset, axis.from)) ?? x) : xUntil(axis.until);
    bands.push({
      x: x - 5,
      width: Math.max(12, end - x + 10),
      y: yOf(position + HAND - 1),
      height: fretHeight * HAND,
      position,
      onset: from,
    });
  });

  const barres = plan.barres
    .filter(({ onset, until }) => touches(onset, until))
    .map(({ onset, until, fret }): BarreBlock => {
      const x = xFrom(onset);
      return {
        x: x - 5,
        width: Math.max(10, xUntil(until) - x),
        y: yOf(fret),
        height: Math.max(3, fretHeight),
        fret,
        onset,
      };
    });

  const shifts = plan.shifts
    .filter(({ onset }) => onset >= axis.from && onset < axis.until)
    .map(({ onset, slice, from, to, rides, window }): ShiftStroke => {
      const leaves = positions[slice - 1]?.onset ?? axis.from;
      const x = axis.xAt(onset) ?? 0;
      // What left on the line before comes in from the left.
      const start = leaves < axis.from ? x - 26 : (axis.xAt(leaves) ?? x - 26) + 5;
      const middle = (position: number): number => yOf(position) - fretHeight * (HAND / 2 - 1);
      return {
        onset,
        from: [Math.min(start, x - 8), middle(from)],
        to: [x - 5, middle(to)],
        rides,
        window,
        positions: [from, to],
      };
    });
  return { bands, barres, held: heldLines(axis, positions, yOf, fretHeight, xFrom), shifts };
};

/** Fingers that keep their place while others come and go. */
const heldLines = (
  axis: TimeAxis,
  positions: HandPlan['positions'],
  yOf: (fret: number) => number,
  fretHeight: number,
  xFrom: (onset: number) => number,
): readonly HeldLine[] => {
  const lines: HeldLine[] = [];
  for (const finger of [1, 2, 3, 4]) {
    let run: { key: string; from: number; last: number; fret: number; slices: number } | undefined;
    const close = (): void => {
      if (run && run.slices >= HELD_FROM && run.from < axis.until && run.last >= axis.from) {
        const until = run.last >= axis.until ? axis.xUntil(axis.until)! : axis.xAt(run.last)!;
        lines.push({ x: xFrom(run.from), until, y: yOf(run.fret) + fretHeight / 2, finger });
      }
      run = undefined;
    };
    for (const { onset, lying } of positions) {
      const own = lying.filter((each) => each.finger === finger && each.sounding);
      const key = own.map(({ string, fret }) => `${string}/${fret}`).join();
      if (run && run.key === key) {
        run.last = onset;
        run.slices += 1;
      } else {
        close();
        if (own[0]) run = { key, from: onset, last: onset, fret: own[0].fret, slices: 1 };
      }
      if (onset >= axis.until) break;
    }
    close();
  }
  return lines;
};
