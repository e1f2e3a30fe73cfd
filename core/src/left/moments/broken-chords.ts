import type { Sound } from '../../score/sounds.ts';
import { readTremolo, type PartInTremolo } from './tremolo.ts';

/** Smallest leap, in semitones, from which successive notes are read as a broken chord. Our own rule. */
export const CHORD_LEAP = 3;
/** Smallest leap, in semitones, at which two notes in turn are a broken chord; in thirds they are a tune. Our own rule. */
const PAIR_LEAP = 5;
/** Fewest notes of a broken chord that meets the next in a step: below that a line in sequence leaps so as well. Our own value. */
const CELL_LEAST = 4;
/** Fewest notes of a broken chord that comes again with other notes. */
const CHORD_LEAST = 3;
/** Fewest pitches, and least span in semitones, of a chord that may have a step in it. Our own values. */
const WIDE_CHORD_LEAST = 4;
const WIDE_CHORD = 10;
/** Longest note of a plain pattern, in quarters; slower leaps are a tune. Our own value. */
const PATTERN_LONGEST = 0.5;
/** Fewest notes of a plain pattern. */
const PATTERN_LEAST = 4;
/** Shortest note of a tune that leaps over a bass and does not ring for it, in quarters, and its lowest pitch: E4. Our own values. */
const TUNE_SHORTEST = 1;
const TUNE_LOWEST = 64;

/** What a voice strikes at one moment, lowest first. */
type Struck = readonly Sound[];

/** What a voice strikes in a bar, in the order of time. */
export type Line = readonly Struck[];

/** What is broken in a line: the moments that ring into each other, and whether the whole line is a plain pattern. */
export interface BrokenLine {
  readonly line: Line;
  readonly cell: Line;
  /** The parts into which the line falls as a pattern comes again; the whole line where none does. */
  readonly chords: readonly Line[];
  /** Whether two of its notes ring on though they lie a step apart. */
  readonly hasStep: boolean;
  readonly isPlain: boolean;
  /** What its notes are in a tremolo, if there is one in the bar. */
  readonly inTremolo: PartInTremolo | undefined;
}

/** Whether two moments of a voice in a row are of one broken chord: a leap, and no block of notes after another. */
const isBroken = (before: Struck, after: Struck): boolean =>
  (before.length === 1 || after.length === 1) &&
  before.every((one) => after.every((other) => Math.abs(one.midi - other.midi) >= CHORD_LEAP));

/** All pitches of a line, in the order of time. */
export const pitchesOf = (line: Line): readonly number[] =>
  line.flatMap((struck) => struck.map(({ midi }) => midi));

/**
 * Whether a line goes up from its lowest note through one wide chord, of which two notes lie a step apart, as a seventh below
 * its octave: they come back, and all others are leaps apart.
 */
const isChordWithStep = (line: Line): boolean => {
  const all = pitchesOf(line);
  const pitches = [...new Set(all)].sort((one, other) => one - other);
  const steps = pitches.slice(1).filter((pitch, index) => pitch - pitches[index]! < CHORD_LEAP);
  return (
    pitches.length >= WIDE_CHORD_LEAST &&
    pitches.length < all.length &&
    pitches.at(-1)! - pitches[0]! >= WIDE_CHORD &&
    steps.length === 1 &&
    pitches.slice(0, WIDE_CHORD_LEAST).every((pitch, index) => pitch === all[index])
  );
};

/** The runs of a line in which each note leaps to the next: where they begin, and where the last one ends. */
const runsOf = (line: Line, ticksPerQuarter: number): readonly number[] => {
  const isOneChord = isEven(line, ticksPerQuarter) && isChordWithStep(line);
  const begins = line.flatMap((struck, index) =>
    index > 0 && (isOneChord || isBroken(line[index - 1]!, struck)) ? [] : [index],
  );
  return [...begins, line.length];
};

/** Rises and falls from note to note. */
const contourOf = (line: Line): string =>
  line
    .slice(1)
    .map((struck, index) => Math.sign(struck[0]!.midi - line[index]![0]!.midi))
    .join();

/** A line in parts of one length. */
const inParts = (line: Line, length: number): readonly Line[] =>
  Array.from({ length: line.length / length }, (_, index) =>
    line.slice(index * length, (index + 1) * length),
  );

const goAlike = (lines: readonly Line[]): boolean => new Set(lines.map(contourOf)).size === 1;

/**
 * Whether a line falls into broken chords of one length and one way up and down, though one may meet the next in a step, as
 * where the harmony changes within the bar.
 */
const isChainOfChords = (line: Line, runs: readonly number[]): boolean => {
  const lengths = runs.slice(1).map((end, index) => end - runs[index]!);
  const cell = Math.min(...lengths);
  if (lengths.length < 2 || cell < CELL_LEAST || lengths.some((length) => length % cell !== 0)) return false;
  return goAlike(inParts(line, cell));
};

/**
 * The moments of a line whose every neighbour is a leap away, where the leaps around them make a broken chord: three
 * pitches or more, or two that lie well apart. A bass that the voice answers is one of the pitches.
 */
const brokenIn = (line: Line, answersBass: boolean, ticksPerQuarter: number): Line => {
  const broken: Struck[] = [];
  const runs = runsOf(line, ticksPerQuarter);
  const isChain = isChainOfChords(line, runs);
  runs.slice(1).forEach((end, run) => {
    const start = runs[run]!;
    const pitches = pitchesOf(line.slice(start, end));
    const isCell =
      new Set(pitches).size > (answersBass && start === 0 ? 1 : 2) ||
      Math.max(...pitches) - Math.min(...pitches) >= PAIR_LEAP;
    if (!isCell || end - start < 2) return;
    const isInside = (index: number): boolean =>
      isChain || ((index > start || start === 0) && (index < end - 1 || end === line.length));
    for (let index = start; index < end; index += 1) if (isInside(index)) broken.push(line[index]!);
  });
  return broken;
};

