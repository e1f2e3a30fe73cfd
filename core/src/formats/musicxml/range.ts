import { STANDARD_TUNING, type Guitar } from '../../instrument/guitar.ts';
import { midi, midiOf, type Midi, type PitchSpelling } from '../../music/pitch.ts';
import { failure, success, type Result } from '../../music/result.ts';
import type { ImportProblem, Repair } from '../import-problem.ts';
import { transposeSpelling } from './octave.ts';
import type { PendingNote } from './spans.ts';

/** Semitones above open ① that no fret and few harmonics reach. */
const HIGHEST_ABOVE_OPEN_FIRST = 36;
/** How far a lowered ⑥ is accepted without being told, in semitones. */
const LOWERED_SIXTH = 2;

/** What is known of the instrument before the range of the notes is looked at. */
interface Known {
  readonly guitar: Guitar;
  readonly tuning: readonly Midi[] | undefined;
  readonly hasSeventh: boolean;
}

const soundOf = ({ placed, midi: sounding }: PendingNote): PitchSpelling =>
  transposeSpelling(placed.pitch!, sounding - midiOf(placed.pitch!));

/** The tuning, with ⑥ lowered to the lowest note where that explains it, or the note that no string reaches. */
export const tuningWithin = (
  notes: readonly PendingNote[],
  { guitar, tuning, hasSeventh }: Known,
  nameOfBar: (index: number) => string,
  repairs: Repair[],
): Result<readonly Midi[] | undefined, ImportProblem> => {
  const lowest = notes.reduce((low, note) => (note.midi < low.midi ? note : low));
  const highest = notes.reduce((high, note) => (note.midi > high.midi ? note : high));
  const placeOf = (note: PendingNote) => ({
    bar: nameOfBar(note.bar),
    voice: note.placed.voice,
    pitch: soundOf(note),
  });
  const floor = Math.min(...guitar.tuning) + guitar.capo;
  let found = tuning;
  if (lowest.midi < floor) {
    if (tuning || guitar.capo > 0 || lowest.midi < floor - LOWERED_SIXTH)
      return failure({ code: 'below-range', values: { ...placeOf(lowest), needsSeventh: hasSeventh } });
    found = STANDARD_TUNING.with(5, midi(lowest.midi));
    const { bar, pitch } = placeOf(lowest);
    repairs.push({ code: 'tuning-lowered', values: { bar, pitch } });
  }
  return highest.midi > (found ?? STANDARD_TUNING)[0]! + guitar.capo + HIGHEST_ABOVE_OPEN_FIRST
    ? failure({ code: 'above-range', values: placeOf(highest) })
    : success(found);
};
