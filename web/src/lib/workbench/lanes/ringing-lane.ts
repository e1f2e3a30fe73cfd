import type { Damping, Sounding } from '@oculon/core';
import type { TimeAxis } from '../../engraving/time-axis.ts';
import type { PlanView } from '../../planner/api.ts';
import { LANE_HEIGHTS } from './lane.ts';

const PADDING = 6;
const STRINGS = [1, 2, 3, 4, 5, 6] as const;

export interface RingingLine {
  readonly note: number;
  readonly onset: number;
  readonly string: number;
  readonly x: number;
  /** Where it ends as written, and where it really ends. */
  readonly written: number;
  readonly until: number;
  readonly y: number;
  readonly ends: Sounding['ends'];
  readonly isOpen: boolean;
  /** Whether it is struck on this line; what rings on from the line before is not. */
  readonly begins: boolean;
}

export interface DampingMark {
  readonly onset: number;
  readonly x: number;
  readonly y: number;
  readonly string: number;
  readonly grade: Damping['grade'];
  readonly means: Damping['means'];
}

export interface RingingLane {
  readonly lines: readonly RingingLine[];
  readonly damping: readonly DampingMark[];
  readonly rows: readonly { readonly string: number; readonly y: number }[];
}

const yOf = (string: number): number =>
  PADDING + ((string - 1) * (LANE_HEIGHTS.ringing - 2 * PADDING)) / (STRINGS.length - 1);

/** When each string sounds along one system: to its written end, and on to where it really ends. */
export const layRingingLane = (
  axis: TimeAxis,
  { soundings, damping, heads }: Pick<PlanView, 'soundings' | 'damping' | 'heads'>,
): RingingLane => {
  const xUntil = (tick: number): number => axis.xUntil(Math.max(axis.from, Math.min(tick, axis.until))) ?? 0;
  return {
    lines: soundings
      .filter(({ from, until }) => from < axis.until && until > axis.from)
      .map(({ sound, string, from, writtenEnd, until, ends, isOpen }) => ({
        note: heads[sound] ?? 0,
        onset: from,
        string,
        x: axis.xAt(Math.max(from, axis.from)) ?? 0,
        written: Math.min(xUntil(writtenEnd), xUntil(until)),
        until: xUntil(until),
        y: yOf(string),
        ends,
        isOpen,
        begins: from >= axis.from,
      })),
    damping: damping
      .filter(({ onset }) => onset >= axis.from && onset < axis.until)
      .map(({ onset, string, grade, means }) => ({
        onset,
        x: axis.xAt(onset) ?? 0,
        y: yOf(string),
        string,
        grade,
        means,
      })),
    rows: STRINGS.map((string) => ({ string, y: yOf(string) })),
  };
};
