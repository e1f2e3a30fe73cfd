import type {
  Block,
  GuideFinger,
  HeldFinger,
  Likeness,
  Mark,
  PhraseEnd,
  Preparation,
  ShiftRide,
} from '@oculon/core';
import { bracketWords } from '@oculon/core';
import { stringSign } from '../workbench/commands.ts';

export const RIDE_WORDS: Readonly<Record<ShiftRide, string>> = {
  'open-string': 'on an open string',
  rest: 'in a rest',
  staccato: 'after a staccato',
  guide: 'on a guide finger',
  repeat: 'on a repeated note',
  bass: 'on a lone bass',
  none: 'on nothing',
};

const strings = (all: readonly number[]): string => all.map(stringSign).join('');

/** When a finger goes down, in words: `3 on ④: with the block, one beat earlier`. `when` tells a slice. */
export const preparationWords = (
  { stay, how, why, should }: Preparation,
  when: (slice: number) => string,
): string => {
  const place = `${stay.finger} on ${strings(stay.strings)}, fret ${stay.fret}`;
  if (how === 'with-block') return `${place}: set it with the block at ${when(should)}`;
  if (how === 'early')
    return `${place}: set it early, at ${when(should)}${why === 'pull-off' ? ', before the note above is pulled off' : '; later there is no time'}`;
  return `${place}: set it now${why === 'lets-ring' ? '; the note before may ring until then' : ''}`;
};

export const heldWords = ({ stay, kind }: HeldFinger, until: string): string => {
  const finger = `${stay.finger} on ${strings(stay.strings)}`;
  switch (kind) {
    case 'pivot':
      return `${finger} stays as a pivot: the hand turns round it until ${until}`;
    case 'common':
      return `${finger} stays down until ${until}: the next notes need it too`;
    case 'keep-down':
      return `keep ${finger} down: it returns at ${until}`;
  }
};

export const guideWords = ({ finger, string, fromFret, toFret, isHeard }: GuideFinger): string =>
  isHeard
    ? `${finger} slides audibly on ${stringSign(string)} from fret ${fromFret} to ${toFret}`
    : `${finger} guides the hand: it glides lightly on ${stringSign(string)} from fret ${fromFret} to ${toFret}`;

/** The shape of a block, bass string first: `⑤3 ④2 ③0 ②1`. Digits are fingers. */
export const blockWords = ({ shape }: Block): string =>
  shape.map(({ string, finger }) => `${stringSign(string)}${finger}`).join(' ');

export const LEAVING_WORDS = {
  'needed-elsewhere': 'is needed elsewhere',
  'string-needed': 'must free its string',
  'hand-moves': 'leaves with the hand',
  'nothing-sounds': 'may lift',
  end: 'ends the piece',
} as const;

export const PHRASE_END_WORDS: Readonly<Record<PhraseEnd, string>> = {
  repeat: 'a repeat',
  'double-bar': 'a double bar',
  rest: 'a rest',
  fermata: 'a fermata',
  'long-note': 'a long note',
  end: 'the end of the piece',
};

export const likenessWords = (likeness: Likeness): string => {
  switch (likeness.kind) {
    case 'exact':
      return 'the same';
    case 'transposed':
      return `the same, ${Math.abs(likeness.semitones)} semitones ${likeness.semitones > 0 ? 'higher' : 'lower'}`;
    case 'other-bass':
      return 'the same over another bass';
    case 'same-rhythm':
      return 'the same rhythm';
  }
};

export const MARK_NAMES: Readonly<Record<Mark['kind'], string>> = {
  barre: 'Barre',
  position: 'Position',
  guide: 'Guide finger',
  hold: 'Finger stays',
  damp: 'Damping',
  plant: 'Planting',
  slur: 'Slur',
  stroke: 'Stroke',
  text: 'Text',
};

/** What a mark says beside its name. */
export const markWords = (mark: Mark): string => {
  switch (mark.kind) {
    case 'barre':
    case 'position':
      return bracketWords(mark);
    case 'guide':
      return mark.heard ? 'heard' : 'silent';
    case 'hold':
      return '';
    case 'damp':
      return stringSign(mark.string);
    case 'plant':
      return [...mark.fingers].join(' ');
    case 'slur':
      return mark.as === 'hammer-on' ? 'hammer-on' : 'pull-off';
    case 'stroke':
      return `${mark.stroke} stroke`;
    case 'text':
      return `“${mark.text}”`;
  }
};
