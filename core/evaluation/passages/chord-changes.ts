import type { Passage } from './passage.ts';

/** Two or three chords in a row: what stays down, what slides, what lands together. */
const CHANGES: readonly (readonly [string, string, ...string[]])[] = [
  [
    'B7 to E minor: 2 stays',
    'B2+D#3+A3+F#4/2 E2+B2+E3+G3/2',
    '5:2 4:1 3:3 1:4 6:0 5:2 4:3 3:0',
    '5:2 4:1 3:3 1:4 6:0 5:1|5:2 4:2|4:3 3:0',
  ],
  ['E7 to A minor', 'E2+B2+E3+G#3+D4/2 A2+E3+A3+C4+E4/2', '6:0 5:2 4:3 3:1 2:4 5:0 4:2 3:3 2:1 1:0'],
  [
    'D to A7 and back',
    'D3+A3+D4+F#4/2 A2+E3+G3+C#4+E4/2 | D3+A3+D4+F#4/1',
    '4:0 3:1 2:3 1:2 5:0 4:2|4:1 3:0 2:3 1:0 4:0 3:1 2:3 1:2',
    '4:0 3:1 2:3 1:2 5:0 4:1 3:0 2:2|2:3 1:0 4:0 3:1 2:3 1:2',
  ],
  [
    'C to G7 and back',
    'C3+E3+G3+C4+E4/2 G2+B2+D3+G3+B3+F4/2 | C3+E3+G3+C4+E4/1',
    '5:3 4:2 3:0 2:1 1:0 6:3 5:2 4:0 3:0 2:0 1:1 5:3 4:2 3:0 2:1 1:0',
  ],
  [
    'G to D7 and back',
    'G2+D3+G3+B3/2 D3+A3+C4+F#4/2 | G2+D3+G3+B3/1',
    '6:2|6:3 4:0 3:0 2:0 4:0 3:2 2:1 1:3 6:2|6:3 4:0 3:0 2:0',
  ],
  [
    'D minor to A and back',
    'D3+A3+D4+F4/2 A2+E3+A3+C#4/2 | D3+A3+D4+F4/1',
    '4:0 3:2 2:3|2:4 1:1 5:0 4:1|4:2 3:2|3:3 2:3|2:4 4:0 3:2 2:3|2:4 1:1',
    '4:0 3:2 2:3 1:1 5:0 4:2 3:1 2:3 4:0 3:2 2:3 1:1',
  ],
  [
    'E minor to D',
    'E2+B2+E3+G3/2 D3+A3+D4+F#4/2',
    '6:0 5:2|5:1 4:3|4:2 3:0 4:0 3:1 2:3 1:2',
    '6:0 5:2|5:1 4:3|4:2 3:0 4:0 3:2 2:4 1:3',
  ],
  [
    'D minor to a half barre of F: 2 and 1 stay',
    'D3+A3+D4+F4/2 F3+A3+C4+F4/2',
    '4:0 3:2 2:3|2:4 1:1 4:3|4:4 3:2 2:1 1:1',
  ],
  [
    'D to D minor: the upper finger stays',
    'D3+A3+D4+F#4/2 D3+A3+D4+F4/2',
    '4:0 3:1 2:3 1:2 4:0 3:2 2:3 1:1',
    '4:0 3:2 2:4 1:3 4:0 3:2 2:4|2:3 1:1',
  ],
  [
    'E to E7: 4 joins the chord',
    'E2+B2+E3+G#3+B3/2 E2+B2+E3+G#3+D4/2',
    '6:0 5:2 4:3 3:1 2:0 6:0 5:2 4:3 3:1 2:4',
  ],
  ['C to C7: 4 joins the chord', 'C3+E3+G3+C4/2 C3+E3+Bb3+C4/2', '5:3 4:2 3:0 2:1 5:3 4:2 3:4 2:1'],
  ['G with a fourth that joins', 'G2+D3+G3+B3/2 G2+D3+G3+C4/2', '6:2|6:3 4:0 3:0 2:0 6:2|6:3 4:0 3:0 2:1'],
  [
    'A with a fourth that falls',
    'A2+E3+A3+D4/2 A2+E3+A3+C#4/2',
    '5:0 4:1 3:2 2:3|2:4 5:0 4:1 3:2 2:3',
    '5:0 4:2 3:1|3:3 2:4 5:0 4:2 3:1|3:3 2:3|2:4',
    '5:0 4:1 3:1 2:2|2:3 5:0 4:1 3:1 2:1',
  ],
  ['D with a fourth that falls', 'D3+A3+D4+G4/2 D3+A3+D4+F#4/2', '4:0 3:1 2:3 1:4 4:0 3:1 2:3 1:2'],
  [
    'A minor to F: 2 and 1 stay',
    'A2+A3+C4+E4/2 F2+A3+C4+F4/2',
    '5:0 3:2 2:1 1:0 6:1 3:2 2:1 1:1',
    '5:0 3:3 2:1 1:0 6:1 3:2|3:3 2:1 1:1',
  ],
  ['E in the bass to B minor: the third finger leads', 'E2+E3/2 B2+F#3+B3+D4/2', '6:0 4:3 5:1 4:3 3:4 2:2'],
  ['G7 without its root to C', 'B2+G3+D4+F4/2 C3+G3+C4+E4/2', '5:2 3:0 2:3|2:4 1:1 5:3 3:0 2:1 1:0'],
  [
    'a diminished chord into A minor',
    'D3+G#3+B3+F4/2 E2+E3+A3+C4/2',
    '4:0 3:1 2:0 1:2 6:0 4:2 3:3 2:1',
    '4:0 3:2 2:0 1:3 6:0 4:2 3:3 2:1',
  ],
  [
    'F sharp diminished into G',
    'A2+F#3+C4+D#4/2 G2+G3+B3+D4/2',
    '5:0 4:4 3:* 2:* 6:* 4:* 3:* 2:*',
    '* * * * 6:2|6:3|6:1 3:0 * *',
  ],
  [
    'bar chord of F to C',
    'F2+C3+F3+A3+C4+F4/2 C3+E3+G3+C4+E4/2',
    '6:1 5:3 4:4 3:2 2:1 1:1 5:3 4:2 3:0 2:1 1:0',
  ],
  [
    'B minor to F sharp minor',
    'B2+F#3+B3+D4+F#4/2 F#2+C#3+F#3+A3+C#4+F#4/2',
    '5:1 4:3 3:4 2:2 1:1 6:1 5:3 4:4 3:1 2:1 1:1',
  ],
  [
    'a shape that slides up two frets',
    'C3+E4/4 D3+F#4/4 C3+E4/2',
    '5:3|5:2|5:1|5:4 1:0 4:0 1:* 5:3|5:2|5:1|5:4 1:0',
  ],
  ['sixths on ③ and ② in A', 'E3+C#4/4 D3+B3/4 C#3+A3/2', '4:1|4:2 2:2|2:3 4:0 2:0 5:4|5:3 3:2|3:1'],
  [
    'three voices fall by steps in A minor',
    'A3+C4+E4/4 G#3+B3+D4/4 A3+C4+E4/2',
    '3:2|3:3 2:1 1:0 * * * 3:2|3:3 2:1 1:0',
  ],
];

export const CHORD_CHANGES: readonly Passage[] = CHANGES.map(([name, chords, ...accept]) => ({
  name,
  heading: 'common fingers',
  voices: [chords],
  accept,
}));
