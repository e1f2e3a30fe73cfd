import { line, under, type Fingered, type Passage } from './passage.ts';

/** Two or three notes that keep their fingers while the hand moves. */
const GUIDES: readonly Fingered[] = [
  [
    'thirds rise from the third fret',
    ['E4+G4/4 F4+A4/4 G4+B4/4'],
    '2:3|2:4 1:1|1:2 2:2 1:1 2:2 1:1',
    '2:3 1:1 2:2|2:3 1:1|1:2 2:2|2:3 1:1|1:2',
  ],
  ['a triad slides up two frets', ['F3+A3+C4/2 G3+B3+D4/2'], '4:3 3:2 2:1 4:3 3:2 2:1'],
  [
    'a triad under the first string slides up two frets',
    ['A3+C4+F4/2 B3+D4+G4/2'],
    '3:2 2:1 1:1 3:2 2:1 1:1',
    '3:3 2:1 1:2 3:3 2:1 1:2',
  ],
  ['octaves on ③ and ①', ['A3+A4/4 B3+B4/4 C4+C5/4'], '3:1 1:4|1:3 3:1 1:4|1:3 3:1 1:4|1:3'],
  [
    'octaves on ④ and ②',
    ['E3+E4/4 F3+F4/4 G3+G4/4'],
    '4:1 2:4|2:3 4:1 2:4|2:3 4:1 2:4|2:3',
    '4:2 1:0 4:3 1:1 3:0 1:3|1:4',
  ],
  [
    'major sixths slide two frets',
    ['E3+C#4/4 F#3+D#4/4'],
    '4:1 2:2 4:1 2:2',
    '4:2 2:3 4:2 2:3',
    '4:1 2:1 4:1 2:1',
    '4:3 2:4 4:3 2:4',
  ],
  [
    'thirds fall to the open string',
    ['F4+A4/4 E4+G4/4 D4+F4/4 C4+E4/4'],
    '2:2 1:1 2:3|2:4 1:1|1:2 2:3|2:4 1:1|1:2 2:1 1:0',
    '2:3 1:2 2:3|2:4 1:1|1:2 2:3|2:4 1:1|1:2 2:1 1:0',
  ],
  [
    'tenths on ⑤ and ②',
    ['B2+D4/4 C3+E4/4 B2+D4/4'],
    '5:1|5:2 2:2|2:3|2:4 5:1|5:2 2:3|2:4 5:1|5:2 2:2|2:3|2:4',
    '5:2 2:3|2:4 5:3 1:0 5:2 2:3|2:4',
    '5:1 2:2|2:3 5:2 1:0 5:1 2:2|2:3',
  ],
];

/** Notes in turn that one finger would have to jump between. */
const PAIRS: readonly Fingered[] = [
  [
    'C and F in the bass',
    [line('C3 F3 C3 F3')],
    '5:3 4:4 5:3 4:4',
    '5:2 4:3 5:2 4:3',
    '5:1 4:2 5:1 4:2',
    '5:1 4:1 5:1 4:1',
  ],
  [
    'A and D on ③ and ②',
    [line('A3 D4 A3 D4')],
    '3:1 2:2|2:3 3:1 2:2|2:3',
    '3:2 2:3|2:4 3:2 2:3|2:4',
    '3:3 2:4 3:3 2:4',
  ],
  [
    'F sharp and C sharp',
    [line('F#4 C#4 F#4 C#4')],
    '1:2 2:1 1:2 2:1',
    '1:3 2:2 1:3 2:2',
    '1:1 2:1 1:1 2:1',
    '1:4 2:3 1:4 2:3',
  ],
  [
    'B and E on the second fret',
    [line('B2 E3 B2 E3')],
    '5:2 4:3 5:2 4:3',
    '5:1 4:2 5:1 4:2',
    '5:1 4:1 5:1 4:1',
  ],
  [
    'E major in turn',
    [line('E3 G#3 E3 B2')],
    '4:3 3:1 4:3 5:2',
    '4:2 3:1 4:2 5:1|5:2|5:3',
    '4:2 3:1 4:2 5:2',
  ],
  [
    'G and C on the fifth fret',
    [line('G3 C4 Eb4 C4')],
    '4:2 3:3 2:1 3:3',
    '3:0 2:1 2:4 2:1',
    '4:3 3:4 2:1|2:2 3:4',
    '3:0 3:4|3:3 2:2 3:4|3:3',
    '4:3 3:3 2:2|2:1 3:3',
  ],
  ['two basses on one fret under a tune', ['E4/2 F4/2', 'C3/2 F2/2'], '1:0 1:1|1:2 5:3 6:1'],
];

