import { broken, EIGHT, SIX, TREMOLO, type TexturedPassage } from './texture.ts';

/** Written in one go before the planner of that day was asked; common practice, no published source. */
export const FRESH_PATTERNS: readonly TexturedPassage[] = [
  {
    name: 'B minor, F sharp seventh and E minor in II',
    texture: 'broken chords',
    meter: '3/4',
    tempo: 88,
    played: [
      broken(
        SIX,
        '8',
        '5.2:1 3.4:3|4 2.3:2 1.2:1',
        '6.2:1 4.2:1 3.3:2 2.2:1',
        '6.0 4.2:1|2|3 3.0 2.0',
        '6.2:1 4.4:3|4 3.3:2 2.2:1',
        '5.2:1 3.4:3|4 2.3:2 1.2:1',
      ),
    ],
    movements: {
      barres: [
        [2, 1, 2],
        [2, 4, 5],
      ],
    },
  },
  {
    name: 'C, G seventh over B and C in first position',
    texture: 'broken chords',
    meter: '4/4',
    tempo: 88,
    played: [
      broken(
        EIGHT,
        '8',
        '5.3:3 4.2:2 3.0 2.1:1',
        '5.2:2 4.0 3.0 1.1:1',
        '5.3:3 4.2:2 3.0 1.0',
        '6.3:2|3|4 4.0 3.0 1.1:1',
        '5.3:3 4.2:2 3.0 2.1:1',
      ),
    ],
    movements: { shifts: [] },
  },
  {
    name: 'D, A seventh and G over B in first position',
    texture: 'broken chords',
    meter: '3/4',
    tempo: 88,
    played: [
      broken(
        SIX,
        '8',
        '4.0 3.2:1 2.3:3 1.2:2',
        '5.0 4.2:1|2 3.0 2.2:2|3',
        '5.2:1|2 4.0 3.0 2.3:3|4',
        '4.0 3.2:1 2.3:3 1.2:2',
      ),
    ],
  },
  {
    name: 'a tune over D and A in position II',
    texture: 'two voices',
    meter: '3/4',
    tempo: 88,
    played: [
      '1.2:1|2/4 1.3:2|3 1.5:4 | 1.3:2|3 1.2:1|2 1.0 | 2.3:2|3|4 2.2:1|2 2.0 | 2.2:1|2 2.3:2|3|4 1.0 | 2.3:2|3|4/2.',
      '4.0p/2. | 5.0p | 4.0p | 5.0p | 4.0p',
    ],
  },
  {
    name: 'octaves on ⑥ and ④ in F minor',
    texture: 'parallel intervals',
    meter: '4/4',
    tempo: 76,
    played: [
      '6.1:1+4.3:3|4/4 6.3:1+4.5:3|4 6.4:1+4.6:3|4 6.6:1+4.8:3|4 | ' +
        '6.8:1+4.10:3|4 6.6:1+4.8:3|4 6.4:1+4.6:3|4 6.3:1+4.5:3|4 | 6.1:1+4.3:3|4/1',
    ],
  },
  {
    name: 'A, D and E over open basses between V and IV',
    texture: 'broken chords',
    meter: '6/8',
    tempo: 80,
    played: [
      broken(
        SIX,
        '8',
        '5.0 3.6:2 2.5:1 1.5:1',
        '4.0 3.7:2|3 2.7:3|4 1.5:1',
        '6.0 3.4:1 2.5:2|3 1.4:1|2',
        '5.0 3.6:2 2.5:1 1.5:1',
      ),
    ],
    movements: {
      shifts: [
        [3, 4],
        [4, 5],
      ],
    },
  },
  {
    name: 'sixths of F on ④ and ②, III to VIII',
    texture: 'parallel intervals',
    meter: '3/4',
    tempo: 76,
    played: [
      '4.3:2+2.3:3|4/4 4.5:2+2.5:3|4 4.7:2|3+2.6:1 | 4.8:2+2.8:3|4 4.7:2|3+2.6:1 4.5:2+2.5:3|4 | 4.3:2+2.3:3|4/2.',
    ],
    // Added when it had been read: first position with its open strings, as a beginner reads them.
    also: [['4.3:2|3+2.3:3|4/4 3.0+1.0 3.2:2+1.1:1 | 3.3:3+1.3:4 3.2:2+1.1:1 3.0+1.0 | 4.3:2|3+2.3:3|4/2.']],
  },
  {
    name: 'C and G in full chords at III',
    texture: 'full chords with a tune',
    meter: '4/4',
    tempo: 60,
    played: [
      '5.3:1+4.5:2+3.5:3+2.5:4+1.3:1/2 5.3:1+4.5:2+3.5:3+2.5:4+1.3:1 | ' +
        '6.3:1+5.5:3+4.5:4+3.4:2+2.3:1+1.3:1/2 6.3:1+5.5:3+4.5:4+3.4:2+2.3:1+1.3:1 | ' +
        '5.3:1+4.5:2+3.5:3+2.5:4+1.3:1/1',
    ],
    movements: { shifts: [], barres: [[3, 1, 3]] },
  },
  {
    name: 'cadence in B minor at II',
    texture: 'cadence',
    meter: '4/4',
    tempo: 72,
    played: [
      '5.2:1+4.4:3+3.4:4+2.3:2/2 5.2:1+4.4:3+3.4:4+2.3:2 | 6.0+4.2:1|2|3+3.0+2.0/1 | ' +
        '6.2:1+4.2:1+3.3:2+2.2:1/1 | 5.2:1+4.4:3+3.4:4+2.3:2/1',
    ],
  },
  {
    name: 'tremolo over E at VII, A at V and B at VII',
    texture: 'tremolo',
    meter: '4/4',
    tempo: 72,
    played: [
      broken(
        TREMOLO,
        '16',
        '5.7:1 4.9:3 3.9:4 1.7:1',
        '5.0 4.7:3|4 3.6:2 1.5:1',
        '6.7:1 4.9:3|4 3.8:2 1.7:1',
        '5.7:1 4.9:3 3.9:4 1.7:1',
      ),
    ],
    also: [
      [
        broken(
          TREMOLO,
          '16',
          '5.7:1 4.9:3 3.9:4 1.7:1',
          '5.0 3.2:1 2.2:1 1.5:4',
          '6.7:1 4.9:3|4 3.8:2 1.7:1',
          '5.7:1 4.9:3 3.9:4 1.7:1',
        ),
      ],
    ],
  },
  {
    name: 'a tune of position VII over open D and A',
    texture: 'high tune over open basses',
    meter: '3/4',
    tempo: 84,
    played: [
      '1.10:4/4 1.9:3 1.7:1 | 2.10:4 2.8:2 2.7:1 | 2.8:2 2.10:4 1.7:1 | 1.10:4/2.',
      '4.0p/2. | 4.0p | 5.0p | 4.0p',
    ],
    movements: { shifts: [] },
  },
  {
    name: 'G minor and C minor under one barre, the tune above',
    texture: 'tune with broken chord',
    meter: '4/4',
    tempo: 76,
    played: [
      '6.3:1p/8 4.5:3i 3.3:1m 1.6:4a 3.3:1m 4.5:3i 1.5:4a 3.3:1m | 6.3:1p 4.5:3i 3.3:1m 1.3:1a 3.3:1m 4.5:3i 1.5:4a 3.3:1m | ' +
        '5.3:1p 3.5:3i 2.4:2m 1.3:1a 2.4:2m 3.5:3i 1.6:4a 2.4:2m | 6.3:1p 4.5:3|4i 3.3:1m 1.3:1a 3.3:1m 4.5:3|4i 3.3:1m 1.3:1a',
    ],
    movements: { shifts: [], barres: [[3, 1, 4]] },
  },
  {
    name: 'A minor, D minor and E broken in first position',
    texture: 'broken chords',
    meter: '4/4',
    tempo: 88,
    played: [
      broken(
        EIGHT,
        '8',
        '5.0 4.2:2 3.2:3 2.1:1',
        '4.0 3.2:2|3 2.3:3|4 1.1:1',
        '6.0 4.2:2|3 3.1:1 2.0',
        '5.0 4.2:2 3.2:3 2.1:1',
      ),
    ],
    movements: { shifts: [] },
  },
  {
    name: 'C sharp minor, F sharp minor, B and E low on the neck',
    texture: 'barre progression',
    meter: '4/4',
    tempo: 76,
    played: [
      broken(
        EIGHT,
        '8',
        '5.4:1 4.6:3 3.6:4 2.5:2',
        '6.2:1 4.4:3|4 3.2:1 2.2:1',
        '5.2:1 4.4:2|3 3.4:3 2.4:3|4',
        '6.0 4.2:2|3 3.1:1 2.0',
      ),
    ],
    also: [
      [
        broken(
          EIGHT,
          '8',
          '5.4:3|4 3.1:1 2.2:2 1.0',
          '6.2:1 4.4:3|4 3.2:1 2.2:1',
          '5.2:1 4.4:2|3 3.4:3 2.4:3|4',
          '6.0 4.2:2|3 3.1:1 2.0',
        ),
      ],
    ],
  },
  {
    name: 'D, G, A and D over open basses from X and VII',
    texture: 'broken chords',
    meter: '3/4',
    tempo: 84,
    played: [
      broken(
        SIX,
        '8',
        '4.0 3.11:2|3 2.10:1 1.10:1|2',
        '4.0 3.7:1 2.8:2|3 1.7:1|2',
        '5.0 3.9:1|2 2.10:2|3 1.9:1|2',
        '4.0 3.11:2|3 2.10:1 1.10:1|2',
      ),
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
    name: 'thirds of E minor over the open E',
    texture: 'parallel intervals',
    meter: '3/4',
    tempo: 80,
    played: [
      // 3 on ② throughout was added when it had been read: the same two fingers lead.
      '2.5:3+1.3:1/4 2.7:3+1.5:1 2.8:2|3+1.7:1 | 2.10:3+1.8:1 2.8:2|3+1.7:1 2.7:3+1.5:1 | 2.5:3+1.3:1/2.',
      '6.0p/2. | 6.0p | 6.0p',
    ],
  },
  {
    name: 'inner notes at V between C and A',
    texture: 'inner voice',
    meter: '3/4',
    tempo: 80,
    played: [
      '1.8:4a/2. | 1.7:3|4a | 1.5:1a | 1.5:1a',
      '-/8 3.5:1i 2.5:1m 3.5:1i 2.5:1m 3.5:1i | -/8 3.5:1i 2.5:1m 3.5:1i 2.5:1m 3.5:1i | ' +
        '-/8 3.7:3|4i 2.6:2m 3.7:3|4i 2.6:2m 3.7:3|4i | -/8 3.5:1i 2.5:1m 3.5:1i 2.5:1m 3.5:1i',
      '5.0p/2. | 5.0p | 4.0p | 5.0p',
    ],
  },
  {
    name: 'a bass walks from G to C under open thirds',
    texture: 'walking bass',
    meter: '4/4',
    tempo: 80,
    played: ['3.0+2.0/2 3.0+2.0 | 3.0+2.1:1/1', '6.3:3p/4 5.0p 5.2:1|2p 5.0p | 5.3:3p/1'],
  },
  {
    name: 'C sharp and D held over a bass in II',
    texture: 'two voices',
    meter: '4/4',
    tempo: 76,
    played: [
      '2.2:2/1 | 2.3:2|3/1 | 2.2:1|2|3/1',
      '5.0p/4 5.2:1p 5.4:3|4p 4.0p | 4.0p 5.4:3|4p 5.2:1|2p 5.0p | 5.0p/1',
    ],
  },
  {
    name: 'full barres fall from IV to I',
    texture: 'barre progression',
    meter: '4/4',
    tempo: 76,
    played: [
      broken(
        EIGHT,
        '8',
        '6.4:1 4.6:3|4 3.5:2 2.4:1',
        '6.3:1 4.5:3|4 3.4:2 2.3:1',
        '6.2:1 4.4:3|4 3.3:2 2.2:1',
        '6.1:1 4.3:3|4 3.2:2 2.1:1',
      ),
    ],
    movements: {
      shifts: [
        [2, 3],
        [3, 2],
        [4, 1],
      ],
      barres: [
        [4, 1, 1],
        [3, 2, 2],
        [2, 3, 3],
        [1, 4, 4],
      ],
    },
  },
];
