import type { Passage } from './passage.ts';

/** Chords that need a barre, lowest note first. */
const BARRES: readonly (readonly [string, string, ...string[]])[] = [
  ['F major', 'F2+C3+F3+A3+C4+F4', '6:1 5:3 4:4 3:2 2:1 1:1'],
  ['F minor', 'F2+C3+F3+G#3+C4+F4', '6:1 5:3 4:4 3:1 2:1 1:1'],
  ['F sharp minor', 'F#2+C#3+F#3+A3+C#4+F#4', '6:1 5:3 4:4 3:1 2:1 1:1'],
  ['G minor', 'G2+D3+G3+Bb3+D4+G4', '6:1 5:3 4:4 3:1 2:1 1:1'],
  ['B minor', 'B2+F#3+B3+D4+F#4', '5:1 4:3 3:4 2:2 1:1'],
  ['C minor', 'C3+G3+C4+Eb4+G4', '5:1 4:3 3:4 2:2 1:1'],
  ['C sharp minor', 'C#3+G#3+C#4+E4', '5:1 4:3 3:4 2:2', '5:4 3:1 2:2|2:3 1:0', '5:3 4:4|4:3 3:* 1:0'],
  ['B flat minor', 'Bb2+F3+Bb3+C#4+F4', '5:1 4:3 3:4 2:2 1:1'],
  ['half barre of F', 'F3+A3+C4+F4', '4:3 3:2 2:1 1:1', '4:4 3:2 2:1 1:1'],
  [
    'half barre of F sharp minor',
    'F#3+A3+C#4+F#4',
    '4:3 3:1 2:1 1:1',
    '4:4 3:1 2:1 1:1',
    '4:4 3:2 2:3 1:1',
    '4:4 3:1 2:2|2:3 1:1|1:3|1:2',
  ],
  ['G major in position III', 'G2+D3+G3+B3+D4+G4', '6:1 5:3 4:4 3:2 2:1 1:1'],
  ['A minor in position V', 'A2+E3+A3+C4+E4+A4', '6:1 5:3 4:4 3:1 2:1 1:1'],
  ['B flat major', 'Bb2+F3+Bb3+D4', '5:1 4:2 3:3 2:4', '5:1 4:3 3:3 2:3'],
  ['B major', 'B2+F#3+B3+D#4', '5:1 4:2 3:3 2:4', '5:1 4:3 3:3 2:3'],
  ['E flat major', 'Eb3+Bb3+Eb4+G4', '4:1 3:2 2:4 1:3', '4:1 3:3 2:4 1:3'],
  ['A major in position V', 'A3+C#4+E4+A4', '4:3 3:2 2:1 1:1', '4:4 3:2|3:3 2:1 1:1', '4:4 3:3 2:1 1:2'],
  ['B flat minor seventh', 'Bb2+G#3+C#4+F4', '5:1 3:1 2:2 1:1'],
];

export const BARRE: readonly Passage[] = BARRES.map(([name, chord, ...accept]) => ({
  name,
  heading: 'barre',
  voices: [`${chord}/1`],
  accept,
}));
