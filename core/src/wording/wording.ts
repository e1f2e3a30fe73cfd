import { IntlMessageFormat } from 'intl-messageformat';
import { pitchLabel, type PitchSpelling, type Step } from '../music/pitch.ts';
import type { Catalogue, MessageKey } from './catalogue.ts';
import { ENGLISH } from './english.ts';
import type { Language, NoteNames } from './language.ts';

export type MessageValues = Readonly<Record<string, string | number>>;

/** Says things in one language. Messages are read once for each wording. */
export interface Wording {
  readonly language: Language;
  readonly noteNames: NoteNames;
  readonly say: (key: MessageKey, values?: MessageValues) => string;
  /** A pitch with its octave: `F♯3`, `Fa♯3`. */
  readonly pitch: (pitch: PitchSpelling) => string;
  /** The name of a pitch alone: `F♯`, `Fa♯`. */
  readonly note: (pitch: PitchSpelling) => string;
  /** Things in a row: `C4, E4 and G4`. */
  readonly all: (things: readonly string[]) => string;
}

const SOLFEGE: Readonly<Record<Step, string>> = {
  C: 'Do',
  D: 'Re',
  E: 'Mi',
  F: 'Fa',
  G: 'Sol',
  A: 'La',
  B: 'Si',
};

/** Octaves are numbered as in scientific pitch notation whatever the names: middle C is C4 and Do4. */
const pitchText = (pitch: PitchSpelling, names: NoteNames): string => {
  const label = pitchLabel(pitch);
  return names === 'letters' ? label : `${SOLFEGE[pitch.step]}${label.slice(1)}`;
};

/** The wording that a catalogue of messages makes in its language. */
export const wordingFrom = (catalogue: Catalogue, language: Language, noteNames: NoteNames): Wording => {
  const read = new Map<MessageKey, IntlMessageFormat>();
  const list = new Intl.ListFormat(language, { type: 'conjunction' });
  return {
    language,
    noteNames,
    say: (key, values) => {
      const message =
        read.get(key) ?? new IntlMessageFormat(catalogue[key], language, undefined, { ignoreTag: true });
      read.set(key, message);
      return String(message.format(values));
    },
    pitch: (pitch) => pitchText(pitch, noteNames),
    note: (pitch) => pitchText(pitch, noteNames).replace(/-?\d+$/, ''),
    all: (things) => list.format(things),
  };
};

/** The wording of whoever needs no other language: Spanish does not come along. */
export const englishWording = (): Wording => wordingFrom(ENGLISH, 'en', 'letters');

/** The value that a choice between two texts is made by. */
export const yesNo = (is: boolean): 'yes' | 'no' => (is ? 'yes' : 'no');
