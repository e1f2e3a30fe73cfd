import { detect } from '@tonaljs/chord-detect';
import { midiOf, type PitchSpelling } from '../music/pitch.ts';

/** Fewer different pitches make no chord worth a name. */
const FEWEST_PITCHES = 3;
const ACCIDENTALS: Readonly<Record<number, string>> = { [-2]: 'bb', [-1]: 'b', 0: '', 1: '#', 2: '##' };
/** Kinds of chords, the plainest first: of several names for the same notes the plainest is taken. */
const PLAIN_KINDS = [
  '',
  'm',
  '7',
  'm7',
  'maj7',
  'dim',
  'm7b5',
  'dim7',
  'sus4',
  'sus2',
  '6',
  'm6',
  '7sus4',
  'aug',
];

interface Named {
  readonly root: string;
  readonly kind: string;
  readonly bass: string;
}

const named = (name: string): Named => {
  const [chord = '', bass = ''] = name.split('/');
  const root = /^[A-G][b#]*/.exec(chord)?.[0] ?? '';
  // The library writes CM for C major.
  return { root, kind: chord.slice(root.length).replace(/^M$/, ''), bass };
};

const plainness = ({ kind, bass }: Named): number => {
  const rank = PLAIN_KINDS.indexOf(kind);
  return (rank < 0 ? PLAIN_KINDS.length : rank) * 2 + (bass === '' ? 0 : 1);
};

const printed = (note: string): string => note.replaceAll('#', '♯').replaceAll('b', '♭');

/**
 * The usual name of the chord that some sounding pitches make, the lowest as its bass: `Am`, `D7/F♯`. Undefined for
 * fewer than three different pitches and for notes that make no known chord. The names are those of the part of
 * the general music-theory library `tonal` that names chords.
 */
export const chordName = (pitches: readonly PitchSpelling[]): string | undefined => {
  const sorted = pitches.toSorted((a, b) => midiOf(a) - midiOf(b));
  const classes = [...new Set(sorted.map(({ step, alter }) => `${step}${ACCIDENTALS[alter] ?? ''}`))];
  if (classes.length < FEWEST_PITCHES) return undefined;
  const [best] = detect(classes)
    .map(named)
    .sort((a, b) => plainness(a) - plainness(b));
  return best && `${printed(best.root)}${best.kind}${best.bass === '' ? '' : `/${printed(best.bass)}`}`;
};
