import type { ShiftRide } from '@oculon/core';
import type { TimeAxis } from '../../engraving/time-axis.ts';
import type { PlanView } from '../../planner/api.ts';
import { HAND, type HandCourse } from './hand-course.ts';
import { LANE_HEIGHTS } from './lane.ts';

/** Room above and below the neck, in px. */
const PADDING = 5;

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

/** What the left hand does along one system, in px of it; the lane begins at y 0, the nut lies below. */
export const layHandLane = (axis: TimeAxis, plan: HandPlan, course: HandCourse): HandLane => {
  const { low, high } = course.range;
  const room = LANE_HEIGHTS.hand - 2 * PADDING;
  const fretHeight = room / Math.max(HAND + 1, high - low);
  /** Upper edge of what lies at a fret. */
  const yOf = (fret: number): number => PADDING + room - (fret - low + 1) * fretHeight;
  const xFrom = (onset: number): number => axis.xAt(Math.max(onset, axis.from)) ?? 0;
  const xUntil = (onset: number): number => axis.xUntil(Math.min(onset, axis.until)) ?? 0;
  const touches = (from: number, until: number): boolean => from < axis.until && until > axis.from;

  const { positions } = plan;
  const bands = course.stays
    .filter(
      ({ from, last, left }) => from < axis.until && left > axis.from && (last ?? axis.until) >= axis.from,
    )
    .map(({ position, from, last }): HandBand => {
      const x = xFrom(from);
      // The hand is on its way from the last note it struck there; at the end it stays.
      const end =
        last !== undefined && last < axis.until
          ? (axis.xAt(Math.max(last, axis.from)) ?? x)
          : xUntil(axis.until);
      return {
        x: x - 5,
        width: Math.max(12, end - x + 10),
        y: yOf(position + HAND - 1),
        height: fretHeight * HAND,
        position,
        onset: from,
      };
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
  const held = course.held
    .filter(({ from, last }) => from < axis.until && last >= axis.from)
    .map(({ finger, fret, from, last }): HeldLine => {
      const until = last >= axis.until ? axis.xUntil(axis.until)! : axis.xAt(last)!;
      return { x: xFrom(from), until, y: yOf(fret) + fretHeight / 2, finger };
    });
  return { bands, barres, held, shifts };
};
