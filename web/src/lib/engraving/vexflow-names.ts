import { Accidental, type StaveNote } from 'vexflow/core';
import type { NoteIndex, NoteType, Score, VoiceEvent } from './score-types.ts';

/** Accidentals as VexFlow names them, by the alteration in semitones. */
const ACCIDENTALS: Readonly<Record<number, string>> = { [-2]: 'bb', [-1]: 'b', 0: 'n', 1: '#', 2: '##' };

/** Lengths as VexFlow names them. */
export const DURATIONS: Readonly<Record<NoteType, string>> = {
  maxima: '1/2',
  long: '1/2',
  breve: '1/2',
  whole: 'w',
  half: 'h',
  quarter: 'q',
  eighth: '8',
  '16th': '16',
  '32nd': '32',
  '64th': '64',
  '128th': '128',
};

/** A pitch as VexFlow names it; harmonics have diamonds for heads. */
export const keyOf = (score: Score, index: NoteIndex): string => {
  const { harmonic, written } = score.notes[index]!;
  const { step, alter, octave } = written;
  const diamond = harmonic ? '/h' : '';
  return `${step.toLowerCase()}${alter > 0 ? '#'.repeat(alter) : 'b'.repeat(-alter)}/${octave}${diamond}`;
};

/** Writes the accidentals of an event beside its heads. */
export const addAccidentals = (
  drawn: StaveNote,
  event: VoiceEvent,
  accidentals: ReadonlyMap<NoteIndex, number>,
): void =>
  event.notes.forEach((index, place) => {
    const alter = accidentals.get(index);
    if (alter !== undefined) drawn.addModifier(new Accidental(ACCIDENTALS[alter]!), place);
  });
