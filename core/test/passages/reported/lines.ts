import { line, under, type Fingered, type Passage } from '../passage.ts';

const GUIDES: readonly Fingered[] = [
  ['a triad slides down a fret', ['G3+B3+D4/2 F#3+Bb3+C#4/2'], '4:3 3:2 2:1 4:3 3:2 2:1'],
  [
    'thirds fall from the eighth fret',
    ['G4+B4/4 F#4+A4/4 E4+G4/4'],
    '2:2|2:3 1:1|1:2 2:3|2:4 1:1|1:2 2:3|2:4 1:1|1:2',
  ],
  [
    'minor sixths on ③ and ①',
    ['B3+G4/4 C#4+A4/4'],
    '3:2 1:1 3:2 1:1',
    '3:3 1:2 3:3 1:2',
    '3:3 1:1 3:3 1:1',
    '2:0 1:* 3:* 1:*',
  ],
  ['octaves rise a step', ['C3+C4/4 D3+D4/4'], '5:1 3:3|3:4 5:1 3:3|3:4', '5:2|5:3 2:1 4:0 2:3|2:4'],
];

const PAIRS: readonly Fingered[] = [
  ['F2 and C4 in turn', [line('F2 C4 F2 C4')], '6:1 2:2 6:1 2:2', '6:1 2:1 6:1 2:1'],
  ['C F C A', [line('C4 F4 C4 A3')], '2:1 1:1|1:2 2:1 3:2|3:3'],
  ['fifths and fourths over open strings', [line('E4 A3 D4 G3')], '1:0 3:1|3:2 2:2|2:3|2:4 3:0'],
  ['F sharp minor in turn', [line('F#3 C#4 F#3 A3')], '4:3|4:4 2:1|2:2 4:3|4:4 3:1|3:2'],
  ['B minor in turn', [line('B2 F#3 B2 D3')], '5:1 4:3|4:4 5:1 4:0', '5:2 4:4 5:2 4:0'],
];

const ON_ONE_STRING: readonly Fingered[] = [
  ['E F sharp G sharp on ①', [line('E4 F#4 G#4 F#4 E4', 4)], '1:0 1:* 1:* 1:* 1:0', '2:* 2:* 2:* 2:* 2:*'],
  ['C D E on ②', [line('C4 D4 E4 D4 C4', 4)], '2:1 2:2|2:3 2:4 2:2|2:3 2:1', '3:* 3:* 3:* 3:* 3:*'],
  ['G A B on ③', [line('G3 A3 B3 A3 G3', 4)], '3:0 3:1|3:2 3:3|3:4 3:1|3:2 3:0'],
  ['A B C on ① over A2', ['A4/4 B4/4 C5/4 B4/4', 'A2/1'], '1:* 1:* 1:* 1:* 5:0'],
];

const BELLS: readonly Fingered[] = [
  ['bells fall from C', [line('C4 B3 A3 G3')], '3:* 2:0 4:* 3:0'],
  ['bells fall in the bass', [line('E3 D3 C3 B2')], '5:* 4:0 5:*|6:* 5:*|6:*'],
  ['bells turn on the open E', [line('E4 F4 E4 D4')], '1:0 2:* 1:0 2:*|3:*'],
  ['bells fall from the open G', [line('G3 F3 E3 D3')], '3:0 4:*|5:* 4:*|5:* 4:0'],
];

const EARLY: readonly Fingered[] = [
  ['A minor broken from C', ['C4/8 A3/8 E3/8 A3/8', 'A2/2'], '2:1 3:3 4:2 3:3 5:0'],
  ['E major broken from B', ['B3/8 G#3/8 E3/8 G#3/8', 'E2/2'], '2:0 3:1 4:2|4:3 3:1 6:0'],
  ['G7 broken from F', ['F4/8 B3/8 G3/8 B3/8', 'G2/2'], '1:1 2:0 3:0 2:0 6:2|6:3'],
  ['C major broken in wide steps', ['E4/8 C4/8 E3/8 C4/8', 'C3/2'], '1:0 2:1 4:2 2:1 5:3'],
  ['a slur falls over E3', ['C4/8( B3/8) G3/4', 'E3/2'], '2:1 2:0 3:0 4:2'],
];

const SHIFTS: readonly Fingered[] = [
  [
    'G major rises past the open E',
    [line('G3 A3 B3 C4 D4 E4 F#4 G4 A4 B4')],
    '3:0 3:2 2:0|3:4 2:1 2:3 1:0 * * * *',
  ],
  ['E minor falls past the open E', [line('B4 A4 G4 F#4 E4 D4 C4 B3')], '1:* 1:* * 1:* 1:0 2:3|2:4 2:1 2:0'],
  [
    'a phrase up to B and home',
    ['E4/4 B4/4 A4/4 G4/4 | F#4/4 E4/4 D#4/4 E4/4'],
    '1:0 1:* 1:* 1:* 1:1|1:2|1:3 1:0 2:4 1:0',
  ],
  [
    'C major, then high after a rest',
    ['C4/4 E4/4 G4/4 -/4 | C5/4 B4/4 A4/4 G4/4'],
    '2:1 1:0 1:3|1:4 1:3|1:4 1:2|1:3 1:1 *',
  ],
  [
    'A major, an octave and a half',
    [line('A2 B2 C#3 D3 E3 F#3 G#3 A3 B3 C#4 D4 E4')],
    '5:0 5:1|5:2 5:3|5:4 4:0 4:1|4:2 4:3|4:4 3:1 3:2 2:0|3:4 2:2 2:3 1:0',
  ],
  ['E major, broken to B4', [line('E2 B2 E3 G#3 B3 E4 G#4 B4')], '6:0 5:2 4:2|4:3 3:1 2:0 1:0 1:* 1:*'],
];

const ORNAMENTS: readonly Fingered[] = [
  ['slurs on ① from the open string', ['E4/8( F4/8) G4/8( F4/8) E4/4'], '1:0 1:1 1:3|1:4 1:1 1:0'],
  ['slurs around A', ['A3/8( Bb3/8) A3/8( G#3/8) A3/4'], '3:2 3:3 3:2 3:1 3:2'],
  ['a slur from D to E', ['D4/8( E4/8) D4/4'], '2:1 2:3|2:4 2:1', '2:2 2:4 2:2', '3:* 3:* 3:*'],
  [
    'a trill from C sharp',
    [line('C#4 D4 C#4 D4 C#4 D4', 16)],
    '2:1 2:2 2:1 2:2 2:1 2:2',
    '2:2 2:3 2:2 2:3 2:2 2:3',
  ],
  [
    'a trill from A to B',
    [line('A3 B3 A3 B3 A3 B3', 16)],
    '3:1 3:3 3:1 3:3 3:1 3:3',
    '3:2 3:4 3:2 3:4 3:2 3:4',
    '3:1 3:4 3:1 3:4 3:1 3:4',
    '3:1|3:2 2:0 3:1|3:2 2:0 3:1|3:2 2:0',
  ],
  [
    'slurs over G2',
    ['B3/8( C4/8) D4/8( C4/8) B3/4', 'G2/2.'],
    '2:0 2:1 2:4 2:1 2:0 6:3',
    '2:0 2:1 2:3|2:4 2:1 2:0 6:2',
  ],
];

export const LINES: readonly Passage[] = [
  ...under('guide fingers', GUIDES),
  ...under('no hopping', PAIRS),
  ...under('voice on one string', ON_ONE_STRING, 'legato'),
  ...under('campanella', BELLS, 'campanella'),
  ...under('early placement', EARLY),
  ...under('shifts', SHIFTS),
  ...under('weak fingers', ORNAMENTS),
];
