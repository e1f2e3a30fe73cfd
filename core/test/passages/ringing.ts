import type { Passage } from './passage.ts';

/** Broken chords over a held bass, written as separate short notes: the shape stays down. */
const BROKEN: readonly (readonly [string, string, string, ...string[]])[] = [
  ['A minor', '-/8 E3/8 A3/8 C4/8 A3/8 E3/8', 'A2/2.', '4:2 3:3 2:1 3:3 4:2 5:0'],
  ['A minor with E4', '-/8 A3/8 C4/8 E4/8 C4/8 A3/8', 'A2/2.', '3:2|3:3 2:1 1:0 2:1 3:2|3:3 5:0'],
  ['E major', '-/8 G#3/8 B3/8 E4/8 B3/8 G#3/8', 'E2/2.', '3:1 2:0 1:0 2:0 3:1 6:0'],
  ['E minor', '-/8 E3/8 G3/8 B3/8 G3/8 E3/8', 'E2/2.', '4:2|4:3|4:1 3:0 2:0 3:0 4:2|4:3|4:1 6:0'],
  ['C major', '-/8 E3/8 G3/8 C4/8 G3/8 E3/8', 'C3/2.', '4:2 3:0 2:1 3:0 4:2 5:3'],
  ['D minor', '-/8 A3/8 D4/8 F4/8 D4/8 A3/8', 'D3/2.', '3:2 2:3|2:4 1:1 2:3|2:4 3:2 4:0'],
  ['D major', '-/8 A3/8 D4/8 F#4/8 D4/8 A3/8', 'D3/2.', '3:1 2:3 1:2 2:3 3:1 4:0'],
  [
    'G major',
    '-/8 G3/8 B3/8 G4/8 B3/8 G3/8',
    'G2/2.',
    '3:0 2:0 1:4 2:0 3:0 6:3',
    '3:0 2:0 1:3|1:4 2:0 3:0 6:2',
  ],
  ['F major', '-/8 A3/8 C4/8 F4/8 C4/8 A3/8', 'F2/2.', '3:2 2:1 1:1 2:1 3:2 6:1'],
  [
    'G7',
    '-/8 F3/8 G3/8 B3/8 G3/8 F3/8',
    'G2/2.',
    '4:3 3:0 2:0 3:0 4:3 6:2',
    '4:4 3:0 2:0 3:0 4:4 6:3',
    '4:3 3:0 2:0 3:0 4:3 6:4',
  ],
  ['E7', '-/8 G#3/8 D4/8 E4/8 D4/8 G#3/8', 'E2/2.', '3:1 2:3|2:4 1:0 2:3|2:4 3:1 6:0'],
  ['B7', '-/8 D#3/8 A3/8 B3/8 A3/8 D#3/8', 'B2/2.', '4:1 3:3 2:0 3:3 4:1 5:2'],
];

export const RINGING: readonly Passage[] = BROKEN.map(([name, melody, bass, ...accept]) => ({
  name: `broken ${name}`,
  heading: 'ringing',
  voices: [melody, bass],
  accept,
}));
