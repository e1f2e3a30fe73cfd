import type { Bar, Note, NoteIndex, Score, Step } from './score-types.ts';

const SHARP_ORDER: readonly Step[] = ['F', 'C', 'G', 'D', 'A', 'E', 'B'];

/** Alteration of each letter under a key signature of `fifths` sharps (positive) or flats. */
export const keyAlteration = (fifths: number, step: Step): number =>
  fifths >= 0
    ? SHARP_ORDER.slice(0, fifths).includes(step)
      ? 1
      : 0
    : SHARP_ORDER.toReversed().slice(0, -fifths).includes(step)
      ? -1
      : 0;

const SIGNS: Readonly<Record<number, string>> = { [-2]: 'bb', [-1]: 'b', 0: 'n', 1: '#', 2: '##' };

/**
 * The accidentals to print in a bar: where a pitch differs from the key or from what stood before on the same
 * line in the same bar. A tied note repeats none.
 */
export const accidentalsOf = (score: Score, bar: Bar): ReadonlyMap<NoteIndex, string> => {
  const valid = new Map<string, number>();
  const printed = new Map<NoteIndex, string>();
  const own = bar.voices.flatMap((voice) =>
    voice.events.flatMap((event) => event.notes.map((index) => score.notes[index]!)),
  );
  for (const note of own.sort((a: Note, b: Note) => a.onset - b.onset || Number(b.grace) - Number(a.grace))) {
    const { step, octave, alter } = note.written;
    const line = `${step}${octave}`;
    const inForce = valid.get(line) ?? keyAlteration(bar.key, step);
    if (note.tiedFrom !== undefined) continue;
    if (inForce !== alter) printed.set(note.index, SIGNS[alter] ?? '');
    valid.set(line, alter);
  }
  return printed;
};
