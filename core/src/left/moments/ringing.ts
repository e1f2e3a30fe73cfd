import type { Bar } from '../../score/score.ts';
import type { Sound } from '../../score/sounds.ts';

/** Smallest leap, in semitones, from which successive notes are read as a broken chord. Our own rule. */
const CHORD_LEAP = 3;
/** Smallest leap, in semitones, at which two notes in turn are a broken chord; in thirds they are a tune. Our own rule. */
const PAIR_LEAP = 5;

/** The end of the bar in which a sound is struck, or its own end when it is held over; in ticks. */
export const ringsToBarEnd = (sound: Sound, bars: readonly Bar[]): number => {
  const bar = bars[sound.bar]!;
  return Math.max(sound.end, bar.start + bar.length);
};

/** What a voice strikes at one moment, lowest first. */
type Struck = readonly Sound[];

/** Whether two moments of a voice in a row are of one broken chord: a leap, and no block of notes after another. */
const isBroken = (before: Struck, after: Struck): boolean =>
  (before.length === 1 || after.length === 1) &&
  before.every((one) => after.every((other) => Math.abs(one.midi - other.midi) >= CHORD_LEAP));

/**
 * The moments of a voice within a bar whose every neighbour is a leap away, where the leaps around them make a broken
 * chord: three pitches or more, or two that lie well apart. A bass that the voice answers is one of the pitches.
 */
const brokenIn = (line: readonly Struck[], answersBass: boolean): readonly Struck[] => {
  const broken: Struck[] = [];
  for (let start = 0, end = 1; start < line.length; start = end, end += 1) {
    while (end < line.length && isBroken(line[end - 1]!, line[end]!)) end += 1;
    const pitches = line.slice(start, end).flatMap((struck) => struck.map(({ midi }) => midi));
    const isCell =
      new Set(pitches).size > (answersBass && start === 0 ? 1 : 2) ||
      Math.max(...pitches) - Math.min(...pitches) >= PAIR_LEAP;
    if (!isCell || end - start < 2) continue;
    const isInside = (index: number): boolean =>
      (index > start || start === 0) && (index < end - 1 || end === line.length);
    for (let index = start; index < end; index += 1) if (isInside(index)) broken.push(line[index]!);
  }
  return broken;
};

/** What each voice strikes at its moments, in the order of time. */
const voicesOf = (sounds: readonly Sound[]): readonly (readonly Struck[])[] => {
  const voices = new Map<string, Map<number, Sound[]>>();
  for (const sound of sounds) {
    const line = voices.get(sound.voice) ?? new Map<number, Sound[]>();
    voices.set(sound.voice, line.set(sound.onset, [...(line.get(sound.onset) ?? []), sound]));
  }
  return [...voices.values()].map((line) => [...line.values()]);
};

/** The note before each note in its voice within a bar, the lowest of a chord. */
type Previous = ReadonlyMap<Sound, Sound>;

const previousIn = (voices: readonly (readonly Struck[])[]): Previous =>
  new Map(
    voices.flatMap((line) =>
      line.slice(1).flatMap((struck, index) => struck.map((sound) => [sound, line[index]![0]!] as const)),
    ),
  );

/**
 * When the bass under a sound changes within its bar, in ticks; Infinity when it does not. A bass is a lower note of
 * another voice; where no voice lies below, the foot of its own voice in the middle of the bar, where harmony changes
 * most.
 */
const bassChange = (sound: Sound, inBar: readonly Sound[], previous: Previous, middle: number): number => {
  const isLowest = inBar.every(({ midi, voice }) => voice === sound.voice || midi > sound.midi);
  const isAnother = (bass: Sound): boolean => {
    const before = previous.get(bass);
    return bass.voice !== sound.voice && before !== undefined && before.midi !== bass.midi;
  };
  const isNewFoot = (bass: Sound): boolean => {
    if (bass.voice !== sound.voice || bass.onset !== middle) return false;
    const own = inBar.filter(({ voice }) => voice === bass.voice);
    const next = own.find(({ onset }) => onset > bass.onset);
    return (
      bass.midi < (previous.get(bass)?.midi ?? 0) &&
      bass.midi < (next?.midi ?? Infinity) &&
      own.every(({ midi, onset }) => onset >= middle || midi !== bass.midi)
    );
  };
  const change = inBar.find(
    (bass) =>
      bass.onset > sound.onset && bass.midi < sound.midi && (isLowest ? isNewFoot(bass) : isAnother(bass)),
  );
  return change?.onset ?? Infinity;
};

/** Notes struck again after a rest no longer than themselves, as in a tremolo, with the note that repeats them. */
const repeatsIn = (line: readonly Struck[]): readonly (readonly [Sound, Sound])[] =>
  line.flatMap((struck, index) =>
    struck.flatMap((sound) => {
      const again = line[index + 1]?.find(({ midi }) => midi === sound.midi);
      const isSoon = again !== undefined && again.onset - sound.end <= sound.end - sound.onset;
      return isSoon ? [[sound, again] as const] : [];
    }),
  );

