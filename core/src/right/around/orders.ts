import { STROKE_FINGERS, type StrokeFinger } from '../../fingering/vocabulary.ts';
import type { PluckEvent } from '../events/events.ts';
import { THUMB } from '../events/ranks.ts';
import { isLine } from '../events/events.ts';

/** All orders in which the four fingers play once each: 24, six from each finger. */
export const fingerOrders = (): readonly string[] => {
  const orders = (rest: readonly string[]): string[] =>
    rest.length === 0
      ? ['']
      : rest.flatMap((finger) =>
          orders(rest.filter((other) => other !== finger)).map((tail) => finger + tail),
        );
  return orders(STROKE_FINGERS);
};

export type CrossingKind = 'toward-treble' | 'toward-bass';

/** A finger passes over another one on the way to its string. */
export interface Crossing {
  /** Index of the event that the second finger plays. */
  readonly event: number;
  readonly kind: CrossingKind;
}

/** A finger that plays twice running. */
export interface RepeatedFinger {
  readonly event: number;
  readonly finger: StrokeFinger;
  /** Time between the two strokes, in ms. */
  readonly ms: number;
}

/** How a stretch of events lies under the right hand. */
export interface OrderMeasures {
  readonly strokes: number;
  readonly crossings: readonly Crossing[];
  readonly repeats: readonly RepeatedFinger[];
  /** How many times a finger changes its string. */
  readonly pivots: number;
  /** Strokes by finger. */
  readonly load: Readonly<Record<StrokeFinger, number>>;
  /** Most events in a row in which no finger plays twice running. */
  readonly longestRun: number;
  /** Shortest time in which a finger plays again, whatever lies between, in ms; undefined when none does. */
  readonly fastestReturn: number | undefined;
  /** Fingers twice running in single lines, at a speed at which that shows. */
  readonly alternationBreaks: number;
}

/** Above this a repeated finger is no break of alternation, in ms: there is time (design, right hand). */
export const CALM_REPEAT = 600;

/** Whether going from one finger and string to another crosses: rank and string disagree. The thumb never does. */
export const crossingOf = (
  [rank, string]: readonly [number, number],
  [nextRank, nextString]: readonly [number, number],
): CrossingKind | undefined => {
  if (rank === THUMB || nextRank === THUMB || rank === nextRank || string === nextString) return undefined;
  const towardTreble = nextString < string;
  return towardTreble === nextRank > rank ? undefined : towardTreble ? 'toward-treble' : 'toward-bass';
};

/** Measures events `from` up to, not including, `to`, played with the fingers given (ranks by event). */
export const measureOrder = (
  events: readonly PluckEvent[],
  options: readonly (readonly number[])[],
  from = 0,
  to = events.length,
): OrderMeasures => {
  const load: Record<StrokeFinger, number> = { p: 0, i: 0, m: 0, a: 0 };
  const lastString = new Map<number, number>();
  const lastTime = new Map<number, number>();
  const crossings: Crossing[] = [];
  const repeats: RepeatedFinger[] = [];
  let pivots = 0;
  let strokes = 0;
  let run = 0;
  let longestRun = 0;
  let fastestReturn: number | undefined;
  let alternationBreaks = 0;
  let time = 0;
  for (let index = from; index < to; index += 1) {
    const event = events[index]!;
    const option = options[index]!;
    const ms = index > from ? event.secondsBefore * 1000 : 0;
    time += ms;
    const before = index > from ? options[index - 1]! : [];
    const repeated = option.filter((rank) => before.includes(rank));
    for (const rank of repeated) {
      repeats.push({ event: index, finger: STROKE_FINGERS[rank]!, ms });
      if (isLine(event) && !event.isAfterSlur && ms < CALM_REPEAT) alternationBreaks += 1;
    }
    run = repeated.length > 0 ? 1 : run + 1;
    longestRun = Math.max(longestRun, run);
    if (before.length === 1 && option.length === 1) {
      const kind = crossingOf(
        [before[0]!, events[index - 1]!.notes[0]!.string],
        [option[0]!, event.notes[0]!.string],
      );
      if (kind) crossings.push({ event: index, kind });
    }
    option.forEach((rank, place) => {
      const { string } = event.notes[place]!;
      strokes += 1;
      load[STROKE_FINGERS[rank]!] += 1;
      if (lastString.has(rank) && lastString.get(rank) !== string) pivots += 1;
      lastString.set(rank, string);
      const since = lastTime.has(rank) ? time - lastTime.get(rank)! : Infinity;
      if (since < (fastestReturn ?? Infinity)) fastestReturn = since;
      lastTime.set(rank, time);
    });
  }
  return {
    strokes,
    crossings,
    repeats,
    pivots,
    load,
    longestRun,
    fastestReturn,
    alternationBreaks,
  };
};