/** Tunes that keep their colour. */
const ON_ONE_STRING: readonly Fingered[] = [
  ['a tune on ② from the open string', [line('B3 C4 D4 C4 B3', 4)], '2:0 2:1 2:3|2:4 2:1 2:0'],
  [
    'a tune on ① from the third fret',
    [line('G4 A4 B4 A4 G4', 4)],
    '1:* 1:* 1:* 1:* 1:*',
    '2:* 2:* 2:* 2:* 2:*',
  ],
  [
    'a tune on ② from the third fret',
    [line('D4 E4 F4 E4 D4', 4)],
    '2:1 2:3 2:4 2:3 2:1',
    '2:1 2:2|2:3 2:3|2:4 2:2|2:3 2:1',
    '3:* 3:* 3:* 3:* 3:*',
  ],
  [
    'a tune on ③ from the second fret',
    [line('A3 B3 C4 B3 A3', 4)],
    '3:1 3:3 3:4 3:3 3:1',
    '3:1 3:2|3:3 3:3|3:4 3:2|3:3 3:1',
  ],
  ['a tune on ④ from the second fret', [line('E3 F3 G3 F3 E3', 4)], '4:1 4:2 4:4 4:2 4:1'],
  [
    'a tune on ① over an open bass',
    ['E4/4 F#4/4 G4/4 F#4/4', 'E2/1'],
    '1:0 1:1 1:2 1:1 6:0',
    '1:0 1:2 1:3 1:2 6:0',
    '1:0 1:2 1:4 1:2 6:0',
  ],
  ['a sigh on ①', [line('C5 B4 A4', 4)], '1:4 1:3|1:2 1:1'],
];

const BELLS: readonly Fingered[] = [
  ['bells from G to E', [line('G3 A3 B3 C4 D4 E4')], '3:0 4:* 2:0 3:* 2:*|4:* 1:0'],
  ['bells in the bass from D', [line('D3 E3 F#3 G3')], '4:0 5:* 4:*|6:* 3:0'],
  ['bells in the bass from A', [line('A2 B2 C3 D3')], '5:0 6:* 5:* 4:0'],
  ['bells around the open E', [line('E4 D#4 E4 B3')], '1:0 2:* 1:0 2:0|3:*'],
  ['bells fall from G', [line('G4 F#4 E4 D4')], '2:* 3:* 1:0 2:*', '1:* 2:* 1:0 2:*', '2:* 3:* 1:0 3:*'],
];

/** Shapes that lie with their bass before they are heard. */
const EARLY: readonly Fingered[] = [
  ['C major broken from the top', ['E4/8 C4/8 G3/8 C4/8', 'C3/2'], '1:0 2:1 3:0 2:1 5:3'],
  ['F major broken from the top', ['F4/8 C4/8 A3/8 C4/8', 'F2/2'], '1:1 2:1 3:2 2:1 6:1'],
  ['E major broken from the top, with its bass', ['E4/8 B3/8 G#3/8 B3/8', 'E2/2'], '1:0 2:0 3:1 2:0 6:0'],
  ['D7 broken from the top', ['F#4/8 C4/8 A3/8 C4/8', 'D3/2'], '1:3 2:1 3:2 2:1 4:0'],
  [
    'A7 broken from the top',
    ['C#4/8 G3/8 E3/8 G3/8', 'A2/2'],
    '2:3|2:4 3:0 4:2 3:0 5:0',
    '2:2|2:3 3:0 4:1 3:0 5:0',
  ],
  ['D minor broken from the top over a stopped bass', ['D4/8 A3/8 F3/8 A3/8', 'D3/2'], '2:3 3:1 4:2 3:1 5:4'],
  ['a slur falls over G2', ['D4/8( C4/8) B3/4', 'G2/2'], '2:4 2:1 2:0 6:3', '2:3|2:4 2:1 2:0 6:2'],
  ['a slur falls over C3', ['F4/8( E4/8) D4/4', 'C3/2'], '1:1|1:2 1:0 2:4 5:3', '1:1 1:0 2:3 5:2'],
];

