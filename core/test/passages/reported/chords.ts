import { linesUnder, type FingeredLine, type Passage } from '../passage.ts';

const GRIPS: readonly FingeredLine[] = [
  ['E major, six notes', 'E2+B2+E3+G#3+B3+E4/2', '6:0 5:2 4:3 3:1 2:0 1:0'],
  ['E minor, six notes', 'E2+B2+E3+G3+B3+E4/2', '6:0 5:2 4:3 3:0 2:0 1:0', '6:0 5:1 4:2 3:0 2:0 1:0'],
  ['D7 over A', 'A2+D3+A3+C4+F#4/2', '5:0 4:0 3:2 2:1 1:3'],
  ['G7, six notes', 'G2+B2+D3+G3+B3+F4/2', '6:3 5:2 4:0 3:0 2:0 1:1'],
  ['C7, five notes', 'C3+E3+Bb3+C4+E4/2', '5:3 4:2 3:4 2:1 1:0'],
  ['A7, five notes', 'A2+E3+G3+C#4+E4/2', '5:0 4:2 3:0 2:3|2:4 1:0', '5:0 4:1 3:0 2:2|2:3 1:0'],
  ['B7, five notes', 'B2+D#3+A3+B3+F#4/2', '5:2 4:1 3:3 2:0 1:4'],
  ['E7, six notes', 'E2+B2+D3+G#3+B3+E4/2', '6:0 5:2 4:0 3:1 2:0 1:0'],
  ['C major over E', 'E2+C3+E3+G3+C4/2', '6:0 5:3 4:2 3:0 2:1'],
  ['G major over D', 'D3+G3+B3+G4/2', '4:0 3:0 2:0 1:3|1:4'],
  ['A major over C sharp', 'C#3+E3+A3+E4/2', '5:4 4:1 3:2 1:0', '5:4|5:3 4:1 3:1 1:0', '5:4 4:2 3:3 1:0'],
  ['E major over B', 'B2+E3+G#3+B3+E4/2', '5:2 4:3 3:1 2:0 1:0'],
  ['D minor sixth', 'D3+A3+B3+F4/2', '4:0 3:2 2:0 1:1'],
  ['A augmented', 'A2+F3+A3+C#4/2', '5:0 4:3 3:1 2:2', '5:0 4:4 3:2 2:3'],
  ['third of A and C sharp', 'A4+C#5/2', '2:2 1:1', '2:3 1:2', '2:4 1:3'],
  ['sixth of E and C', 'E3+C4/2', '4:2 2:1'],
  ['tenth of G and B', 'G2+B3/2', '6:3|6:2|6:1 2:0'],
  ['octave on D', 'D3+D4/2', '4:0 2:3|2:2|2:4'],
];

const BARRES: readonly FingeredLine[] = [
  ['F sharp major', 'F#2+C#3+F#3+Bb3+C#4+F#4/2', '6:1 5:3 4:4 3:2 2:1 1:1'],
  ['C major in position III', 'C3+G3+C4+E4+G4/2', '5:1 4:2 3:3 2:4 1:1', '5:1 4:3 3:3 2:3 1:1'],
  ['D minor in position V, five notes', 'D3+A3+D4+F4+A4/2', '5:1 4:3 3:4 2:2 1:1'],
  ['A major with A on top', 'A2+E3+A3+C#4+A4/2', '5:0 4:1 3:1 2:1 1:4'],
  ['F sharp minor seventh', 'F#2+C#3+E3+A3+C#4+F#4/2', '6:1 5:3 4:1 3:1 2:1 1:1'],
  ['G minor, four notes', 'G3+Bb3+D4+G4/2', '4:3|4:4 3:1 2:1 1:1'],
  ['B flat major under F', 'F3+Bb3+D4+F4/2', '4:2 3:3 2:4 1:1', '4:3 3:3 2:3 1:1'],
  ['C sharp minor in position IV', 'C#3+G#3+C#4+E4+G#4/2', '5:1 4:3 3:4 2:2 1:1'],
  ['A flat major', 'Ab2+Eb3+Ab3+C4+Eb4+Ab4/2', '6:1 5:3 4:4 3:2 2:1 1:1'],
];

