import type { Step } from '../music/pitch.ts';
import type { Bar, Note, NoteIndex, Score } from './score.ts';

const SHARP_ORDER: readonly Step[] = ['F', 'C', 'G', 'D', 'A', 'E', 'B'];

/** Alteration in semitones of each letter under a key signature of `fifths` sharps (positive) or flats. */
export const keyAlteration = (fifths: number, step: Step): number =>
  fifths >= 0
    ? SHARP_ORDER.slice(0, fifths).includes(step)
      ? 1
      : 0
    : SHARP_ORDER.toReversed().slice(0, -fifths).includes(step)
      ? -1
      : 0;

/**
 * The notes of a bar at which an accidental is printed, with its alteration in semitones: where a pitch differs from the
 * key or from what stood before on the same line in the same bar. A tied note repeats none.
 */
export const accidentalsOf = (score: Score, bar: Bar): ReadonlyMap<NoteIndex, number> => {
  const valid = new Map<string, number>();
  const printed = new Map<NoteIndex, number>();
  const own = bar.voices.flatMap((voice) =>
    voice.events.flatMap((event) => event.notes.map((index) => score.notes[index]!)),
  );
  for (const note of own.sort((a: Note, b: Note) => a.onset - b.onset || Number(b.grace) - Number(a.grace))) {
    const { step, octave, alter } = note.written;
    const line = `${step}${octave}`;
    const inForce = valid.get(line) ?? keyAlteration(bar.key, step);
    if (note.tiedFrom !== undefined) continue;
    if (inForce !== alter) printed.set(note.index, alter);
    valid.set(line, alter);
  }
  return printed;
};
