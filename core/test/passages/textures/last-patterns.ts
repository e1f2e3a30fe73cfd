import { broken, EIGHT, SIX, TREMOLO, type TexturedPassage } from './texture.ts';

/** Written on one day before the planner of that day was asked; two thirds of them at fret 5 and above. */
export const LAST_PATTERNS: readonly TexturedPassage[] = [
  {
    name: 'A minor, D minor and E7 over open basses from position V',
    texture: 'broken chords',
    meter: '4/4',
    tempo: 84,
    played: [
      broken(
        EIGHT,
        '8',
        '5.0 3.5:1 2.5:1 1.8:4',
        '4.0 3.7:3|4 2.6:2 1.5:1',
        '6.0 3.7:1|2 2.9:3|4 1.7:1',
        '5.0 3.5:1 2.5:1 1.8:4',
      ),
    ],
  },
  {
    name: 'triads of D, E minor and G over the open fourth string',
    texture: 'pedal bass',
    meter: '3/4',
    tempo: 88,
    played: [
      broken(
        SIX,
        '8',
        '4.0 3.7:2|3 2.7:3|4 1.5:1',
        '4.0 3.9:3|4 2.8:2 1.7:1',
        '4.0 3.7:1|2 2.8:2|3 1.7:1',
        '4.0 3.7:2|3 2.7:3|4 1.5:1',
      ),
    ],
  },
  {
    name: 'sixths of A flat on ③ and ①',
    texture: 'parallel intervals',
    meter: '4/4',
    tempo: 76,
    played: [
      '3.5:2+1.4:1/4 3.6:2+1.6:3|4 3.8:2+1.8:3|4 3.10:2|3+1.9:1 | 3.10:2|3+1.9:1/2 3.8:2+1.8:3|4 | ' +
        '3.8:2+1.8:3|4/4 3.6:2+1.6:3|4 3.5:2+1.4:1 3.6:2+1.6:3|4 | 3.5:2+1.4:1/1',
    ],
  },
  {
    name: 'a tune of position IX over the open A',
    texture: 'high tune over open basses',
    meter: '3/4',
    tempo: 84,
    played: [
      '1.9:1/4 1.10:2 1.12:4 | 1.10:2 1.9:1 2.12:4 | 2.10:2 2.12:4 1.9:1 | 2.10:2/2.',
      '5.0p/2. | 5.0p | 5.0p | 5.0p',
    ],
    movements: { shifts: [] },
  },
  {
    name: 'a tune of position V over the open D',
    texture: 'high tune over open basses',
    meter: '3/4',
    tempo: 88,
    played: [
      '2.6:2/4 1.5:1 1.8:4 | 1.6:2 1.5:1 2.8:4 | 2.6:2 1.5:1 1.6:2 | 1.5:1/2.',
      '4.0p/2. | 4.0p | 4.0p | 4.0p',
    ],
    movements: { shifts: [] },
  },
  {
    name: 'B minor, G and F sharp minor under barres',
    texture: 'barre progression',
    meter: '4/4',
    tempo: 76,
    played: [
      broken(
        EIGHT,
        '8',
        '6.7:1 4.9:3|4 3.7:1 2.7:1',
        '6.3:1 4.5:3|4 3.4:2 2.3:1',
        '6.2:1 4.4:3|4 3.2:1 2.2:1',
        '6.7:1 4.9:3|4 3.7:1 2.7:1',
      ),
    ],
    // Added when it had been read: the list had forgotten the barre at II, which is the usual one.
    also: [
      [
        broken(
          EIGHT,
          '8',
          '5.2:1 3.4:3|4 2.3:2 1.2:1',
          '6.3:1 4.5:3|4 3.4:2|3 2.3:1|2',
          '6.2:1 4.4:3|4 3.2:1 2.2:1',
          '5.2:1 3.4:3|4 2.3:2 1.2:1',
        ),
      ],
    ],
  },
  {
    name: 'tremolo in A minor from position V',
    texture: 'tremolo',
    meter: '4/4',
    tempo: 72,
    played: [
      broken(
        TREMOLO,
        '16',
        '5.0 4.7:3 3.5:1 1.8:4',
        '4.0 3.7:3|4 2.6:2 1.5:1',
        '6.0 4.6:1 3.7:2|3 1.7:2|3|4',
        '5.0 4.7:3 3.5:1 1.8:4',
      ),
    ],
  },
  {
    name: 'A, D, E7 and A over open basses up to position IX',
    texture: 'broken chords',
    meter: '4/4',
    tempo: 84,
    played: [
      broken(
        EIGHT,
        '8',
        '5.0 3.6:2 2.5:1 1.5:1',
        '4.0 3.7:2|3 2.7:3|4 1.5:1',
        '6.0 3.7:1|2 2.9:3|4 1.7:1',
        '5.0 3.9:1|2 2.10:2|3 1.9:1',
      ),
    ],
    movements: {
      shifts: [
        [3, 7],
        [4, 9],
      ],
    },
  },
  {
    name: 'D, D7, G and D over the open fourth string',
    texture: 'broken chords',
    meter: '3/4',
    tempo: 88,
    played: [
      broken(
        SIX,
        '8',
        '4.0 3.7:2|3 2.7:3|4 1.5:1',
        '4.0 3.5:1 2.7:3|4 1.5:1',
        '4.0 3.7:1|2 2.8:2|3 1.7:1',
        '4.0 3.7:2|3 2.7:3|4 1.5:1',
      ),
    ],
    movements: {
      shifts: [
        [3, 7],
        [4, 5],
      ],
    },
  },
  {
    name: 'tenths of A flat on ④ and ①',
    texture: 'parallel intervals',
    meter: '4/4',
    tempo: 72,
    played: [
      '1.8:3|4/2 1.9:2|3 | 1.11:2|3 1.9:2|3 | 1.8:3|4/1',
      '4.6:1p/2 4.8:1|2p | 4.10:1|2p 4.8:1|2p | 4.6:1p/1',
    ],
  },
  {
    name: 'F, G and F, six notes under barres',
    texture: 'full chords with a tune',
    meter: '4/4',
    tempo: 60,
    played: [
      '6.1:1+5.3:3+4.3:4+3.2:2+2.1:1+1.1:1/2 6.1:1+5.3:3+4.3:4+3.2:2+2.1:1+1.1:1 | ' +
        '6.3:1+5.5:3+4.5:4+3.4:2+2.3:1+1.3:1 6.3:1+5.5:3+4.5:4+3.4:2+2.3:1+1.3:1 | ' +
        '6.1:1+5.3:3+4.3:4+3.2:2+2.1:1+1.1:1/1',
    ],
    movements: {
      shifts: [
        [2, 3],
        [3, 1],
      ],
      barres: [
        [1, 1, 1],
        [3, 2, 2],
        [1, 3, 3],
      ],
    },
  },
  {
    name: 'C minor, F minor and B flat under barres',
    texture: 'barre progression',
    meter: '4/4',
    tempo: 76,
    played: [
      broken(
        EIGHT,
        '8',
        '5.3:1 4.5:3 3.5:4 2.4:2',
        '6.1:1 4.3:3|4 3.1:1 2.1:1',
        '5.1:1 4.3:2|3 3.3:3 2.3:3|4',
        '5.3:1 4.5:3 3.5:4 2.4:2',
      ),
    ],
    movements: {
      shifts: [
        [2, 1],
        [4, 3],
      ],
    },
  },
  {
    name: 'a tune over F sharp held under a barre',
    texture: 'two voices',
    meter: '4/4',
    tempo: 80,
    played: [
      '2.2:1/4 1.2:1 1.4:3 1.5:4 | 1.4:3 1.2:1 2.2:1 1.2:1 | 1.5:4 1.4:3 1.2:1 2.2:1 | 1.2:1/1',
      '6.2:1p/1 | 6.2:1p | 6.2:1p | 6.2:1p',
    ],
    movements: { shifts: [], barres: [[2, 1, 4]] },
  },
  {
    name: 'a tune over E flat held under a barre at VI',
    texture: 'two voices',
    meter: '4/4',
    tempo: 80,
    played: [
      '2.8:3/4 1.6:1 1.8:3|4 1.6:1 | 1.8:3|4 1.6:1 2.8:3 1.6:1 | 2.8:3/1',
      '5.6:1p/1 | 5.6:1p | 5.6:1p',
    ],
    movements: { shifts: [], barres: [[6, 1, 3]] },
  },
  {
    name: 'G, C and D7 broken in first position',
    texture: 'broken chords',
    meter: '4/4',
    tempo: 88,
    played: [
      broken(
        EIGHT,
        '8',
        '6.3:2|3|4 4.0 3.0 2.0',
        '5.3:3 4.2:2 3.0 2.1:1',
        '4.0 3.2:2 2.1:1 1.2:3',
        '6.3:2|3|4 4.0 3.0 2.0',
      ),
    ],
    movements: { shifts: [] },
  },
  {
    name: 'E minor, A minor and B7 broken in first position',
    texture: 'broken chords',
    meter: '4/4',
    tempo: 88,
    played: [
      broken(
        EIGHT,
        '8',
        '6.0 4.2:2|3 3.0 2.0',
        '5.0 4.2:2 3.2:3 2.1:1',
        '5.2:2 4.1:1 3.2:3 2.0',
        '6.0 4.2:2|3 3.0 2.0',
      ),
    ],
    movements: { shifts: [] },
  },
];
