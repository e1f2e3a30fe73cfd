import { line, type Passage } from './passage.ts';

/** Scales without open strings, in the one position that holds them all. */
const CLOSED: readonly (readonly [string, string, ...string[]])[] = [
  [
    'A flat major in position III',
    'Ab2 Bb2 C3 Db3 Eb3 F3 G3 Ab3',
    '6:2 6:4 5:1 5:2 5:4 4:1 4:3 4:4',
    '6:4 5:1 5:3 5:4 4:1 4:3 * 3:1',
  ],
  ['B flat major in position V', 'Bb3 C4 D4 Eb4 F4 G4 A4 Bb4', '3:1|3:3 * * * * * 1:* 1:*'],
  [
    'D flat major in position III',
    'Db3 Eb3 F3 Gb3 Ab3 Bb3 C4 Db4',
    '5:2 5:4 4:1 4:2 4:4 3:1 3:3 3:4',
    '5:4 4:1 4:3 4:4 3:1 3:3 2:1 2:2',
  ],
];

const CHANGES: readonly Passage[] = [
  {
    name: 'A minor to D minor to E',
    heading: 'common fingers',
    voices: ['A2+E3+A3+C4/2 D3+A3+D4+F4/2 | E2+B2+E3+G#3/2 A2+E3+A3+C4/2'],
    accept: ['5:0 4:2 3:3 2:1 4:0 3:2 2:3|2:4 1:1 6:0 5:2 4:3 3:1 5:0 4:2 3:3 2:1'],
  },
  {
    name: 'A minor to C: fingers 1 and 2 stay',
    heading: 'common fingers',
    voices: ['A2+E3+A3+C4/2 C3+E3+G3+C4/2'],
    accept: ['5:0 4:2 3:3 2:1 5:3 4:2 3:0 2:1'],
  },
  {
    name: 'C to A minor: fingers 1 and 2 stay',
    heading: 'common fingers',
    voices: ['C3+E3+G3+C4/2 A2+E3+A3+C4/2'],
    accept: ['5:3 4:2 3:0 2:1 5:0 4:2 3:3 2:1'],
  },
  {
    name: 'E major to A minor: the block moves over a string',
    heading: 'common fingers',
    voices: ['E2+B2+E3+G#3/2 A2+E3+A3+C4/2'],
    accept: ['6:0 5:2 4:3 3:1 5:0 4:2 3:3 2:1'],
  },
  {
    name: 'C to F: the first finger lies down',
    heading: 'common fingers',
    voices: ['C3+E3+G3+C4/2 F3+A3+C4+F4/2'],
    accept: ['5:3 4:2 3:0 2:1 4:3 3:2 2:1 1:1', '5:3 4:2 3:0 2:1 4:4 3:2|3:3 2:1 1:1'],
  },
  {
    name: 'D to G over the fourth finger',
    heading: 'common fingers',
    voices: ['D3+A3+D4/2 G2+D3+B3/2'],
    accept: ['4:0 3:1|3:2 2:2|2:3|2:4 6:* 4:0 2:0'],
  },
  {
    name: 'thirds rising on ① and ②',
    heading: 'guide fingers',
    voices: ['C4+E4/4 D4+F4/4 E4+G4/4 F4+A4/4'],
    accept: ['2:1 1:0 2:3 1:1 2:* 1:* 2:* 1:*', '2:1 1:0 2:4 1:2 2:2 1:1 2:2 1:1'],
  },
  {
    name: 'sixths rising on ④ and ②: the same fingers lead',
    heading: 'guide fingers',
    voices: ['F3+D4/4 G3+E4/4 A3+F4/4 B3+G4/4'],
    accept: [
      '4:2|4:3 2:3|2:4 4:2|4:3 2:3|2:4 4:2|4:3 2:1|2:2 4:2|4:3 2:1|2:2',
      '4:3 2:4 3:0 1:0 3:2|3:3 1:1|1:2 2:0|3:* 1:*',
    ],
  },
  {
    name: 'sixths falling on ④ and ②',
    heading: 'guide fingers',
    voices: ['C4+A4/4 B3+G4/4 A3+F4/4 G3+E4/4'],
    accept: ['* * * * * * 3:0 1:0'],
  },
  {
    name: 'tenths: the fingers keep their strings',
    heading: 'guide fingers',
    voices: ['E3+G4/4 F3+A4/4 E3+G4/4'],
    accept: ['4:* 1:* 4:* 1:* 4:* 1:*'],
  },
  {
    name: 'F to B flat on the same fret',
    heading: 'no hopping',
    voices: [line('F3 Bb3 F3 Bb3')],
    accept: ['4:3 3:4 4:3 3:4', '4:3 3:3 4:3 3:3', '4:2 3:3 4:2 3:3'],
  },
  {
    name: 'E to A on the same fret',
    heading: 'no hopping',
    voices: [line('E3 A3 E3 A3')],
    accept: ['4:2 3:3 4:2 3:3', '4:1 3:2 4:1 3:2', '4:1 3:1 4:1 3:1', '4:2 3:2 4:2 3:2'],
    tempo: 120,
  },
  {
    name: 'C to F on the first fret',
    heading: 'no hopping',
    voices: [line('C4 F4 C4 F4')],
    accept: ['2:1 1:1 2:1 1:1', '2:1 1:2 2:1 1:2'],
  },
  {
    name: 'D and G on the third fret',
    heading: 'no hopping',
    voices: [line('D4 G4 D4 G4')],
    accept: ['2:3 1:4 2:3 1:4', '2:3 1:3 2:3 1:3', '2:2 1:3 2:2 1:3', '2:1 1:2 2:1 1:2', '2:1 1:1 2:1 1:1'],
    tempo: 120,
  },
  {
    name: 'a scale that leaves the first position on the open string',
    heading: 'shifts',
    voices: [line('C4 D4 E4 F#4 G4 A4 B4 C5')],
    accept: [
      '2:1 2:3 1:0 1:* 1:* 1:* 1:* 1:*',
      '2:1|2:2 2:3|2:4 1:0 1:1 1:2 1:4 1:* 1:*',
      '2:1|2:2 2:3|2:4 1:0 2:* 2:* 1:* 1:* 1:*',
    ],
  },
  {
    name: 'two octaves of A minor, broken',
    heading: 'shifts',
    voices: [line('A2 C3 E3 A3 C4 E4 A4')],
    accept: ['5:0 5:3 4:2 3:2|3:3 2:1 1:0 1:*'],
  },
  {
    name: 'two octaves of C major, broken',
    heading: 'shifts',
    voices: [line('C3 E3 G3 C4 E4 G4 C5')],
    accept: ['5:3 4:2 3:0 2:1 1:0 * 1:*'],
  },
  {
    name: 'two octaves of E major, broken',
    heading: 'shifts',
    voices: [line('E2 G#2 B2 E3 G#3 B3 E4')],
    accept: ['6:0 6:3|6:4 5:1|5:2 4:2|4:1|4:3 3:1 2:0 1:0'],
  },
  {
    name: 'high notes after a rest',
    heading: 'shifts',
    voices: ['C4/8 B3/8 -/4 C5/8 B4/8 A4/8 G4/8'],
    accept: ['2:1 2:0 1:4 1:3|1:2 1:1 *', '2:1 2:0 1:4 1:3 1:1 2:4', '2:1 2:0 1:3|1:4 1:2 2:* 2:*'],
  },
];

