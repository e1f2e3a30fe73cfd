import { calendarOf, type PractisedSpot } from '../src/practice/calendar.ts';
import { later, readDay, weekdayOf, type Day } from '../src/practice/days.ts';
import { randomFrom, type TempoSeen } from '../src/practice/forecast.ts';
import {
  afterTry,
  AT_THE_FOOT,
  isReached,
  onNewDay,
  tempoAt,
  type LadderPlace,
} from '../src/practice/ladder.ts';
import type { Meeting } from '../src/practice/meetings.ts';
import type { PractisedPiece } from '../src/practice/practice-json.ts';
import type { SpotKind } from '../src/practice/spots.ts';

/**
 * A made-up student with a known learning curve for each kind of difficulty. All numbers are inventions: they test the
 * arithmetic, and say nothing about people.
 */
const LEARNING: Readonly<Partial<Record<SpotKind, { readonly ceiling: number; readonly tau: number }>>> = {
  shift: { ceiling: 1.15, tau: 30 },
  stretch: { ceiling: 1.08, tau: 40 },
  barre: { ceiling: 1.06, tau: 45 },
  repetition: { ceiling: 1.1, tau: 40 },
};
const USUAL = { ceiling: 1.12, tau: 30 };
/** Where it begins, as a share of the target. */
const START = 0.55;
/** What so many minutes on one spot in one day are worth: the first ones most. */
const worth = (minutes: number): number => 6 * (1 - Math.exp(-minutes / 6));
/** Share of what was learned that is lost on a day without it. */
const FORGOTTEN = 0.01;
const TRIES_A_MINUTE = 1.5;
const NOISE = 0.04;
const DAYS_MISSED = 0.15;
/** The day of pain: from then on the spots of one kind rest for two days. */
const PAINFUL = 25;
const REST = 2;

export const WEEKS = 8;
export const FIRST_DAY = readDay('2026-11-30')!;
export const WEEKDAYS: readonly number[] = [1, 2, 3, 4, 5, 6];
export const MINUTES = 30;

interface Learner {
  readonly source: PractisedPiece['spots'][number];
  learned: number;
  place: LadderPlace;
  meetings: Meeting[];
  seen: TempoSeen[];
  reached: number | undefined;
}

const abilityOf = ({ source: { spot, ladder }, learned }: Learner): number => {
  const { ceiling, tau } = LEARNING[spot.kind] ?? USUAL;
  return ladder.rungs.at(-1)! * (ceiling - (ceiling - START) * Math.exp(-learned / tau));
};

/** When each spot of a piece is first played clean at its target: days from the first, undefined when it never is. */
export interface Practised {
  readonly reached: readonly (number | undefined)[];
  /** Best clean tempi by day of practice, spot after spot. */
  readonly seen: readonly (readonly TempoSeen[])[];
}

/** Eight weeks by the plan, or with the same minutes spent playing the piece through. */
export const practiseFor = (piece: PractisedPiece, how: 'by-plan' | 'through', seed: number): Practised => {
  const random = randomFrom(seed);
  const gauss = (): number => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
  const learners = piece.spots.map((source): Learner => ({
    source,
    learned: 0,
    place: AT_THE_FOOT,
    meetings: [],
    seen: [],
    reached: undefined,
  }));
  let rests: { readonly kind: SpotKind; readonly until: Day } | undefined;
  const practise = (learner: Learner, minutes: number, number: number): void => {
    const { ladder } = learner.source;
    learner.place = onNewDay(learner.place);
    let best = 0;
    let failures = 0;
    for (let attempt = 0; attempt < Math.round(minutes * TRIES_A_MINUTE); attempt += 1) {
      const tempo = tempoAt(ladder, learner.place.rung);
      const isClean = tempo <= abilityOf(learner) * (1 + NOISE * gauss());
      if (isClean) best = Math.max(best, tempo);
      else failures += 1;
      learner.place = afterTry(ladder, learner.place, isClean ? 'clean' : 'not-yet');
      if (isReached(ladder, learner.place)) learner.reached ??= number;
    }
    learner.learned += worth(minutes);
    learner.meetings = [
      ...learner.meetings,
      { day: later(FIRST_DAY, number), isClean: failures < minutes * TRIES_A_MINUTE * 0.5 },
    ];
    if (best > 0) learner.seen = [...learner.seen, { day: learner.seen.length, tempo: best }];
  };
  for (let number = 0; number < 7 * WEEKS; number += 1) {
    const today = later(FIRST_DAY, number);
    const isMissed = random() < DAYS_MISSED;
    if (number === PAINFUL) rests = { kind: learners[0]!.source.spot.kind, until: later(today, REST) };
    for (const learner of learners) learner.learned *= 1 - FORGOTTEN;
    if (isMissed || !WEEKDAYS.includes(weekdayOf(today))) continue;
    if (how === 'through') {
      // Each bar gets its share of the minutes.
      for (const learner of learners) {
        const { from, to } = learner.source.spot;
        practise(learner, (MINUTES * (to - from + 1)) / piece.bars, number);
      }
      continue;
    }
    const spots = learners.map(({ source: { spot, ladder }, place, meetings }): PractisedSpot => ({
      piece: piece.name,
      spot: spot.id,
      effort: spot.effort,
      ladder,
      place,
      meetings,
      ...(rests?.kind === spot.kind && { restsUntil: rests.until }),
    }));
    const { days } = calendarOf({
      from: today,
      goals: [{ piece: piece.name, until: later(FIRST_DAY, 7 * WEEKS) }],
      spots,
      minutes: MINUTES,
      weekdays: WEEKDAYS,
      days: 1,
    });
    const minutesOf = new Map<string, number>();
    for (const part of days[0]?.parts ?? [])
      if (part.kind === 'spot' || part.kind === 'again')
        minutesOf.set(part.spot.spot, (minutesOf.get(part.spot.spot) ?? 0) + part.minutes);
    for (const learner of learners) {
      const minutes = minutesOf.get(learner.source.spot.id);
      if (minutes !== undefined) practise(learner, minutes, number);
    }
  }
  return { reached: learners.map(({ reached }) => reached), seen: learners.map(({ seen }) => seen) };
};
