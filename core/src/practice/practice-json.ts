import type { PlannedMeeting, PracticeCalendar } from './calendar.ts';
import { dayText, type Day } from './days.ts';
import type { Ladder } from './ladder.ts';
import type { SessionPart } from './session.ts';
import { DRILLS_FOR } from './spot-drills.ts';
import type { Spot } from './spots.ts';

/** A piece that is practised: its spots, each with its ladder. */
export interface PractisedPiece {
  readonly name: string;
  readonly title: string;
  readonly target: number;
  readonly bars: number;
  readonly spots: readonly { readonly spot: Spot; readonly ladder: Ladder }[];
}

const rounded = (value: number): number => Math.round(value * 100) / 100;

const partJson = (part: SessionPart<PlannedMeeting>) => {
  if (part.kind !== 'spot' && part.kind !== 'again') return { kind: part.kind, minutes: part.minutes };
  const { piece, spot, tempo, why } = part.spot;
  return { kind: part.kind, minutes: part.minutes, piece, spot, tempo, why };
};

/** A practice plan as `oculon.practice/1`. Bars are counted from 1; tempi in quarters a minute. */
export const practiceJson = (
  from: Day,
  minutes: number,
  weekdays: readonly number[],
  pieces: readonly PractisedPiece[],
  calendar: PracticeCalendar,
) => ({
  schema: 'oculon.practice/1' as const,
  from: dayText(from),
  minutes,
  weekdays,
  pieces: pieces.map(({ name, title, target, spots }) => ({
    piece: name,
    title,
    target,
    spots: spots.map(({ spot, ladder }) => ({
      spot: spot.id,
      kind: spot.kind,
      from: spot.from + 1,
      to: spot.to + 1,
      effort: rounded(spot.effort),
      comfortable: spot.comfortable === undefined ? null : Math.round(spot.comfortable),
      findings: spot.findings,
      /** First bars of places that are alike. */
      returns: spot.returns.map((bar) => bar + 1),
      rungs: ladder.rungs,
      drills: DRILLS_FOR[spot.kind],
    })),
  })),
  days: calendar.days.map(({ day, parts }) => ({
    date: dayText(day),
    parts: parts.map(partJson),
  })),
  goals: calendar.goals.map(({ piece, until, ready, moves }) => ({
    piece,
    until: dayText(until),
    ready: ready === undefined ? null : dayText(ready),
    moves,
  })),
});
export type PracticeJson = ReturnType<typeof practiceJson>;
