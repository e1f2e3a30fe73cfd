import type { Line } from './broken-chords.ts';

/** Fewest strokes of a note in a row that are a tremolo: beside the thumb's, four in all. */
const STROKES_LEAST = 3;
/** Longest stroke of a tremolo, in quarters. Our own value. */
const STROKE_LONGEST = 0.5;

/** What a note is in a tremolo: one of those below, or one of the strokes. */
export type PartInTremolo = 'below' | 'stroke';

/** A voice of tremolo in a bar: the notes below, one by one, and the strokes above. */
export interface Tremolo {
  readonly basses: Line;
  readonly strokes: Line;
}

/** Where notes of one pitch follow each other: from each first one up to, not including, the next. */
const runsOfOnePitch = (line: Line): readonly (readonly [first: number, end: number])[] => {
  const firsts = line.flatMap((struck, index) =>
    index > 0 &&
    struck.length === 1 &&
    line[index - 1]!.length === 1 &&
    struck[0]!.midi === line[index - 1]![0]!.midi
      ? []
      : [index],
  );
  return firsts.map((first, run) => [first, firsts[run + 1] ?? line.length] as const);
};

/**
 * A line read as tremolo: short notes struck again and again, each time over one that lies lower, if there are any in this
 * voice. Undefined where it is none.
 */
export const tremoloIn = (line: Line, ticksPerQuarter: number): Tremolo | undefined => {
  const basses: Line[number][] = [];
  const strokes: Line[number][] = [];
  for (const [first, end] of runsOfOnePitch(line)) {
    const run = line.slice(first, end);
    if (run.length >= STROKES_LEAST) strokes.push(...run);
    else basses.push(...run);
  }
  const lowest = Math.min(...strokes.map(([stroke]) => stroke!.midi));
  const areShort = strokes.every(
    ([stroke]) => stroke!.end - stroke!.onset <= STROKE_LONGEST * ticksPerQuarter,
  );
  const areBelow = basses.every((struck) => struck.every(({ midi }) => midi < lowest));
  return strokes.length > 0 && areShort && areBelow ? { basses, strokes } : undefined;
};