/** Lines that should stay on one string, or that should not. */
const COLOURS: readonly Passage[] = [
  {
    name: 'a tune that fits ① keeps to it',
    heading: 'voice on one string',
    voices: [line('E4 F4 G4 F4 E4', 4)],
    accept: ['1:0 1:1 1:3|1:4 1:1 1:0'],
    school: 'legato',
  },
  {
    name: 'a tune that fits ② keeps to it',
    heading: 'voice on one string',
    voices: [line('C4 D4 Eb4 D4', 4)],
    accept: ['2:1 2:3 2:4 2:3', '2:1 2:3|2:2 2:4|2:3 2:3|2:2'],
    school: 'legato',
  },
  {
    name: 'a tune that fits ③ keeps to it',
    heading: 'voice on one string',
    voices: [line('G3 A3 Bb3 A3', 4)],
    accept: ['3:0 3:2 3:3 3:2', '3:0 3:1 3:2 3:1'],
    school: 'legato',
  },
  {
    name: 'a trill of 1 and 2',
    heading: 'weak fingers',
    voices: [line('C4 C#4 C4 C#4 C4 C#4', 16)],
    accept: ['2:1 2:2 2:1 2:2 2:1 2:2', '3:1 3:2 3:1 3:2 3:1 3:2'],
  },
  {
    name: 'a trill over a whole tone',
    heading: 'weak fingers',
    voices: [line('F4 G4 F4 G4 F4 G4', 16)],
    accept: ['1:1 1:3 1:1 1:3 1:1 1:3', '1:1 1:4 1:1 1:4 1:1 1:4', '2:1 2:3 2:1 2:3 2:1 2:3'],
  },
  {
    name: 'a slur needs two fingers',
    heading: 'weak fingers',
    voices: ['F4/8( G4/8) F4/8( G4/8)'],
    accept: ['1:1 1:3 1:1 1:3', '1:1 1:4 1:1 1:4'],
  },
  {
    name: 'a slur to the open string',
    heading: 'weak fingers',
    voices: ['F4/8( E4/8) F4/8( E4/8)'],
    accept: ['1:1 1:0 1:1 1:0'],
  },
  {
    name: 'a slur over a whole tone on ③',
    heading: 'weak fingers',
    voices: ['A3/8( G3/8) Bb3/8( A3/8)'],
    accept: ['3:2 3:0 3:3 3:2', '3:1|3:2 3:0 3:2|3:3 3:1|3:2'],
  },
  {
    name: 'bells of G and A',
    heading: 'campanella',
    voices: [line('G4 E4 F#4 B3')],
    accept: ['* 1:0 2:* 2:0|3:*', '2:* 1:0 2:* 3:*'],
    school: 'campanella',
  },
  {
    name: 'the finger of the second note is ready with the first',
    heading: 'early placement',
    voices: ['C4/16 E3/16 G3/16 E3/16', 'C3/4'],
    accept: ['2:1 4:2 3:0 4:2 5:3'],
    tempo: 100,
  },
  {
    name: 'a descending slur with both fingers down',
    heading: 'early placement',
    voices: ['G4/8( F4/8) E4/4', 'C3/2'],
    accept: ['1:4 1:1 1:0 5:3'],
  },
];

export const MOVEMENT: readonly Passage[] = [
  ...CLOSED.map(([name, notes, ...accept]): Passage => ({
    name,
    heading: 'shifts',
    voices: [line(notes)],
    accept,
  })),
  ...CHANGES,
  ...COLOURS,
];
