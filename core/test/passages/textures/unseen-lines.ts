import type { TexturedPassage } from './texture.ts';

/** Voices, parallels and tunes of four bars and more: written before the planner of that day was asked. */
export const UNSEEN_LINES: readonly TexturedPassage[] = [
  {
    name: 'a tune over held C and G in first position',
    texture: 'two voices',
    meter: '4/4',
    tempo: 92,
    played: [
      '2.1:1/4 2.3:4 1.0 2.3:4 | 2.0 2.3:4 1.1:1 2.3:4 | 1.0 1.1:1 1.3:4 1.0 | 2.1:1/1',
      '5.3:3p/1 | 6.3:3p | 5.3:3p | 5.3:3p',
    ],
  },
  {
    name: 'F over held bass in first position, 2 on the fourth string',
    texture: 'two voices',
    meter: '3/4',
    tempo: 88,
    played: [
      '2.1:1/4 1.1:1 2.1:1 | 1.0 2.1:1 1.0 | 2.0 2.3:4 2.0 | 2.1:1/2.',
      '4.3:3p/2. | 5.3:3p | 6.3:3p | 5.3:3p',
    ],
  },
  {
    name: 'voices in D minor over a barre at V',
    texture: 'two voices',
    meter: '4/4',
    tempo: 80,
    played: [
      '2.6:2/4 1.5:1 1.8:4 1.5:1 | 1.7:3 1.5:1 1.7:3 1.8:4 | 2.6:2 1.5:1 1.8:4 1.5:1 | 2.6:2/1',
      '5.5:1p/1 | 5.0p | 5.5:1p | 5.5:1p',
    ],
    also: [
      [
        '2.6:2/4 1.5:1 1.8:4 1.5:1 | 1.7:3 1.5:1 1.7:3 1.8:4 | 2.6:2 1.5:1 1.8:4 1.5:1 | 2.6:2/1',
        '4.0p/1 | 5.0p | 4.0p | 4.0p',
      ],
    ],
    movements: { shifts: [] },
  },
  {
    name: 'thirds on ② and ① from III to VIII and back',
    texture: 'parallel intervals',
    meter: '4/4',
    tempo: 80,
    played: [
      '2.5:3+1.3:1/4 2.6:2+1.5:1 2.8:2+1.7:1 2.10:3+1.8:1 | 2.10:3+1.8:1/2 2.8:2+1.7:1 | ' +
        '2.8:2+1.7:1/4 2.6:2+1.5:1 2.5:3+1.3:1 2.6:2|3+1.5:1 | 2.5:3+1.3:1/1',
    ],
  },
  {
    name: 'sixths on ③ and ① from III to VIII and back',
    texture: 'parallel intervals',
    meter: '4/4',
    tempo: 80,
    played: [
      '3.4:2+1.3:1/4 3.5:2+1.5:3 3.7:2+1.7:3 3.9:2+1.8:1 | 3.9:2+1.8:1/2 3.7:2+1.7:3 | ' +
        '3.7:2+1.7:3/4 3.5:2+1.5:3 3.4:2+1.3:1 3.5:2|3+1.5:3|4 | 3.4:2+1.3:1/1',
    ],
  },
  {
    name: 'tenths on ⑤ and ② from III to VIII',
    texture: 'parallel intervals',
    meter: '4/4',
    tempo: 76,
    played: [
      '2.5:3|4/2 2.6:2 | 2.8:2 2.10:3|4 | 2.8:2 2.6:2 | 2.5:3|4/1',
      '5.3:1p/2 5.5:1p | 5.7:1p 5.8:1p | 5.7:1p 5.5:1p | 5.3:1p/1',
    ],
    also: [
      [
        '2.5:3|4/2 2.6:3 | 2.8:3 2.10:4 | 2.8:3 2.6:3 | 2.5:3|4/1',
        '5.3:1p/2 5.5:2p | 5.7:2p 5.8:2p | 5.7:2p 5.5:2p | 5.3:1p/1',
      ],
      [
        '1.0/2 1.1:1 | 1.3:4|3 1.5:4 | 1.3:4|3 1.1:1 | 1.0/1',
        '5.3:3p/2 4.0p | 4.2:2|1p 4.3:2|1p | 4.2:2|1p 4.0p | 5.3:3p/1',
      ],
    ],
  },
  {
    name: 'octaves on ⑤ and ③ climb by step',
    texture: 'parallel intervals',
    meter: '4/4',
    tempo: 80,
    played: [
      '3.5:3|4/2 3.7:3|4 | 3.9:3|4 3.10:3|4 | 3.9:3|4 3.7:3|4 | 3.5:3|4/1',
      '5.3:1p/2 5.5:1p | 5.7:1p 5.8:1p | 5.7:1p 5.5:1p | 5.3:1p/1',
    ],
    also: [
      [
        '2.1:1/2 2.3:3|4 | 1.0 1.1:1 | 1.0 2.3:3|4 | 2.1:1/1',
        '5.3:3p/2 4.0p | 4.2:2p 4.3:3p | 4.2:2p 4.0p | 5.3:3p/1',
      ],
      [
        '2.1:1/2 2.3:3|4 | 2.5:4 2.6:4 | 2.5:4 2.3:3|4 | 2.1:1/1',
        '5.3:3p/2 4.0p | 4.2:1p 4.3:1p | 4.2:1p 4.0p | 5.3:3p/1',
      ],
    ],
  },
  {
    name: 'a tune of position V over open A and D',
    texture: 'high tune over open basses',
    meter: '3/4',
    tempo: 88,
    played: [
      '1.5:1/4 1.7:3 1.8:4 | 2.6:2 1.5:1 1.8:4 | 1.7:3 1.5:1 2.8:4 | 1.5:1/2.',
      '5.0p/2. | 4.0p | 5.0p | 5.0p',
    ],
    movements: { shifts: [] },
  },
  {
    name: 'a tune of position VII over the open E',
    texture: 'high tune over open basses',
    meter: '3/4',
    tempo: 84,
    played: [
      '1.7:1/4 1.8:2 1.10:4 | 1.8:2 1.7:1 2.10:4 | 2.8:2 2.10:4 1.7:1 | 1.7:1/2.',
      '6.0p/2. | 6.0p | 6.0p | 6.0p',
    ],
    movements: { shifts: [] },
  },
  {
    name: 'four chords close in A minor',
    texture: 'cadence',
    meter: '4/4',
    tempo: 72,
    played: [
      '3.2:2|3+2.1:1+1.0/1 | 3.2:2+2.3:3|4+1.1:1 | 3.1:1+2.0+1.0 | 3.2:2|3+2.1:1+1.0',
      '5.0p/1 | 4.0p | 6.0p | 5.0p',
    ],
  },
  {
    name: 'C, F, G seventh and C in full chords',
    texture: 'cadence',
    meter: '4/4',
    tempo: 72,
    played: [
      '4.2:2+2.1:1+1.0/1 | 3.2:2+2.1:1+1.1:1 | 3.0+2.0+1.1:1 | 4.2:2+2.1:1+1.0',
      '5.3:3p/1 | 4.3:3p | 6.3:3|4p | 5.3:3p',
    ],
  },
  {
    name: 'a bass walks under C in first position',
    texture: 'walking bass',
    meter: '4/4',
    tempo: 92,
    played: [
      '1.0/1 | 1.1:1 | 1.0 | 1.0',
      '5.3:3p/4 5.2:2p 5.0p 5.2:2p | 4.0p 5.3:3p 5.2:2p 5.0p | 5.3:3p 6.3:3|4p 5.0p 5.2:2p | 5.3:3p/1',
    ],
  },
];
