import { firstPosition, line, type Passage } from './passage.ts';

/** Scales and tunes that lie wholly in first position: finger and fret are one, open strings included. */
const TUNES: readonly (readonly [string, string])[] = [
  ['C major, one octave', 'C3 D3 E3 F3 G3 A3 B3 C4'],
  ['C major, upper notes', 'G3 A3 B3 C4 D4 E4 F4 G4'],
  ['G major, one octave', 'G2 A2 B2 C3 D3 E3 F#3 G3'],
  ['G major, upper octave', 'G3 A3 B3 C4 D4 E4 F#4 G4'],
  ['F major, one octave', 'F2 G2 A2 Bb2 C3 D3 E3 F3'],
  ['F major, upper octave', 'F3 G3 A3 Bb3 C4 D4 E4 F4'],
  ['A minor, natural', 'A2 B2 C3 D3 E3 F3 G3 A3'],
  ['A minor, upper octave', 'A3 B3 C4 D4 E4 F4 G4'],
  ['E minor, natural', 'E2 F#2 G2 A2 B2 C3 D3 E3'],
  ['E minor, upper octave', 'E3 F#3 G3 A3 B3 C4 D4 E4'],
  ['D minor, natural', 'D3 E3 F3 G3 A3 Bb3 C4 D4'],
  ['E Phrygian', 'E2 F2 G2 A2 B2 C3 D3 E3'],
  ['A harmonic minor', 'A2 B2 C3 D3 E3 F3 G#3 A3'],
  ['descending from G', 'G4 F4 E4 D4 C4 B3 A3 G3'],
  ['descending basses', 'A2 G2 F2 E2'],
  ['thirds of C, broken', 'C3 E3 D3 F3 E3 G3 F3 A3'],
  ['thirds of C, broken, upper', 'C4 E4 D4 F4 E4 G4'],
  ['chromatic from E2', 'E2 F2 F#2 G2 G#2 A2'],
  ['chromatic from B3', 'B3 C4 C#4 D4 Eb4 E4 F4'],
  ['chromatic from D3', 'D3 Eb3 E3 F3 F#3 G3'],
  ['tune of neighbours', 'E4 F4 E4 D4 C4 D4 E4 C4'],
  ['triad of C', 'C3 E3 G3 C4 E4'],
  ['triad of G', 'G2 B2 D3 G3 B3'],
  ['triad of A minor', 'A2 C3 E3 A3 C4 E4'],
];

export const FIRST_POSITION: readonly Passage[] = TUNES.map(([name, notes]) => ({
  name,
  heading: 'first position',
  voices: [line(notes)],
  accept: [firstPosition(notes)],
}));