/** Whether a line is of enough notes for a pattern, all of one length and short. */
const isEven = (line: Line, ticksPerQuarter: number, longest = PATTERN_LONGEST): boolean => {
  const steps = line.slice(1).map((struck, index) => struck[0]!.onset - line[index]![0]!.onset);
  return (
    line.length >= PATTERN_LEAST &&
    steps.every((step) => step === steps[0] && step <= longest * ticksPerQuarter)
  );
};

/** The shortest parts of a line that all go up and down alike; the line itself where it is not even or has none. */
const chordsOf = (line: Line, ticksPerQuarter: number): readonly Line[] => {
  if (!isEven(line, ticksPerQuarter)) return [line];
  for (let length = CHORD_LEAST; length <= line.length / 2; length += 1)
    if (line.length % length === 0 && goAlike(inParts(line, length))) return inParts(line, length);
  return [line];
};

/** Whether a line goes up and down as another, note by note. */
const goesAs = (line: Line, other: Line): boolean =>
  line.length === other.length && contourOf(line) === contourOf(other);

/**
 * Whether a line in a bar is a plain pattern: short notes of one length, of which a pitch comes back or the way up and
 * down is that of a bar beside it, or of the broken chords that it falls into.
 */
const isPlainPattern = (
  line: Line,
  beside: readonly Line[],
  ticksPerQuarter: number,
  longest: number,
): boolean => {
  if (!isEven(line, ticksPerQuarter, longest)) return false;
  const pitches = pitchesOf(line);
  return (
    new Set(pitches).size < pitches.length ||
    isChainOfChords(line, runsOf(line, ticksPerQuarter)) ||
    beside.some((other) => goesAs(line, other))
  );
};

/** Whether a line is a slow tune of single high notes over another voice that begins with it: it leaps without ringing. */
const isTuneOver = (line: Line, inBar: readonly Sound[], ticksPerQuarter: number): boolean => {
  const [first] = line[0]!;
  const isOverBass = inBar.some(
    ({ midi, onset, voice }) => voice !== first!.voice && onset === first!.onset && midi < first!.midi,
  );
  return (
    isOverBass &&
    line.every(
      ([only, more]) =>
        more === undefined &&
        only!.midi >= TUNE_LOWEST &&
        only!.end - only!.onset >= TUNE_SHORTEST * ticksPerQuarter,
    )
  );
};

/** What each voice strikes at its moments, in the order of time. */
const voicesOf = (sounds: readonly Sound[]): readonly Line[] => {
  const voices = new Map<string, Map<number, Sound[]>>();
  for (const sound of sounds) {
    const line = voices.get(sound.voice) ?? new Map<number, Sound[]>();
    voices.set(sound.voice, line.set(sound.onset, [...(line.get(sound.onset) ?? []), sound]));
  }
  return [...voices.values()].map((line) => [...line.values()]);
};

const voiceOf = (line: Line): string => line[0]![0]!.voice;

/**
 * A line becomes a plain pattern where it goes as a plain one beside it, though a note of the tune in it lies a step from the
 * chord: the hand breaks it as it broke the bar before.
 */
const asBeside = (own: BrokenLine, beside: readonly BrokenLine[], ticksPerQuarter: number): BrokenLine =>
  !own.isPlain &&
  isEven(own.line, ticksPerQuarter) &&
  beside.some(({ isPlain, line }) => isPlain && voiceOf(line) === voiceOf(own.line) && goesAs(line, own.line))
    ? { ...own, cell: own.line, isPlain: true }
    : own;

/** The broken chords of a piece by bar, line by line; grace notes are none of them. */
export const brokenChords = (
  byBar: readonly (readonly Sound[])[],
  ticksPerQuarter: number,
): readonly (readonly BrokenLine[])[] => {
  const lines = byBar.map((inBar) => readTremolo(voicesOf(inBar), ticksPerQuarter));
  const found = byBar.map((inBar, bar) =>
    lines[bar]!.map(({ line, inTremolo }): BrokenLine => {
      const [first] = line[0]!;
      const answersBass = inBar.some(
        ({ midi, onset, voice }) => voice !== first!.voice && onset < first!.onset && midi < first!.midi,
      );
      const cell = isTuneOver(line, inBar, ticksPerQuarter)
        ? []
        : brokenIn(line, answersBass, ticksPerQuarter);
      const beside = [lines[bar - 1], lines[bar + 1]].flatMap((other) =>
        (other ?? []).flatMap((each) => (voiceOf(each.line) === voiceOf(line) ? [each.line] : [])),
      );
      // Under a tremolo the thumb breaks its chord as slowly as the strokes above leave it.
      const longest = inTremolo ? Infinity : PATTERN_LONGEST;
      return {
        line,
        inTremolo,
        cell,
        chords: chordsOf(line, ticksPerQuarter),
        hasStep: isEven(line, ticksPerQuarter) && isChordWithStep(line),
        isPlain: cell.length === line.length && isPlainPattern(line, beside, ticksPerQuarter, longest),
      };
    }),
  );
  // Onwards and back, so that a pattern reaches as far as it goes.
  for (const bars of [found.keys(), [...found.keys()].reverse()])
    for (const bar of bars)
      found[bar] = found[bar]!.map((own) =>
        asBeside(own, [...(found[bar - 1] ?? []), ...(found[bar + 1] ?? [])], ticksPerQuarter),
      );
  return found;
};
