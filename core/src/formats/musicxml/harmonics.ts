import { HARMONIC_NODES, openPitch, STRINGS, type Guitar } from '../../instrument/guitar.ts';
import type { SourceFingering } from '../../score/score.ts';
import type { RawHarmonic } from './raw-note.ts';

/** What a harmonic sounds, and the fret at which it is touched (natural) or stopped (artificial), when that is known. */
export interface SoundingHarmonic {
  readonly midi: number;
  readonly string?: number;
  readonly fret?: number;
}

const OCTAVE = 12;
/** Semitones from the stopped note to the touched one, and to what sounds (handbook §6). */
const TOUCHED: ReadonlyMap<number, number> = new Map([
  [12, 12],
  [7, 19],
  [5, 24],
]);

const soundAbove = (fret: number | undefined): number | undefined =>
  HARMONIC_NODES.find((node) => node.fret === fret)?.semitones;

const natural = (
  pitch: number,
  writes: RawHarmonic['writes'],
  { string, fret }: SourceFingering,
  guitar: Guitar,
): SoundingHarmonic => {
  const known = STRINGS.find((each) => each === string);
  const open = known === undefined ? undefined : openPitch(guitar, known);
  const node = soundAbove(fret);
  const isBase = writes === 'base-pitch' || (writes === undefined && open === pitch && node !== undefined);
  if (isBase)
    return {
      midi: pitch + (node ?? OCTAVE),
      fret: node === undefined ? OCTAVE : fret!,
      ...(known && { string: known }),
    };
  const isTouching =
    writes === 'touching-pitch' ||
    (writes === undefined && open !== undefined && node !== undefined && pitch - open === fret);
  if (isTouching) {
    const touched = (known === undefined ? STRINGS : [known])
      .map((each) => ({ string: each, fret: pitch - openPitch(guitar, each) }))
      .find((each) => soundAbove(each.fret) !== undefined);
    if (touched) return { midi: openPitch(guitar, touched.string) + soundAbove(touched.fret)!, ...touched };
  }
  return { midi: pitch, ...(node !== undefined && { fret: fret! }) };
};

const artificial = (
  pitch: number,
  writes: RawHarmonic['writes'],
  { string, fret }: SourceFingering,
  guitar: Guitar,
): SoundingHarmonic => {
  const known = STRINGS.find((each) => each === string);
  const stopped = known === undefined || fret === undefined ? undefined : openPitch(guitar, known) + fret;
  if (writes === 'sounding-pitch' || (writes === undefined && stopped === pitch - OCTAVE))
    return { midi: pitch };
  if (writes === 'touching-pitch')
    return { midi: stopped === undefined ? pitch : stopped + (TOUCHED.get(pitch - stopped) ?? OCTAVE) };
  return { midi: pitch + OCTAVE };
};

/**
 * What a harmonic sounds, whichever of its three pitches the file writes (MusicXML 4.0, `harmonic`): the open or stopped
 * note, the note under the touching finger, or the sound. Where the file does not say, string and fret tell; without
 * them a natural harmonic is written as it sounds, an artificial one as it is stopped.
 */
export const soundingHarmonic = (
  pitch: number,
  { kind, writes }: RawHarmonic,
  fingering: SourceFingering,
  guitar: Guitar,
): SoundingHarmonic =>
  kind === 'natural'
    ? natural(pitch, writes, fingering, guitar)
    : artificial(pitch, writes, fingering, guitar);
