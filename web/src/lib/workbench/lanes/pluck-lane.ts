import type { NotePlan, Score } from '@oculon/core';
import type { SystemGeometry } from '../../engraving/geometry.ts';
import { LANE_HEIGHTS } from './lane.ts';

/** From the top: the higher a finger reaches on the strings, the higher its row. */
const ROWS = ['a', 'm', 'i', 'p'] as const;
type Row = (typeof ROWS)[number];
const PADDING = 6;

export interface PluckDot {
  readonly note: number;
  readonly onset: number;
  readonly x: number;
  readonly y: number;
  readonly letter: Row;
  /** The same finger has plucked the stroke before. */
  readonly repeats: boolean;
}

export interface PluckStep {
  readonly from: readonly [number, number];
  readonly to: readonly [number, number];
  /** The hand crosses: a finger nearer the treble plucks the deeper string. */
  readonly crosses: boolean;
}

export interface PluckLane {
  readonly dots: readonly PluckDot[];
  readonly steps: readonly PluckStep[];
  readonly rows: readonly { readonly letter: Row; readonly y: number }[];
}

const yOfRow = (row: number): number =>
  PADDING + (row * (LANE_HEIGHTS.pluck - 2 * PADDING)) / (ROWS.length - 1);

const RANKS: Readonly<Record<Row, number>> = { p: 0, i: 1, m: 2, a: 3 };

/** Who plucks when along one system: a dot for each stroke, and the way of i m a from stroke to stroke. */
export const layPluckLane = (
  score: Score,
  geometry: SystemGeometry,
  notes: readonly NotePlan[],
): PluckLane => {
  const dots = geometry.heads
    .flatMap(({ note, x, width }) => {
      const letter = ROWS.find((row) => row === notes[note]?.pluck);
      return letter
        ? [
            {
              note,
              onset: score.notes[note]!.onset as number,
              x: x + width / 2,
              letter,
              string: notes[note]!.string ?? 0,
              // Grace notes have the onset of the note that they lead to, and come one by one before it.
              lead: score.notes[note]!.grace ? x : Infinity,
            },
          ]
        : [];
    })
    .sort(
      (one, other) =>
        one.onset - other.onset ||
        (one.lead === other.lead ? other.string - one.string : one.lead - other.lead),
    );
  const steps: PluckStep[] = [];
  const lastOf = new Map<Row, number>();
  let before: readonly (typeof dots)[number][] = [];
  const placed: PluckDot[] = [];
  let moment = 0;
  for (let at = 0; at < dots.length; moment += 1) {
    const { lead, onset: struckAt } = dots[at]!;
    const together = dots.filter((each) => each.onset === struckAt && each.lead === lead);
    const fingers = together.filter(({ letter }) => letter !== 'p');
    for (const { note, onset, x, letter } of together)
      placed.push({
        note,
        onset,
        x,
        y: yOfRow(ROWS.indexOf(letter)),
        letter,
        repeats: lastOf.get(letter) === moment - 1,
      });
    const [from, to] = [before[0], fingers[0]];
    if (from && to && before.length === 1 && fingers.length === 1) {
      const rank = RANKS[to.letter] - RANKS[from.letter];
      steps.push({
        from: [from.x, yOfRow(ROWS.indexOf(from.letter))],
        to: [to.x, yOfRow(ROWS.indexOf(to.letter))],
        crosses: rank * (from.string - to.string) < 0,
      });
    }
    for (const { letter } of together) lastOf.set(letter, moment);
    if (fingers.length > 0) before = fingers;
    at += together.length;
  }
  return { dots: placed, steps, rows: ROWS.map((letter, row) => ({ letter, y: yOfRow(row) })) };
};