/** What is read out of a piece about notes that ring on. */
export interface Ringing {
  /** By sound: until when it may ring, in ticks. */
  readonly until: readonly number[];
  /** By sound: 1 where it belongs to a broken chord with a plain pattern. */
  readonly broken: Uint8Array;
}

/** Longest note of a plain pattern, in quarters; slower leaps are a tune. Our own value. */
const PATTERN_LONGEST = 0.5;
/** Fewest notes of a plain pattern. */
const PATTERN_LEAST = 4;

/** Rises and falls from note to note. */
const contourOf = (line: readonly Struck[]): string =>
  line
    .slice(1)
    .map((struck, index) => Math.sign(struck[0]!.midi - line[index]![0]!.midi))
    .join();

/**
 * Whether a line in a bar is a plain pattern: short notes of one length, of which a pitch comes back or the way up and
 * down is that of a bar beside it.
 */
const isPlainPattern = (
  line: readonly Struck[],
  beside: readonly (readonly Struck[])[],
  ticksPerQuarter: number,
): boolean => {
  const steps = line.slice(1).map((struck, index) => struck[0]!.onset - line[index]![0]!.onset);
  if (line.length < PATTERN_LEAST) return false;
  if (steps.some((step) => step !== steps[0] || step > PATTERN_LONGEST * ticksPerQuarter)) return false;
  const pitches = line.flatMap((struck) => struck.map(({ midi }) => midi));
  return (
    new Set(pitches).size < pitches.length ||
    beside.some((other) => other.length === line.length && contourOf(other) === contourOf(line))
  );
};

/** Shortest note of a tune that leaps over a bass and does not ring for it, in quarters, and its lowest pitch: E4. Our own values. */
const TUNE_SHORTEST = 1;
const TUNE_LOWEST = 64;

/** Whether a line is a slow tune of single high notes over another voice that begins with it: it leaps without ringing. */
const isTuneOver = (line: readonly Struck[], inBar: readonly Sound[], ticksPerQuarter: number): boolean => {
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

/**
 * Until when each sound may ring, in ticks. Written lengths are the least; a note of a broken chord (it leaps to
 * its neighbours in the voice by a third or more) rings on, softly, to the end of the bar, until its own voice touches
 * a neighbouring pitch, or until the bass changes; a note that is soon repeated rings on to its repetition, and a note
 * that is written to ring (l.v.) to the end of the bar.
 * Grace notes never ring on.
 */
export const inferRinging = (
  sounds: readonly Sound[],
  bars: readonly Bar[],
  ticksPerQuarter: number,
  isLetRing: (sound: Sound) => boolean = () => false,
): Ringing => {
  const broken = new Uint8Array(sounds.length);
  const until = sounds.map((sound) => sound.end);
  const byBar = bars.map((): Sound[] => []);
  for (const sound of sounds) if (!sound.grace) byBar[sound.bar]!.push(sound);
  const voicesIn = byBar.map(voicesOf);
  byBar.forEach((inBar, index) => {
    const { start, length } = bars[index]!;
    const voices = voicesIn[index]!;
    const previous = previousIn(voices);
    for (const line of voices) {
      const [first] = line[0]!;
      const answersBass = inBar.some(
        ({ midi, onset, voice }) => voice !== first!.voice && onset < first!.onset && midi < first!.midi,
      );
      const cell = isTuneOver(line, inBar, ticksPerQuarter) ? [] : brokenIn(line, answersBass);
      const beside = [voicesIn[index - 1], voicesIn[index + 1]].flatMap((other) =>
        (other ?? []).filter((each) => each[0]![0]!.voice === first!.voice),
      );
      const isPlain = cell.length === line.length && isPlainPattern(line, beside, ticksPerQuarter);
      for (const sound of cell.flat()) {
        if (isPlain) broken[sound.index] = 1;
        const closer = inBar.find(
          (other) =>
            other.voice === sound.voice &&
            other.onset > sound.onset &&
            other.midi !== sound.midi &&
            Math.abs(other.midi - sound.midi) < CHORD_LEAP,
        );
        const ends = Math.min(
          ringsToBarEnd(sound, bars),
          closer?.onset ?? Infinity,
          bassChange(sound, inBar, previous, start + length / 2),
        );
        until[sound.index] = Math.max(sound.end, ends);
      }
      for (const [sound, again] of repeatsIn(line))
        until[sound.index] = Math.max(until[sound.index]!, again.onset);
    }
  });
  for (const sound of sounds)
    if (!sound.grace && isLetRing(sound)) until[sound.index] = ringsToBarEnd(sound, bars);
  return { until, broken };
};