const CHANGES: readonly FingeredLine[] = [
  ['A minor to E7', 'A2+E3+A3+C4/2 E2+B2+D3+G#3/2', '5:0 4:2 3:3 2:1 6:0 5:2 4:0 3:1'],
  ['C to D7: 1 stays', 'C3+E3+G3+C4/2 D3+A3+C4+F#4/2', '5:3 4:2 3:0 2:1 4:0 3:2 2:1 1:3'],
  ['D7 to G', 'D3+A3+C4+F#4/2 G2+D3+G3+B3/2', '4:0 3:2 2:1 1:3 6:3|6:2 4:0 3:0 2:0'],
  [
    'A7 to D',
    'A2+E3+G3+C#4/2 D3+A3+D4+F#4/2',
    '5:0 4:2 3:0 2:3 4:0 3:1 2:3 1:2',
    '5:0 4:1 3:0 2:2|2:3 4:0 3:1 2:3 1:2',
    '5:0 4:2 3:0 2:4 4:0 3:1|3:2 2:3|2:4 1:2|1:3',
  ],
  ['E minor to A minor', 'E2+B2+E3+G3/2 A2+E3+A3+C4/2', '6:0 5:2|5:1 4:3|4:2 3:0 5:0 4:2 3:3 2:1'],
  [
    'D minor to G7: the upper finger stays',
    'D3+A3+D4+F4/2 G2+D3+B3+F4/2',
    '4:0 3:2 2:3|2:4 1:1 6:2|6:3|6:4 4:0 2:0 1:1',
  ],
  ['G7 to C', 'G2+D3+B3+F4/2 C3+G3+C4+E4/2', '6:2|6:3|6:4 4:0 2:0 1:1 5:2|5:3 3:0 2:1 1:0'],
  [
    'F to C, four notes',
    'F3+A3+C4+F4/2 C3+G3+C4+E4/2',
    '4:3 3:2 2:1 1:1 5:3 3:0 2:1 1:0',
    '4:4 3:2|3:3 2:1 1:1 5:3 3:0 2:1 1:0',
  ],
  ['B7 to E: 2 stays', 'B2+D#3+A3+F#4/2 E2+B2+E3+G#3/2', '5:2 4:1 3:3 1:4 6:0 5:2 4:3 3:1'],
  ['E to B7: 2 stays', 'E2+B2+E3+G#3/2 B2+D#3+A3+F#4/2', '6:0 5:2 4:3 3:1 5:2 4:1 3:3 1:4'],
  ['A to E7', 'A2+E3+A3+C#4/2 E2+B2+D3+G#3/2', '5:0 4:* 3:* 2:* 6:0 5:2|5:3 4:0 3:1'],
  ['C major seventh to C', 'C3+E3+G3+B3/2 C3+E3+G3+C4/2', '5:3 4:2 3:0 2:0 5:3 4:2 3:0 2:1'],
  [
    'E minor to its seventh',
    'E2+B2+E3+G3+B3/2 E2+B2+E3+G3+D4/2',
    '6:0 5:2 4:3 3:0 2:0 6:0 5:2 4:3 3:0 2:4',
    '6:0 5:1 4:2 3:0 2:0 6:0 5:1 4:2 3:0 2:3|2:4',
  ],
  ['A minor opens to B', 'A2+E3+A3+C4/2 A2+E3+A3+B3/2', '5:0 4:2 3:3 2:1 5:0 4:2 3:3 2:0'],
  [
    'D, G and D',
    'D3+A3+D4+F#4/2 G2+D3+B3+G4/2 | D3+A3+D4+F#4/1',
    '4:0 3:1 2:3 1:2 6:2|6:3 4:0 2:0 1:3|1:4 4:0 3:1 2:3 1:2',
  ],
  [
    'E, F over E and E: the shape slides a fret',
    'E2+B2+E3+G#3+B3+E4/2 E2+C3+F3+A3+B3+E4/2 | E2+B2+E3+G#3+B3+E4/1',
    '6:0 5:2 4:3 3:1 2:0 1:0 6:0 5:2 4:3 3:1 2:0 1:0 6:0 5:2 4:3 3:1 2:0 1:0',
    '6:0 5:2 4:3 3:1 2:0 1:0 6:0 5:3 4:4 3:2 2:0 1:0 6:0 5:2 4:3 3:1 2:0 1:0',
  ],
];

export const CHORDS: readonly Passage[] = [
  ...linesUnder('grips', GRIPS),
  ...linesUnder('barre', BARRES),
  ...linesUnder('common fingers', CHANGES),
];
