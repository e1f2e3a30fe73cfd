import type { Bar } from '../score/score.ts';
import type { Sound } from '../score/sounds.ts';

/** Smallest leap, in semitones, from which successive notes are read as a broken chord. Our own rule. */
const CHORD_LEAP = 3;

/** The end of the bar in which a sound is struck, or its own end when it is held over; in ticks. */
export const ringsToBarEnd = (sound: Sound, bars: readonly Bar[]): number => {
  const bar = bars[sound.bar]!;
  return Math.max(sound.end, bar.start + bar.length);
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
  const byVoiceAndBar = new Map<string, Sound[]>();
  for (const sound of sounds) {
    if (sound.grace) continue;
    const key = `${sound.voice}@${sound.bar}`;
    byVoiceAndBar.set(key, [...(byVoiceAndBar.get(key) ?? []), sound]);
  }
  for (const line of byVoiceAndBar.values()) {
    const isChordal = (index: number): boolean => {
      const leaps = [line[index - 1], line[index + 1]].flatMap((other) =>
        other && other.onset !== line[index]!.onset ? [Math.abs(other.midi - line[index]!.midi)] : [],
      );
      return leaps.length > 0 && leaps.every((leap) => leap >= CHORD_LEAP);
    };
    line.forEach((sound, index) => {
      if (!isChordal(index)) return;
      const closer = line.find(
        (other, later) =>
          later > index && other.midi !== sound.midi && Math.abs(other.midi - sound.midi) < CHORD_LEAP,
      );
      until[sound.index] = closer ? Math.max(sound.end, closer.onset) : ringsToBarEnd(sound, bars);
    });
  }
  for (const sound of sounds)
    if (!sound.grace && isLetRing(sound)) until[sound.index] = ringsToBarEnd(sound, bars);
  return until;
};
