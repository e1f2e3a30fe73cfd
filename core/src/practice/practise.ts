import type { Plan } from '../plan/plan.ts';
import type { Level } from '../review/rates.ts';
import { ladderFor } from './ladder.ts';
import type { PractisedPiece } from './practice-json.ts';
import { spotsOf } from './spots.ts';

/** Notes to a quarter where a passage is densest. */
const densest = ({ score }: Plan, start: number, end: number): number => {
  const onsets = [...new Set(score.notes.map(({ onset }) => onset as number))]
    .filter((onset) => onset >= start && onset <= end)
    .sort((a, b) => a - b);
  const shortest = Math.min(...onsets.slice(1).map((onset, index) => onset - onsets[index]!));
  return Number.isFinite(shortest) && shortest > 0 ? score.ticksPerQuarter / shortest : 1;
};

/** What of a planned piece is to be practised, with a ladder to the target for each spot. Tempi in quarters a minute. */
export const practised = (plan: Plan, name: string, level: Level = 'intermediate'): PractisedPiece => {
  const target = plan.setup.tempo ?? plan.score.tempi[0]!.quartersPerMinute;
  return {
    name,
    title: plan.score.title,
    target,
    bars: plan.score.bars.length,
    spots: spotsOf(plan, level).map((spot) => ({
      spot,
      ladder: ladderFor({
        target,
        comfortable: spot.comfortable,
        notesToBeat: densest(plan, spot.start, spot.end),
      }),
    })),
  };
};

const DAYS_PER_WEEK = 7;
/** Weekdays for so many days a week, spread evenly from Monday on (1). */
export const spreadWeekdays = (days: number): readonly number[] =>
  Array.from({ length: days }, (_, place) => 1 + Math.floor((place * DAYS_PER_WEEK) / days));
