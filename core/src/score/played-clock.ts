import type { Clock } from './clock.ts';
import type { Score } from './score.ts';
import type { Unfolded } from './unfold/unfold.ts';

/** How much longer what stands under a fermata is held, as a share of its length. Our own value; players differ widely. */
export const FERMATA_SHARE = 0.8;

/** Seconds of a piece as it is played: in the order of its bars, with its tempo marks, held at its fermatas. */
export interface PlayedClock {
  /** Seconds from the start to a tick of the unfolded piece. */
  readonly seconds: (tick: number) => number;
  /** Seconds that the whole piece lasts. */
  readonly length: number;
}

/** Written ticks at which a fermata ends, and the ticks by which it is held longer. */
const fermatasOf = ({ bars }: Score): ReadonlyMap<number, number> => {
  const held = new Map<number, number>();
  for (const { voices } of bars)
    for (const { events } of voices)
      for (const { fermata, onset, duration } of events)
        if (fermata && duration > 0)
          held.set(onset + duration, Math.max(held.get(onset + duration) ?? 0, duration * FERMATA_SHARE));
  return held;
};

/**
 * The clock of an unfolded piece. `clock` tells the seconds of the page; a tempo mark holds wherever its bar is played, and
 * time stands still at the end of what stands under a fermata.
 */
export const playedClock = (score: Score, unfolded: Unfolded, clock: Clock): PlayedClock => {
  const fermatas = [...fermatasOf(score)].sort(([a], [b]) => a - b);
  /** Seconds from a bar's start to a written tick in it; a hold counts from its end on. */
  const within = (bar: number, tick: number): number => {
    const { start } = score.bars[bar]!;
    const held = fermatas
      .filter(([end]) => end > start && end <= tick)
      .reduce((sum, [end, extra]) => sum + clock.seconds(end) - clock.seconds(end - extra), 0);
    return clock.seconds(tick) - clock.seconds(start) + held;
  };
  const starts: number[] = [];
  let elapsed = 0;
  for (const { bar } of unfolded.bars) {
    starts.push(elapsed);
    const { start, length } = score.bars[bar]!;
    elapsed += within(bar, start + length);
  }
  const seconds = (tick: number): number => {
    let low = 0;
    let high = unfolded.bars.length - 1;
    while (low < high) {
      const middle = (low + high + 1) >> 1;
      if (unfolded.bars[middle]!.start <= tick) low = middle;
      else high = middle - 1;
    }
    const played = unfolded.bars[low];
    if (!played) return 0;
    const { start, length } = score.bars[played.bar]!;
    const offset = Math.min(tick - played.start, length);
    const beyond = Math.max(0, tick - played.start - length);
    const rest = beyond === 0 ? 0 : clock.seconds(start + length + beyond) - clock.seconds(start + length);
    return starts[low]! + within(played.bar, start + offset) + rest;
  };
  return { seconds, length: elapsed };
};
