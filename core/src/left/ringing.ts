import type { Bar } from '../score/score.ts';
import type { Sound } from '../score/sounds.ts';

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

/**
 * Until when each sound may ring, in ticks. Written lengths are the least; a note of a broken chord (it leaps to
 * its neighbours in the voice by a third or more) rings on, softly, to the end of the bar or until its own
 * voice touches a neighbouring pitch, and so does a note that is written to ring (l.v.). Grace notes never ring on.
 */
export const inferRinging = (
  sounds: readonly Sound[],
  bars: readonly Bar[],
  isLetRing: (sound: Sound) => boolean = () => false,
): readonly number[] => {
  const until = sounds.map((sound) => sound.end);
  const lines = new Map<string, Map<number, Sound[]>>();
  for (const sound of sounds) {
    if (sound.grace) continue;
    const key = `${sound.voice}@${sound.bar}`;
    const line = lines.get(key) ?? new Map<number, Sound[]>();
    lines.set(key, line.set(sound.onset, [...(line.get(sound.onset) ?? []), sound]));
  }
  for (const byOnset of lines.values()) {
    const line = [...byOnset.values()];
    const [first] = line[0]!;
    const answersBass = sounds.some(
      ({ bar, midi, onset, voice }) =>
        bar === first!.bar && voice !== first!.voice && onset < first!.onset && midi < first!.midi,
    );
    for (const sound of brokenIn(line, answersBass).flat()) {
      const closer = line
        .flat()
        .find(
          (other) =>
            other.onset > sound.onset &&
            other.midi !== sound.midi &&
            Math.abs(other.midi - sound.midi) < CHORD_LEAP,
        );
      until[sound.index] = closer ? Math.max(sound.end, closer.onset) : ringsToBarEnd(sound, bars);
    }
  }
  for (const sound of sounds)
    if (!sound.grace && isLetRing(sound)) until[sound.index] = ringsToBarEnd(sound, bars);
  return until;
};
