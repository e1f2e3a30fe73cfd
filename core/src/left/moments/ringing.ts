import type { Bar } from '../../score/score.ts';
import type { Sound } from '../../score/sounds.ts';
import type { PartInTremolo } from './tremolo.ts';
import { brokenChords, CHORD_LEAP, pitchesOf, type Line } from './broken-chords.ts';

/** The end of the bar in which a sound is struck, or its own end when it is held over; in ticks. */
export const ringsToBarEnd = (sound: Sound, bars: readonly Bar[]): number => {
  const bar = bars[sound.bar]!;
  return Math.max(sound.end, bar.start + bar.length);
};

/** The note before each note in its voice within a bar, the lowest of a chord. */
type Previous = ReadonlyMap<Sound, Sound>;

const previousIn = (voices: readonly Line[]): Previous =>
  new Map(
    voices.flatMap((line) =>
      line.slice(1).flatMap((struck, index) => struck.map((sound) => [sound, line[index]![0]!] as const)),
    ),
  );

/** Whether a pitch comes as a new bass under those of a chord: it has not been there, and at most one of them lies lower. */
const takesTheBass = (pitch: number, chord: readonly number[]): boolean => {
  const lower = new Set(chord.filter((each) => each <= pitch));
  return !lower.has(pitch) && lower.size <= 1;
};

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
      takesTheBass(
        bass.midi,
        own.filter(({ onset }) => onset < middle).map(({ midi }) => midi),
      )
    );
  };
  const change = inBar.find(
    (bass) =>
      bass.onset > sound.onset && (isLowest ? isNewFoot(bass) : bass.midi < sound.midi && isAnother(bass)),
  );
  return change?.onset ?? Infinity;
};

/**
 * When the harmony changes as a broken chord follows another, in ticks: with the next one that brings a new bass; Infinity when
 * it does not.
 */
const chordChange = (sound: Sound, chords: readonly Line[]): number => {
  const own = chords.findIndex((chord) => chord.some((struck) => struck.includes(sound)));
  const next = chords
    .slice(own + 1)
    .find((chord) => takesTheBass(Math.min(...pitchesOf(chord)), pitchesOf(chords[own]!)));
  return next?.[0]![0]!.onset ?? Infinity;
};

/** Notes struck again after a rest no longer than themselves, as in a tremolo, with the note that repeats them. */
const repeatsIn = (line: Line): readonly (readonly [Sound, Sound])[] =>
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
  /** By sound: the one that struck its pitch before in its broken chord, −1 for none. */
  readonly struckBefore: Int32Array;
  /** By sound: what it is in a tremolo. */
  readonly inTremolo: readonly (PartInTremolo | undefined)[];
}

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
  const struckBefore = new Int32Array(sounds.length).fill(-1);
  const until = sounds.map((sound) => sound.end);
  const inTremolo = sounds.map((): PartInTremolo | undefined => undefined);
  const byBar = bars.map((): Sound[] => []);
  for (const sound of sounds) if (!sound.grace) byBar[sound.bar]!.push(sound);
  brokenChords(byBar, ticksPerQuarter).forEach((lines, index) => {
    const inBar = byBar[index]!;
    const { start, length } = bars[index]!;
    const previous = previousIn(lines.map(({ line }) => line));
    for (const { line, cell, chords, hasStep, inTremolo: part, isPlain } of lines) {
      for (const sound of line.flat()) inTremolo[sound.index] = part;
      const last = new Map<number, number>();
      for (const sound of cell.flat()) {
        struckBefore[sound.index] = last.get(sound.midi) ?? -1;
        last.set(sound.midi, sound.index);
        if (isPlain) broken[sound.index] = 1;
        const closer = inBar.find(
          (other) =>
            other.voice === sound.voice &&
            other.onset > sound.onset &&
            other.midi !== sound.midi &&
            !hasStep &&
            Math.abs(other.midi - sound.midi) < CHORD_LEAP,
        );
        const ends = Math.min(
          ringsToBarEnd(sound, bars),
          closer?.onset ?? Infinity,
          bassChange(sound, inBar, previous, start + length / 2),
          chordChange(sound, chords),
        );
        until[sound.index] = Math.max(sound.end, ends);
      }
      for (const [sound, again] of repeatsIn(line))
        until[sound.index] = Math.max(until[sound.index]!, again.onset);
    }
  });
  for (const sound of sounds)
    if (!sound.grace && isLetRing(sound)) until[sound.index] = ringsToBarEnd(sound, bars);
  return { until, broken, struckBefore, inTremolo };
};
