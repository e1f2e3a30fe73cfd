import { STANDARD_GUITAR } from '../../../src/instrument/guitar.ts';

/**
 * A longer passage in a texture that players know, written down as it is played: where every note lies and which fingers
 * take it. The notes follow from the places. All passages are our own; the fingerings are common practice, no published
 * source.
 */
export interface TexturedPassage {
  readonly name: string;
  readonly texture: Texture;
  readonly meter: string;
  readonly tempo: number;
  /**
   * Voices from the top. A token is `3.7:2i/8`: string ③, fret 7, finger 2, plucked by i, an eighth; `:1|2` accepts either
   * finger, `:*` any; without a letter any pluck will do; notes struck together are joined by `+`; a length holds until
   * another one is given; `-` is a rest.
   */
  readonly played: readonly string[];
  /** Other fingerings of the left hand that are right as a whole, in the same tokens. */
  readonly also?: readonly (readonly string[])[];
  readonly movements?: Movements;
}

/** What is clear about the movements of a passage. Bars count from 1. */
export interface Movements {
  /** Bar and position of each change of position, where the list is meant to be complete. */
  readonly shifts?: readonly (readonly [bar: number, position: number])[];
  /** Fret, first and last bar of every barre of the index. */
  readonly barres?: readonly (readonly [fret: number, from: number, to: number])[];
  /** Finger, string and frets of guides that must be seen. */
  readonly guides?: readonly (readonly [finger: number, string: number, from: number, to: number])[];
  /** Bar and string of every open bass that must or should be stopped. */
  readonly damping?: readonly (readonly [bar: number, string: number])[];
}

export const TEXTURES = [
  'broken chords',
  'tune with broken chord',
  'two voices',
  'parallel intervals',
  'barre progression',
  'guided line',
  'pedal bass',
  'tremolo',
  'high tune over open basses',
  'cadence',
  'bells',
  'full chords with a tune',
  'inner voice',
  'walking bass',
] as const;
export type Texture = (typeof TEXTURES)[number];

const NAMES = ['C', 'C#', 'D', 'D#', 'E', 'F', 'F#', 'G', 'G#', 'A', 'A#', 'B'];
const NOTE = /^(\d)\.(\d+)(?::([\d*|]+))?([pima*|]*)$/;

/** A note as it is played. */
export interface PlayedNote {
  readonly midi: number;
  /** What the left hand may do, as in the short passages: `3:2|3:1`. */
  readonly left: string;
  /** Fingers of the right hand that are accepted; empty for any. */
  readonly right: string;
}

interface PlayedMoment {
  readonly notes: readonly PlayedNote[];
  readonly length: string;
}

const readNote = (text: string): PlayedNote => {
  const found = NOTE.exec(text);
  if (!found) throw new RangeError(`not a played note: ${text}`);
  const [, string, fret, finger = '0', pluck = ''] = found;
  const open = STANDARD_GUITAR.tuning[Number(string) - 1]!;
  return {
    midi: open + Number(fret),
    left: finger
      .split('|')
      .map((each) => `${string}:${each}`)
      .join('|'),
    right: pluck.replaceAll('|', '').replaceAll('*', ''),
  };
};

const readVoice = (voice: string): readonly (PlayedMoment | 'bar')[] => {
  let length = '4';
  return voice
    .split(/\s+/)
    .filter(Boolean)
    .map((token) => {
      if (token === '|') return 'bar';
      const [notes, own] = token.split('/') as [string, string | undefined];
      length = own ?? length;
      return {
        notes:
          notes === '-'
            ? []
            : notes
                .split('+')
                .map(readNote)
                .sort((a, b) => a.midi - b.midi),
        length,
      };
    });
};

const nameOf = (midi: number): string => `${NAMES[midi % 12]!}${Math.floor(midi / 12) - 1}`;

/** A played voice in the small notation. */
export const notation = (voice: string): string =>
  readVoice(voice)
    .map((moment) =>
      moment === 'bar'
        ? '|'
        : `${moment.notes.length === 0 ? '-' : moment.notes.map(({ midi }) => nameOf(midi)).join('+')}/${moment.length}`,
    )
    .join(' ');

/** The struck notes of played voices, voice after voice, lower ones first where several are struck at once. */
export const playedNotes = (voices: readonly string[]): readonly PlayedNote[] =>
  voices.flatMap((voice) => readVoice(voice).flatMap((moment) => (moment === 'bar' ? [] : moment.notes)));

/**
 * Broken chords, one bar for each shape: an order such as `0p 1i 2m 3a` names the notes of a shape by their place in it,
 * with the finger that plucks them; several together are joined by `+`.
 */
export const broken = (order: string, length: string, ...shapes: readonly string[]): string =>
  shapes
    .map((shape) => {
      const notes = shape.split(' ');
      return order
        .split(' ')
        .map((step, index) => {
          if (step.startsWith('-')) return index === 0 ? `-/${length}` : '-';
          const struck = step
            .split('+')
            .map((each) => `${notes[Number(each[0])]!}${each.slice(1)}`)
            .join('+');
          return index === 0 ? `${struck}/${length}` : struck;
        })
        .join(' ');
    })
    .join(' | ');

/** Orders of broken chords over four notes: six and eight strokes to a bar. */
export const SIX = '0p 1i 2m 3a 2m 1i';
export const EIGHT = '0p 1i 2m 3a 2m 1i 2m 1i';
/** A tremolo over three notes, of which the middle one comes twice. */
export const TREMOLO = '0p 3a 3m 3i 1p 3a 3m 3i 2p 3a 3m 3i 1p 3a 3m 3i';
