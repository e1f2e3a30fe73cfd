import { broken, EIGHT, SIX, TREMOLO, type TexturedPassage } from './texture.ts';

/**
 * Written in one go before the planner of that day was asked; common practice, no published source. Many of the lists had
 * forgotten first position, where the music lies openly: that was added when they had been read, and says so.
 */
export const PLAIN_PATTERNS: readonly TexturedPassage[] = [
  {
    name: 'a tune of position V over a held A and its fifth',
    texture: 'two voices',
    meter: '3/4',
    tempo: 84,
    played: [
      '1.5:1/4 1.7:3 1.8:4 | 1.7:3 1.5:1 2.8:4 | 2.6:2 2.8:4 1.5:1 | 2.6:2 2.5:1 3.7:3 | 2.5:1/2.',
      '5.0p/2. | 5.0p | 4.0p | 5.0p | 5.0p',
    ],
    movements: { shifts: [] },
  },
  {
    name: 'sixths of D on ④ and ② up to IX',
    texture: 'parallel intervals',
    meter: '3/4',
    tempo: 76,
    played: [
      '4.4:2+2.3:1/4 4.5:2+2.5:3|4 4.7:2+2.7:3|4 | 4.9:2|3+2.8:1 4.11:2|3+2.10:1 4.9:2|3+2.8:1 | ' +
        '4.7:2+2.7:3|4 4.5:2+2.5:3|4 4.4:2|3+2.3:1 | 4.5:2+2.5:3|4/2.',
    ],
    // Added when it had been read: low on the neck with open strings, then on ③ and ①.
    also: [
      [
        '4.4:2|3|4+2.3:1|2|3/4 3.0+1.0 3.2:1|2+1.2:2|3 | 3.4:2|3+1.3:1|2 3.6:2|3+1.5:1 3.4:2|3+1.3:1|2 | ' +
          '3.2:1|2+1.2:2|3 3.0+1.0 4.4:2|3|4+2.3:1|2|3 | 3.0+1.0/2.',
      ],
    ],
  },
  {
    name: 'G, D over F sharp, E minor and D with open trebles',
    texture: 'broken chords',
    meter: '4/4',
    tempo: 88,
    played: [
      broken(
        EIGHT,
        '8',
        '6.3:2|3|4 4.0 3.0 2.0',
        '6.2:1|2|4 4.0 3.2:1|2|3 2.3:3|4',
        '6.0 4.2:1|2|3 3.0 2.0',
        '4.0 3.2:1|2 2.3:3|4 1.2:2|3',
      ),
    ],
  },
  {
    name: 'F sharp minor, D and E over open basses from IX to VII',
    texture: 'broken chords',
    meter: '3/4',
    tempo: 80,
    played: [
      broken(
        SIX,
        '8',
        '5.0 3.11:3 2.10:2 1.9:1',
        '4.0 3.11:2|3 2.10:1 1.10:1|2',
        '6.0 3.9:2|3 2.9:3|4 1.7:1',
        '5.0 3.9:1|2 2.10:2|3 1.9:1',
      ),
    ],
    movements: {
      shifts: [
        [2, 10],
        [3, 7],
        [4, 9],
      ],
    },
  },
  {
    name: 'C minor and G at III under one barre, the tune above',
    texture: 'tune with broken chord',
    meter: '4/4',
    tempo: 76,
    played: [
      '5.3:1p/8 4.5:3i 3.5:4m 2.4:2a 3.5:4m 4.5:3i 2.4:2a 3.5:4m | 6.3:1p 4.5:3i 3.4:2m 1.3:1a 3.4:2m 4.5:3i 1.5:4a 3.4:2m | ' +
        '5.3:1p 4.5:3i 3.5:4m 1.3:1a 3.5:4m 4.5:3i 2.4:2a 3.5:4m',
    ],
    movements: { shifts: [], barres: [[3, 1, 3]] },
  },
  {
    name: 'full barres climb from II to V and VII',
    texture: 'barre progression',
    meter: '4/4',
    tempo: 76,
    played: [
      broken(
        EIGHT,
        '8',
        '6.2:1 4.4:3|4 3.2:1 1.2:1',
        '6.5:1 4.7:3|4 3.5:1 1.5:1',
        '6.7:1 4.9:3|4 3.7:1 1.7:1',
        '6.5:1 4.7:3|4 3.5:1 1.5:1',
      ),
    ],
    // Added when it had been read: the open A under the barre at V.
    also: [
      [
        broken(
          EIGHT,
          '8',
          '6.2:1 4.4:3|4 3.2:1 1.2:1',
          '5.0 4.7:3|4 3.5:1 1.5:1',
          '6.7:1 4.9:3|4 3.7:1 1.7:1',
          '5.0 4.7:3|4 3.5:1 1.5:1',
        ),
      ],
    ],
    movements: {
      shifts: [
        [2, 5],
        [3, 7],
        [4, 5],
      ],
      barres: [
        [2, 1, 1],
        [5, 2, 2],
        [7, 3, 3],
        [5, 4, 4],
      ],
    },
  },
  {
    name: 'tremolo over C at III and F at I',
    texture: 'tremolo',
    meter: '4/4',
    tempo: 72,
    played: [
      broken(
        TREMOLO,
        '16',
        '5.3:1 4.5:3 3.5:4 1.3:1',
        '6.1:1 4.3:3|4 3.2:2 1.1:1',
        '5.3:1 4.5:3 3.5:4 1.3:1',
      ),
    ],
    // Added when it had been read: C in first position, where it lies openly.
    also: [
      [broken(TREMOLO, '16', '5.3:3 3.0 2.1:1 1.3:4', '6.1:1 4.3:3|4 3.2:2 1.1:1', '5.3:3 3.0 2.1:1 1.3:4')],
    ],
  },
  {
    name: 'a tune of position II over open A and D',
    texture: 'high tune over open basses',
    meter: '3/4',
    tempo: 88,
    played: [
      '1.5:4/4 1.4:3 1.2:1 | 2.5:4 2.3:2 2.2:1 | 2.3:2 2.5:4 1.2:1 | 1.5:4/2.',
      '4.0p/2. | 5.0p | 4.0p | 4.0p',
    ],
    // Added when it had been read: the E is open there as well.
    also: [
      ['1.5:4/4 1.4:3 1.2:1 | 1.0 2.3:2 2.2:1 | 2.3:2 1.0 1.2:1 | 1.5:4/2.', '4.0p/2. | 5.0p | 4.0p | 4.0p'],
    ],
    movements: { shifts: [] },
  },
  {
    name: 'C, F and G seventh in full chords, low on the neck',
    texture: 'cadence',
    meter: '4/4',
    tempo: 72,
    played: [
      '5.3:3+4.2:2+3.0+2.1:1+1.0/1 | 4.3:3+3.2:2+2.1:1+1.1:1/1 | 6.3:3+4.0+3.0+2.0+1.1:1/1 | 5.3:3+4.2:2+3.0+2.1:1+1.0/1',
    ],
    movements: { shifts: [] },
  },
  {
    name: 'C minor and F minor in full chords at VIII',
    texture: 'full chords with a tune',
    meter: '4/4',
    tempo: 60,
    played: [
      '6.8:1+5.10:3+4.10:4+3.8:1+2.8:1+1.8:1/2 6.8:1+5.10:3+4.10:4+3.8:1+2.8:1+1.8:1 | ' +
        '5.8:1+4.10:3+3.10:4+2.9:2+1.8:1/2 5.8:1+4.10:3+3.10:4+2.9:2+1.8:1 | ' +
        '6.8:1+5.10:3+4.10:4+3.8:1+2.8:1+1.8:1/1',
    ],
    movements: { shifts: [], barres: [[8, 1, 3]] },
  },
  {
    name: 'inner notes in first position between A minor and its tune',
    texture: 'inner voice',
    meter: '3/4',
    tempo: 80,
    played: [
      '1.0a/2. | 1.3:3|4a | 1.0a',
      '-/8 3.2:2|3i 2.1:1m 3.2:2|3i 2.1:1m 3.2:2|3i | -/8 3.2:2|3i 2.1:1m 3.2:2|3i 2.1:1m 3.2:2|3i | -/8 3.2:2|3i 2.1:1m 3.2:2|3i 2.1:1m 3.2:2|3i',
      '5.0p/2. | 5.0p | 5.0p',
    ],
    movements: { shifts: [] },
  },
  {
    name: 'a bass walks from D to A under held thirds',
    texture: 'walking bass',
    meter: '4/4',
    tempo: 80,
    played: ['2.3:3|4+1.2:2/2 2.3:3|4+1.2:2 | 2.2:1|2|3+1.0/1', '4.0p/4 5.4:4|3p 5.2:1p 5.4:4|3p | 5.0p/1'],
  },
  {
    name: 'A, B minor, C sharp minor and D over the open A',
    texture: 'pedal bass',
    meter: '3/4',
    tempo: 84,
    played: [
      broken(
        SIX,
        '8',
        '5.0 3.6:2 2.5:1 1.5:1',
        '5.0 3.7:1 2.7:1 1.7:1',
        '5.0 3.9:1 2.9:1 1.9:1',
        '5.0 3.11:2|3 2.10:1 1.10:1|2',
      ),
    ],
    also: [
      [
        broken(
          SIX,
          '8',
          '5.0 3.6:2 2.5:1 1.5:1',
          '5.0 3.7:2|3 2.7:3|4 1.7:1|4',
          '5.0 3.9:2|3 2.9:3|4 1.9:1|4',
          '5.0 3.11:2|3 2.10:1 1.10:1|2',
        ),
      ],
    ],
    movements: {
      shifts: [
        [2, 7],
        [3, 9],
        [4, 10],
      ],
    },
  },
  {
    name: 'octaves of G on ⑥ and ④ with a turn back',
    texture: 'parallel intervals',
    meter: '4/4',
    tempo: 76,
    played: [
      '6.3:1+4.5:3|4/4 6.5:1+4.7:3|4 6.7:1+4.9:3|4 6.8:1+4.10:3|4 | 6.7:1+4.9:3|4/2 6.5:1+4.7:3|4 | 6.3:1+4.5:3|4/1',
    ],
    also: [
      [
        '6.3:2|3|4+3.0/4 5.0+3.2:1|2|3 5.2:1+3.4:3|4 5.3:1+3.5:3|4 | 5.2:1+3.4:3|4/2 5.0+3.2:1|2|3 | 6.3:2|3|4+3.0/1',
      ],
    ],
  },
];
