import { broken, EIGHT, SIX, TREMOLO, type TexturedPassage } from './texture.ts';

/** Written in one go before the planner of that day was asked; common practice, no published source. */
export const FURTHER_PATTERNS: readonly TexturedPassage[] = [
  {
    name: 'E minor, A minor and B over the open E',
    texture: 'broken chords',
    meter: '3/4',
    tempo: 84,
    played: [
      broken(
        SIX,
        '8',
        '6.0 3.9:3 2.8:2 1.7:1',
        '6.0 3.5:1 2.5:1 1.5:1',
        '6.0 3.4:3 2.4:4 1.2:1',
        '6.0 3.9:3 2.8:2 1.7:1',
      ),
    ],
    movements: {
      shifts: [
        [2, 5],
        [3, 2],
        [4, 7],
      ],
    },
  },
  {
    name: 'D minor, B flat and A over open basses at V',
    texture: 'broken chords',
    meter: '6/8',
    tempo: 80,
    played: [
      broken(
        SIX,
        '8',
        '4.0 3.7:3|4 2.6:2 1.5:1',
        '4.0 3.7:2|3|4 2.6:1|2 1.6:1|3',
        '5.0 3.6:2 2.5:1 1.5:1',
        '4.0 3.7:3|4 2.6:2 1.5:1',
      ),
    ],
  },
  {
    name: 'a tune over C and G held by the third finger',
    texture: 'two voices',
    meter: '3/4',
    tempo: 88,
    played: [
      '1.0/4 2.3:4 2.1:1 | 2.0 3.2:1|2 3.0 | 2.3:3|4 2.1:1 2.0 | 2.1:1/2.',
      '5.3:3p/2. | 5.3:3p | 6.3:2|3p | 5.3:3p',
    ],
    movements: { shifts: [] },
  },
  {
    name: 'thirds of A over the open A, IV to IX',
    texture: 'parallel intervals',
    meter: '3/4',
    tempo: 80,
    played: [
      '2.5:2|3+1.4:1/4 2.7:3|4+1.5:1 2.9:3|4+1.7:1 | 2.10:2|3+1.9:1/2 2.9:3|4+1.7:1/4 | ' +
        '2.7:3|4+1.5:1 2.9:3|4+1.7:1 2.7:3|4+1.5:1 | 2.5:2|3+1.4:1/2.',
      '5.0p/2. | 5.0p | 5.0p | 5.0p',
    ],
  },
  {
    name: 'octaves of B flat minor on ⑤ and ③',
    texture: 'parallel intervals',
    meter: '4/4',
    tempo: 76,
    played: [
      '5.1:1+3.3:3|4/4 5.3:1+3.5:3|4 5.4:1+3.6:3|4 5.6:1+3.8:3|4 | 5.8:1+3.10:3|4/2 5.6:1+3.8:3|4 | ' +
        '5.4:1+3.6:3|4/4 5.3:1+3.5:3|4 5.1:1+3.3:3|4/2',
    ],
  },
  {
    name: 'tenths of B on ⑤ and ②',
    texture: 'parallel intervals',
    meter: '4/4',
    tempo: 72,
    played: [
      '2.4:3|4/2 2.5:2|3 | 2.7:2|3 2.9:3|4 | 2.7:2|3 2.5:2|3 | 2.4:3|4/1',
      '5.2:1p/2 5.4:1|2p | 5.6:1|2p 5.7:1p | 5.6:1|2p 5.4:1|2p | 5.2:1p/1',
    ],
    // Added when it had been read: first position with its open E, as the other tenths of two voices allow it.
    also: [
      [
        '2.4:3|4/2 1.0 | 1.2:2|3 1.4:4 | 1.2:2|3 1.0 | 2.4:3|4/1',
        '5.2:1|2p/2 5.4:3|4p | 4.1:1p 4.2:1|2p | 4.1:1p 5.4:3|4p | 5.2:1|2p/1',
      ],
    ],
  },
  {
    name: 'G, B flat and A flat under full barres',
    texture: 'barre progression',
    meter: '4/4',
    tempo: 76,
    played: [
      broken(
        EIGHT,
        '8',
        '6.3:1 4.5:3|4 3.4:2 2.3:1',
        '6.6:1 4.8:3|4 3.7:2 2.6:1',
        '6.4:1 4.6:3|4 3.5:2 2.4:1',
        '6.3:1 4.5:3|4 3.4:2 2.3:1',
      ),
    ],
    also: [
      [
        broken(
          EIGHT,
          '8',
          '6.3:1 4.5:3|4 3.4:2 2.3:1',
          '5.1:1 3.3:2|3 2.3:3|4 1.1:1',
          '6.4:1 4.6:3|4 3.5:2 2.4:1',
          '6.3:1 4.5:3|4 3.4:2 2.3:1',
        ),
      ],
    ],
  },
  {
    name: 'triads of D, E minor, F sharp minor and G over the open D',
    texture: 'pedal bass',
    meter: '3/4',
    tempo: 84,
    played: [
      broken(
        SIX,
        '8',
        '4.0 3.2:1 2.3:3 1.2:2',
        '4.0 3.4:2 2.5:3|4 1.3:1',
        '4.0 3.6:2 2.7:3|4 1.5:1',
        '4.0 3.7:1|2 2.8:2|3 1.7:1',
        '4.0 3.6:2 2.7:3|4 1.5:1',
      ),
    ],
    movements: {
      shifts: [
        [2, 3],
        [3, 5],
        [4, 7],
        [5, 5],
      ],
    },
  },
  {
    name: 'tremolo over A minor, D minor and E in first position',
    texture: 'tremolo',
    meter: '4/4',
    tempo: 72,
    played: [
      broken(
        TREMOLO,
        '16',
        '5.0 4.2:2 3.2:3 1.0',
        '4.0 3.2:2 2.3:3|4 1.1:1',
        '6.0 4.2:2|3 3.1:1 1.0',
        '5.0 4.2:2 3.2:3 1.0',
      ),
    ],
    movements: { shifts: [] },
  },
  {
    name: 'a tune of position VII over open E and A',
    texture: 'high tune over open basses',
    meter: '3/4',
    tempo: 84,
    played: [
      '1.7:1/4 1.8:2 1.10:4 | 1.8:2 1.7:1 2.10:4 | 2.8:2 2.10:4 1.7:1 | 2.8:2/2.',
      '6.0p/2. | 6.0p | 5.0p | 6.0p',
    ],
    movements: { shifts: [] },
  },
  {
    name: 'E minor, A minor and B seventh in full chords',
    texture: 'cadence',
    meter: '4/4',
    tempo: 72,
    played: [
      '6.0+5.2:1|2+4.2:2|3+3.0+2.0+1.0/1 | 5.0+4.2:2+3.2:3+2.1:1+1.0/1 | 5.2:2+4.1:1+3.2:3+2.0+1.2:4/1 | ' +
        '6.0+5.2:1|2+4.2:2|3+3.0+2.0+1.0/1',
    ],
    movements: { shifts: [] },
  },
  {
    // That 2 and 3 may take A and E in the first bar, where 4 goes on to C, was added when it had been read.
    name: 'A minor and D minor in full chords at V',
    texture: 'full chords with a tune',
    meter: '4/4',
    tempo: 60,
    played: [
      '6.5:1+5.7:2|3+4.7:3|4+3.5:1+2.5:1+1.5:1/2 6.5:1+5.7:2|3+3.5:1+2.5:1+1.8:4 | ' +
        '5.5:1+4.7:3+3.7:4+2.6:2+1.5:1/2 5.5:1+4.7:3+3.7:4+2.6:2+1.5:1 | 6.5:1+5.7:3+4.7:4+3.5:1+2.5:1+1.5:1/1',
    ],
    movements: { shifts: [], barres: [[5, 1, 3]] },
  },
  {
    name: 'inner notes at VII between E and B',
    texture: 'inner voice',
    meter: '3/4',
    tempo: 80,
    played: [
      '1.7:1a/2. | 1.10:4a | 1.8:1|2a | 1.7:1a',
      '-/8 3.9:3i 2.8:2m 3.9:3i 2.8:2m 3.9:3i | -/8 3.9:3i 2.8:2m 3.9:3i 2.8:2m 3.9:3i | ' +
        '-/8 3.9:2|3i 2.10:3|4m 3.9:2|3i 2.10:3|4m 3.9:2|3i | -/8 3.9:3i 2.8:2m 3.9:3i 2.8:2m 3.9:3i',
      '6.0p/2. | 6.0p | 5.0p | 6.0p',
    ],
  },
  {
    name: 'a bass walks down from C to G under its chords',
    texture: 'walking bass',
    meter: '4/4',
    tempo: 80,
    played: [
      '-/4 2.1:1+1.0 - 2.1:1+1.0 | - 2.1:1+1.0 - 3.0+2.0 | 2.1:1+1.0/1',
      '5.3:3p/2 5.2:2p | 5.0p 6.3:2|3|4p | 5.3:3p/1',
    ],
    movements: { shifts: [] },
  },
  {
    name: 'E, A and B over the open E from IV to VII',
    texture: 'broken chords',
    meter: '4/4',
    tempo: 80,
    played: [
      broken(
        EIGHT,
        '8',
        '6.0 3.4:1 2.5:2|3 1.4:1|2',
        '5.0 3.6:2 2.5:1 1.5:1',
        '6.0 3.8:2 2.7:1 1.7:1',
        '6.0 3.9:2|3 2.9:3|4 1.7:1',
      ),
    ],
    movements: {
      shifts: [
        [2, 5],
        [3, 7],
      ],
    },
  },
  {
    name: 'F and B flat under one barre at I, the tune above',
    texture: 'tune with broken chord',
    meter: '4/4',
    tempo: 76,
    played: [
      '6.1:1p/8 4.3:3i 3.2:2m 1.1:1a 3.2:2m 4.3:3i 1.3:4a 3.2:2m | 5.1:1p 4.3:2i 3.3:3m 1.1:1a 3.3:3m 4.3:2i 1.3:4a 3.3:3m | ' +
        '6.1:1p 4.3:3i 3.2:2m 1.3:4a 3.2:2m 4.3:3i 1.1:1a 3.2:2m',
    ],
    movements: { shifts: [], barres: [[1, 1, 3]] },
  },
  {
    name: 'thirds of D on ③ and ② up to VII',
    texture: 'parallel intervals',
    meter: '4/4',
    tempo: 76,
    played: [
      '3.2:2+2.2:3/4 3.4:2+2.3:1 3.6:2+2.5:1 3.7:2+2.7:3 | 3.9:2+2.8:1/2 3.7:2+2.7:3 | 3.6:2+2.5:1/4 3.4:2+2.3:1 3.2:2+2.2:3/2',
    ],
    also: [
      [
        '3.2:1|2+2.2:1|3/4 3.4:2|3+2.3:1|2 2.2:1|2+1.0 2.3:2|3+1.2:1|2 | 2.5:3|4+1.3:1|2/2 2.3:2|3+1.2:1|2 | 2.2:1|2+1.0/4 3.4:2|3+2.3:1|2 3.2:1|2+2.2:1|2|3/2',
      ],
    ],
  },
  {
    name: 'D minor, G minor and A in full chords',
    texture: 'cadence',
    meter: '4/4',
    tempo: 66,
    played: [
      '4.0+3.2:2+2.3:3|4+1.1:1/1 | 6.3:1+5.5:3+4.5:4+3.3:1|2/1 | 5.0+4.2:1|2+3.2:1|2|3+2.2:1|3|4/1 | 4.0+3.2:2+2.3:3|4+1.1:1/1',
    ],
  },
  {
    name: 'B minor and E minor at VII under a tune',
    texture: 'tune with broken chord',
    meter: '4/4',
    tempo: 76,
    played: [
      '6.7:1p/8 4.9:3i 3.7:1m 1.7:1a 3.7:1m 4.9:3i 1.10:4a 3.7:1m | 6.7:1p 4.9:3i 3.7:1m 1.9:4a 3.7:1m 4.9:3i 1.7:1a 3.7:1m | ' +
        '5.7:1p 4.9:3i 3.9:4m 1.7:1a 3.9:4m 4.9:3i 1.7:1a 3.9:4m | 6.7:1p 4.9:3|4i 3.7:1m 1.7:1a 3.7:1m 4.9:3|4i 3.7:1m 1.7:1a',
    ],
    movements: { shifts: [], barres: [[7, 1, 4]] },
  },
  {
    name: 'G, D seventh and E minor with their basses in first position',
    texture: 'broken chords',
    meter: '3/4',
    tempo: 88,
    played: [
      broken(
        SIX,
        '8',
        '6.3:2|3|4 4.0 3.0 2.3:3|4',
        '4.0 3.2:2 2.1:1 1.2:3',
        '6.0 5.2:1|2 4.2:2|3 3.0',
        '6.3:2|3|4 4.0 3.0 2.0',
      ),
    ],
    movements: { shifts: [] },
  },
];
