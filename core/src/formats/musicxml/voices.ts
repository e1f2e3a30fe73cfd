import { ticks } from '../../music/time.ts';
import type { BarVoice, NoteIndex, VoiceEvent } from '../../score/score.ts';
import { spaceBetween, typeForQuarters } from '../../score/note-length.ts';
import type { PlacedNote } from './walk.ts';

/**
 * The voices of a bar as printed: chords joined, gaps filled with invisible space. `noteIndex` gives the
 * position of a notehead in the score; times count from the start of the piece.
 */
export const voicesOf = (
  notes: readonly PlacedNote[],
  start: number,
  length: number,
  resolution: number,
  noteIndex: ReadonlyMap<PlacedNote, NoteIndex>,
): readonly BarVoice[] => {
  const byVoice = new Map<string, PlacedNote[]>();
  for (const note of notes) byVoice.set(note.line, [...(byVoice.get(note.line) ?? []), note]);
  return [...byVoice].map(([name, members]): BarVoice => {
    const chords: PlacedNote[][] = [];
    for (const note of members.toSorted((a, b) => a.at - b.at || a.order - b.order)) {
      // A chord whose first note is not shown begins with its next one.
      if (note.chord && chords.at(-1)?.[0]!.at === note.at) chords.at(-1)!.push(note);
      else chords.push([note]);
    }
    const events: VoiceEvent[] = [];
    let at = 0;
    for (const chord of chords) {
      const first = chord[0]!;
      if (first.at > at) events.push(spaceBetween(start + at, start + first.at, resolution));
      const indices = chord.flatMap((note) => noteIndex.get(note) ?? []);
      const written = first.type
        ? { type: first.type, dots: first.dots }
        : typeForQuarters(first.length / resolution);
      events.push({
        kind: indices.length > 0 ? 'notes' : 'rest',
        notes: indices.sort((a, b) => a - b),
        onset: ticks(start + first.at),
        duration: ticks(first.length),
        ...written,
        ...(first.ratio && { ratio: first.ratio }),
        ...(first.tuplet && { tuplet: first.tuplet }),
        ...(first.stem && { stem: first.stem }),
        ...(first.beam && { beam: first.beam }),
        grace: first.grace,
        wholeBarRest: first.wholeBarRest || (first.kind === 'rest' && !first.type && first.length === length),
        fermata: chord.some((note) => note.fermata),
      });
      at = Math.max(at, first.at + first.length);
    }
    if (at < length) events.push(spaceBetween(start + at, start + length, resolution));
    return { name, events };
  });
};
