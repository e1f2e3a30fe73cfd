import type { Line } from './broken-chords.ts';

/** Fewest strokes of a note in a row that are a tremolo: beside the thumb's, four in all. */
const STROKES_LEAST = 3;
/** Longest stroke of a tremolo, in quarters: slower ones are a note that is repeated. Our own value. */
const STROKE_LONGEST = 0.25;

/** What a note is in a tremolo: one of those below, or one of the strokes. */
export type PartInTremolo = 'below' | 'stroke';

/** A line with what its notes are in a tremolo, if they are in one. */
export interface ReadLine {
  readonly line: Line;
  readonly inTremolo: PartInTremolo | undefined;
}

/** Where notes of one pitch follow each other: from each first one up to, not including, the next. */
const runsOfOnePitch = (line: Line): readonly (readonly [first: number, end: number])[] => {
  const goesOn = (index: number): boolean => {
    const [before, own] = [line[index - 1], line[index]!];
    return before?.length === 1 && own.length === 1 && before[0]!.midi === own[0]!.midi;
  };
  const firsts = line.flatMap((_, index) => (goesOn(index) ? [] : [index]));
  return firsts.map((first, run) => [first, firsts[run + 1] ?? line.length] as const);
};

const isStroke =
  (ticksPerQuarter: number) =>
  (struck: Line[number]): boolean =>
    struck.every(({ end, onset }) => end - onset <= STROKE_LONGEST * ticksPerQuarter);

/** The strokes of a voice, short notes struck again and again, and the notes between them. */
const partsOf = (voice: Line, ticksPerQuarter: number): Readonly<Record<PartInTremolo, Line>> => {
  const below: Line[number][] = [];
  const stroke: Line[number][] = [];
  for (const [first, end] of runsOfOnePitch(voice)) {
    const run = voice.slice(first, end);
    const isTremolo = run.length >= STROKES_LEAST && run.every(isStroke(ticksPerQuarter));
    (isTremolo ? stroke : below).push(...run);
  }
  return { below, stroke };
};

const lowestIn = (line: Line): number => Math.min(...line.flat().map(({ midi }) => midi));
const highestIn = (line: Line): number => Math.max(...line.flat().map(({ midi }) => midi));

/**
 * The voices of a bar as lines: one each, but two for a tremolo that is written as one voice with the notes below it. What lies
 * below the strokes belongs to the tremolo, in whichever voice it is; strokes over nothing are none.
 */
export const readTremolo = (voices: readonly Line[], ticksPerQuarter: number): readonly ReadLine[] => {
  const parts = voices.map((voice) => partsOf(voice, ticksPerQuarter));
  const lowest = lowestIn(parts.flatMap(({ stroke }) => stroke));
  const isBelow = (line: Line): boolean => line.length > 0 && highestIn(line) < lowest;
  const hasTremolo = lowest < Infinity && parts.some(({ below }) => isBelow(below));
  if (!hasTremolo) return voices.map((line) => ({ line, inTremolo: undefined }));
  return voices.flatMap((voice, index): readonly ReadLine[] => {
    const { below, stroke } = parts[index]!;
    if (below.length > 0 && !isBelow(below)) return [{ line: voice, inTremolo: undefined }];
    return [
      { line: below, inTremolo: 'below' as const },
      { line: stroke, inTremolo: 'stroke' as const },
    ].filter(({ line }) => line.length > 0);
  });
};
