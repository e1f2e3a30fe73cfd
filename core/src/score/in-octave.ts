import { midi, type PitchSpelling } from '../music/pitch.ts';
import type { Score } from './score.ts';

const moved = (pitch: PitchSpelling, octaves: number): PitchSpelling => ({
  ...pitch,
  octave: pitch.octave + octaves,
});

/**
 * The score read so many octaves higher (or lower, below 0), as printed and as sounding. Ids stay: what was decided about a
 * note is still about that note.
 */
export const inOctave = (score: Score, octaves: number): Score =>
  octaves === 0
    ? score
    : {
        ...score,
        notes: score.notes.map((note) => ({
          ...note,
          midi: midi(note.midi + 12 * octaves),
          written: moved(note.written, octaves),
          sounding: moved(note.sounding, octaves),
        })),
      };
