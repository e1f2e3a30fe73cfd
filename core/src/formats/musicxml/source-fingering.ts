import { openPitch, placesOf, STRINGS, type Guitar } from '../../instrument/guitar.ts';
import type { SourceFingering } from '../../score/score.ts';
import type { Repair } from '../import-problem.ts';
import { childText, childrenNamed } from '../xml/tree.ts';
import type { MeasureSource } from './parts.ts';
import type { PlacedNote } from './walk.ts';

/** `string` and `fret` that agree with the pitch; what disagrees is left out and listed. */
export const checkedFingering = (
  source: SourceFingering,
  pitch: number,
  harmonic: boolean,
  guitar: Guitar,
  where: string,
  repairs: Repair[],
): SourceFingering => {
  const { string, fret, ...rest } = source;
  if (string === undefined) return rest;
  const known = STRINGS.find((each) => each === string);
  if (known === undefined) {
    repairs.push({
      code: 'unknown-string',
      message: `${where}: string ${string} does not exist on a guitar with six strings and was left out.`,
    });
    return rest;
  }
  if (harmonic) return { ...rest, string };
  if (!placesOf(guitar, pitch).some((place) => place.string === known)) {
    repairs.push({
      code: 'unknown-string',
      message: `${where}: this pitch does not exist on string ${string}, whose open sound is MIDI ${openPitch(guitar, known)}; the string was left out.`,
    });
    return rest;
  }
  if (fret !== undefined && fret !== pitch - openPitch(guitar, known))
    repairs.push({
      code: 'wrong-fret',
      message: `${where}: fret ${fret} on string ${string} is not the written pitch; the string was kept and the fret follows from the pitch.`,
    });
  return { ...rest, string };
};

/** Strings written in a tablature staff, by onset and sounding pitch, for notes that do not carry their own. */
export const tablatureStrings = (placed: readonly { note: PlacedNote; onset: number; midi: number }[]) => {
  const strings = new Map<string, SourceFingering>();
  for (const { note, onset, midi: pitch } of placed) strings.set(`${onset}:${pitch}`, note.fingering);
  return strings;
};

/** Staves of tablature beside staves of notes, by number; none when there is only tablature. */
export const tablatureStaves = (measures: readonly MeasureSource[]): ReadonlySet<string> => {
  const clefs = measures.flatMap((measure) =>
    measure.children
      .filter((child) => child.name === 'attributes')
      .flatMap((each) => childrenNamed(each, 'clef')),
  );
  const tab = new Set(
    clefs.filter((clef) => childText(clef, 'sign') === 'TAB').map((clef) => clef.attributes.number ?? '1'),
  );
  const notation = clefs.some((clef) => childText(clef, 'sign') !== 'TAB');
  return notation ? tab : new Set();
};
