import { firstPosition, line, type Passage } from '../passage.ts';

const TUNES: readonly (readonly [string, string])[] = [
  ['five notes from C', 'C3 D3 E3 F3 G3'],
  ['D minor from A', 'A3 Bb3 C4 D4 E4 F4'],
  ['A minor falls', 'A3 G3 F3 E3 D3 C3 B2 A2'],
  ['C major falls', 'C4 B3 A3 G3 F3 E3 D3 C3'],
  ['five notes from F', 'F3 G3 A3 B3 C4'],
  ['six notes fall from E', 'E4 D4 C4 B3 A3 G3'],
  ['thirds of A minor, broken', 'A3 C4 B3 D4 C4 E4 D4 F4'],
  ['fourths rise from G', 'G3 C4 A3 D4 B3 E4'],
  ['chromatic from A2', 'A2 Bb2 B2 C3 C#3 D3'],
  ['chromatic from G3', 'G3 G#3 A3 Bb3 B3'],
  ['triad of F', 'F3 A3 C4 F4'],
  ['triad of D minor', 'D3 F3 A3 D4 F4'],
  ['G7, broken in the bass', 'G2 B2 D3 F3 G3 B3'],
  ['E minor, harmonic', 'E2 F#2 G2 A2 B2 C3 D#3 E3'],
  ['a tune around C', 'C4 G3 C4 D4 E4 C4'],
];

const LEAPS: readonly (readonly [string, string, string])[] = [
  ['sixths of C, broken', 'E3 C4 F3 D4 G3 E4', '4:2 2:1 4:3 2:3|2:4 3:0 1:0'],
  ['octaves of C, broken', 'C3 C4 D3 D4 E3 E4', '5:3 2:1 4:0 2:3|2:4 4:2 1:0'],
  ['octaves of G, broken', 'G2 G3 A2 A3 B2 B3', '6:3 3:0 5:0 3:2 5:2 2:0'],
];

export const FIRST_POSITION: readonly Passage[] = [
  ...TUNES.map(([name, notes]) => [name, notes, firstPosition(notes)] as const),
  ...LEAPS,
].map(([name, notes, accept]) => ({
  name,
  heading: 'first position',
  voices: [line(notes)],
  accept: [accept],
}));
