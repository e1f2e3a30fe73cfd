import { ticks } from '../music/time.ts';
import { NOTE_TYPES, type NoteType, type TupletRatio, type VoiceEvent } from './score.ts';

/** Quarters of each note type: a whole note is 4, an eighth 1/2. */
export const quartersOf = (type: NoteType): number =>
  2 ** (NOTE_TYPES.indexOf('quarter') - NOTE_TYPES.indexOf(type));

/** Written length in quarters of a type with dots, inside a tuplet. */
export const writtenQuarters = (type: NoteType, dots: number, ratio?: TupletRatio): number =>
  quartersOf(type) * (2 - 2 ** -dots) * (ratio ? ratio.normal / ratio.actual : 1);

/** Type and dots that print a length, the longest that does not exceed it. */
export const typeForQuarters = (quarters: number): { readonly type: NoteType; readonly dots: number } => {
  const type = NOTE_TYPES.find((each) => quartersOf(each) <= quarters + 1e-9) ?? '128th';
  const dots = [2, 1].find((count) => writtenQuarters(type, count) <= quarters + 1e-9) ?? 0;
  return { type, dots };
};

/** Time in a voice for which nothing is printed, from one tick to another. */
export const spaceBetween = (from: number, to: number, resolution: number): VoiceEvent => ({
  kind: 'space',
  notes: [],
  onset: ticks(from),
  duration: ticks(to - from),
  ...typeForQuarters((to - from) / resolution),
  grace: false,
  wholeBarRest: false,
  fermata: false,
});
