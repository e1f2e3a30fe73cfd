import type { Midi } from '../music/pitch.ts';
import type { NoteIndex, Score } from './score.ts';

/** One struck sound: a note with everything tied to it. Times in ticks from the start of the piece. */
export interface Sound {
  readonly index: number;
  /** The first notehead. */
  readonly head: NoteIndex;
  /** All noteheads, the first included. */
  readonly noteheads: readonly NoteIndex[];
  readonly onset: number;
  /** The end as written, ties included. */
  readonly end: number;
  readonly midi: Midi;
  readonly voice: string;
  readonly bar: number;
  readonly grace: boolean;
}

/** The sound that each notehead belongs to. */
export const soundsByNote = (sounds: readonly Sound[]): ReadonlyMap<NoteIndex, number> =>
  new Map(sounds.flatMap(({ index, noteheads }) => noteheads.map((note) => [note, index] as const)));

/** Joins tied noteheads to the sounds a player strikes, in the order of `score.notes`. */
export const soundsOf = (score: Score): readonly Sound[] => {
  const heads: { head: NoteIndex; noteheads: NoteIndex[]; end: number }[] = [];
  const soundOfNote = new Map<NoteIndex, number>();
  for (const note of score.notes) {
    const before = note.tiedFrom === undefined ? undefined : soundOfNote.get(note.tiedFrom);
    const end = note.onset + note.duration;
    if (before !== undefined) {
      const sound = heads[before]!;
      sound.noteheads.push(note.index);
      sound.end = Math.max(sound.end, end);
      soundOfNote.set(note.index, before);
    } else {
      soundOfNote.set(note.index, heads.length);
      heads.push({ head: note.index, noteheads: [note.index], end });
    }
  }
  return heads.map(({ head, noteheads, end }, index) => {
    const { onset, midi, voice, bar, grace } = score.notes[head]!;
    return { index, head, noteheads, onset, end, midi, voice, bar, grace };
  });
};