const SHIFTS: readonly Fingered[] = [
  ['A minor rises over the open E', [line('E4 A4 C5 E5', 4)], '1:0 1:1 1:4 1:*', '2:1 1:1 1:4 1:*'],
  [
    'down from C5 past the open E',
    [line('C5 B4 A4 E4 F4 E4 D4 C4')],
    '1:4 1:3 1:1 1:0 1:1 1:0 2:3|2:4 2:1',
    '1:4 1:3 1:1 2:1 2:2 2:1 3:3 3:1',
    '1:4 1:3 1:1 1:0 2:2 1:0 3:3 3:1',
  ],
  ['the hand moves in a rest', ['C4/8 E4/8 -/4 A4/8 C5/8 B4/8 A4/8'], '2:1 1:0 1:1 1:4 1:3 1:1'],
  [
    'F major, two octaves',
    [line('F2 G2 A2 Bb2 C3 D3 E3 F3 G3 A3 Bb3 C4 D4 E4 F4')],
    '6:1 6:3 5:0 5:1 5:3 4:0 4:2 4:3 3:0 3:2 3:3 2:1 2:3 1:0 1:1',
  ],
  [
    'A minor, melodic',
    [line('A2 B2 C3 D3 E3 F#3 G#3 A3 B3 C4 D4 E4')],
    '5:0 5:2 5:3 4:0 4:2 4:4 3:1 3:2 2:0 2:1 2:3 1:0',
  ],
  ['five notes of E minor', [line('E3 G3 A3 B3 D4 E4 G4')], '4:2 3:0 3:2 2:0 2:3|2:4 1:0 1:3|1:4'],
  ['a fifth up and a step down', ['A3/4 E4/4 D4/4 C4/4 | B3/2 A3/2'], '3:2|3:3 1:0 2:3|2:4 2:1 2:0 3:2|3:3'],
  ['a high answer', ['E4/4 D4/4 C4/4 B3/4 | C5/4 B4/4 A4/2'], '1:0 2:3|2:4 2:1 2:0 1:4 1:3|1:2 1:1'],
];

const ORNAMENTS: readonly Fingered[] = [
  ['a trill from G sharp', [line('G#3 A3 G#3 A3 G#3 A3', 16)], '3:1 3:2 3:1 3:2 3:1 3:2'],
  [
    'a trill from F sharp',
    [line('F#4 G4 F#4 G4 F#4 G4', 16)],
    '1:1 1:2 1:1 1:2 1:1 1:2',
    '1:2 1:3 1:2 1:3 1:2 1:3',
  ],
  [
    'a trill from G to A',
    [line('G4 A4 G4 A4 G4 A4', 16)],
    '1:1 1:3 1:1 1:3 1:1 1:3',
    '1:1 1:4 1:1 1:4 1:1 1:4',
    '1:2 1:4 1:2 1:4 1:2 1:4',
  ],
  ['a turn on C over A2', ['C4/16( D4/16 C4/16) B3/16 C4/4', 'A2/2'], '2:1 2:3|2:4 2:1 2:0 2:1 5:0'],
  ['slurs over three frets', ['C4/8( Eb4/8) C4/8( Eb4/8)'], '2:1 2:4 2:1 2:4'],
  ['a falling slur of three notes', ['Bb3/8( A3/8 G3/8) D3/4'], '3:3 3:2 3:0 4:0', '3:2 3:1 3:0 4:0'],
];

/** Short lines that put one thing to the test. */
export const LINES: readonly Passage[] = [
  ...under('guide fingers', GUIDES),
  ...under('no hopping', PAIRS),
  ...under('voice on one string', ON_ONE_STRING, 'legato'),
  ...under('campanella', BELLS, 'campanella'),
  ...under('early placement', EARLY),
  ...under('shifts', SHIFTS),
  ...under('weak fingers', ORNAMENTS),
];
