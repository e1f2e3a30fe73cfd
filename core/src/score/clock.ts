import type { Score } from './score.ts';

/** Tempo when a piece gives none, in quarters a minute: a calm practice tempo of our own choosing. */
export const DEFAULT_TEMPO = 80;

/** Converts ticks to seconds along the tempo marks of a piece. */
export interface Clock {
  /** Seconds from the start of the piece to `time` ticks. */
  readonly seconds: (time: number) => number;
  /** The tick, rounded down, that is reached so many seconds after the start. */
  readonly tickAt: (seconds: number) => number;
}

/** A second in the grains in which stretches of time are compared: far finer than anyone plays, coarser than noise. */
const GRAINS = 1e11;

/** Seconds from one tick to another, to the grain: equal stretches are equal wherever in the piece they lie. */
export const secondsBetween = (clock: Pick<Clock, 'seconds'>, from: number, to: number): number =>
  Math.round((clock.seconds(to) - clock.seconds(from)) * GRAINS) / GRAINS;

/**
 * The clock of a score. `quartersPerMinute`, when given, replaces every tempo mark: the teacher's working tempo.
 */
export const clockOf = (score: Score, quartersPerMinute?: number): Clock => {
  const marks = quartersPerMinute === undefined ? score.tempi : [{ onset: 0, quartersPerMinute }];
  const starts: number[] = [];
  let elapsed = 0;
  marks.forEach((mark, index) => {
    const before = marks[index - 1];
    if (before)
      elapsed += ((mark.onset - before.onset) / score.ticksPerQuarter) * (60 / before.quartersPerMinute);
    starts.push(elapsed);
  });
  return {
    tickAt: (seconds) => {
      let index = 0;
      while (index + 1 < marks.length && starts[index + 1]! <= seconds) index += 1;
      const mark = marks[index]!;
      const quarters = ((seconds - starts[index]!) * mark.quartersPerMinute) / 60;
      // What is whole but for the error of floating point counts as whole.
      return Math.floor(mark.onset + quarters * score.ticksPerQuarter + 1e-6);
    },
    seconds: (time) => {
      let index = 0;
      while (index + 1 < marks.length && marks[index + 1]!.onset <= time) index += 1;
      const mark = marks[index]!;
      return starts[index]! + ((time - mark.onset) / score.ticksPerQuarter) * (60 / mark.quartersPerMinute);
    },
  };
};
