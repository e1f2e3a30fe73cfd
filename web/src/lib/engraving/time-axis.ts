import type { SystemGeometry } from './geometry.ts';
import type { Score } from './score-types.ts';

/** Time along one system: what lanes, playheads and spans stand on. Onsets in ticks as written, x in px of the system. */
export interface TimeAxis {
  /** Onset of its first bar and end of its last. */
  readonly from: number;
  readonly until: number;
  /** Where an onset stands; on a barline, where the bar begins that follows. Undefined outside the system. */
  readonly xAt: (onset: number) => number | undefined;
  /** Where what ends at an onset ends: on a barline, the barline. Undefined outside the system. */
  readonly xUntil: (onset: number) => number | undefined;
  /** The onset that stands at an x; what lies before the first note of a bar belongs to its beginning. */
  readonly onsetAt: (x: number) => number;
}

/** A moment that was drawn: between two of them time runs evenly. */
interface Stop {
  readonly onset: number;
  readonly x: number;
}

interface BarStops {
  readonly onset: number;
  readonly until: number;
  readonly x: number;
  readonly stops: readonly Stop[];
}

/** Places of the noteheads but grace notes, one for each onset: the head furthest left, as displaced ones stand beside it. */
const stopsOfHeads = (score: Score, { heads }: SystemGeometry): ReadonlyMap<number, number> => {
  const stops = new Map<number, number>();
  for (const { note, x, width } of heads) {
    const { grace, onset } = score.notes[note]!;
    if (grace) continue;
    stops.set(onset, Math.min(stops.get(onset) ?? Infinity, x + width / 2));
  }
  return stops;
};

/** Of stops in the order of time, those that lie further right than all before them: heads of two voices may stand aside. */
const rising = (stops: readonly Stop[]): readonly Stop[] => {
  const kept: Stop[] = [];
  for (const stop of stops) if (stop.x > (kept.at(-1)?.x ?? -Infinity)) kept.push(stop);
  return kept;
};

const between = (value: number, from: number, to: number, low: number, high: number): number =>
  from === to ? low : low + ((value - from) / (to - from)) * (high - low);

/** The axis of a system that has been drawn. */
export const timeAxis = (score: Score, geometry: SystemGeometry): TimeAxis => {
  const heads = stopsOfHeads(score, geometry);
  const bars = geometry.bars.map(({ index, x, width, musicStart }): BarStops => {
    const { start: onset, length } = score.bars[index]!;
    const until = onset + length;
    const inside = [...heads]
      .filter(([at]) => at >= onset && at < until)
      .map(([at, headX]) => ({ onset: at, x: headX }))
      .sort((a, b) => a.onset - b.onset);
    const first = inside[0]?.onset === onset ? [] : [{ onset, x: Math.min(musicStart, x + width) }];
    return { onset, until, x, stops: rising([...first, ...inside, { onset: until, x: x + width }]) };
  });
  const from = bars[0]?.onset ?? 0;
  const until = bars.at(-1)?.until ?? 0;

  const inBar = ({ stops }: BarStops, onset: number): number => {
    const after = Math.max(
      1,
      stops.findIndex((stop) => stop.onset >= onset),
    );
    const [left, right] = [stops[after - 1]!, stops[after] ?? stops[after - 1]!];
    return between(onset, left.onset, right.onset, left.x, right.x);
  };

  return {
    from,
    until,
    xAt: (onset) => {
      const bar = bars.find((each) => onset >= each.onset && onset < each.until);
      return bar ? inBar(bar, onset) : onset === until ? bars.at(-1)?.stops.at(-1)?.x : undefined;
    },
    xUntil: (onset) => {
      const bar = bars.find((each) => onset > each.onset && onset <= each.until);
      return bar ? inBar(bar, onset) : onset === from ? bars[0]?.stops[0]?.x : undefined;
    },
    onsetAt: (x) => {
      const bar = bars.findLast((each) => each.x <= x) ?? bars[0];
      if (!bar) return 0;
      const after = bar.stops.findIndex((stop) => stop.x >= x);
      if (after === 0) return bar.onset;
      if (after < 0) return bar.until;
      const [left, right] = [bar.stops[after - 1]!, bar.stops[after]!];
      return between(x, left.x, right.x, left.onset, right.onset);
    },
  };
};
