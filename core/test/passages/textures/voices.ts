import type { TexturedPassage } from './texture.ts';

/** Two real voices with notes that are held, and inner voices. */
export const VOICES: readonly TexturedPassage[] = [
  {
    name: 'E major at VII over a held E',
    texture: 'two voices',
    meter: '4/4',
    tempo: 80,
    played: ['1.7:1/4 2.9:3 2.10:4 2.9:3 | 1.7:1 1.9:3|4 1.7:1 2.9:3', '5.7:1p/1 | 5.7:1p/1'],
    also: [
      ['1.7:1/4 2.9:3|4 2.10:4 2.9:3|4 | 1.7:1 1.9:3|4 1.7:1 2.9:3|4', '5.7:1/1 | 5.7:1/1'],
      ['1.7:1/4 2.9:3|4 2.10:4 2.9:3|4 | 1.7:1 1.9:4|3 1.7:1 2.9:3|4', '6.12:*/1 | 6.12:*/1'],
    ],
    movements: { barres: [[7, 1, 2]], shifts: [] },
  },
  {
    name: 'two voices in C minor at III',
    texture: 'two voices',
    meter: '4/4',
    tempo: 80,
    played: ['1.3:1/4 2.4:2 2.3:1 3.5:3 | 2.4:2 1.3:1 1.4:2 1.3:1', '5.3:1p/1 | 5.3:1p/1'],
    also: [
      ['1.3:1/4 2.4:2 2.3:1 3.5:3|4 | 2.4:2 1.3:1 1.4:2 1.3:1', '5.3:1/1 | 5.3:1/1'],
      ['1.3:1/4 2.4:2 2.3:1 3.5:4 | 2.4:2 1.3:1 1.4:2 1.3:1', '5.3:1/1 | 5.3:1/1'],
      ['1.3:1/4 2.4:2 2.3:1 3.5:3|4 | 2.4:2 1.3:1 1.4:3 1.3:1', '5.3:1/1 | 5.3:1/1'],
    ],
    movements: { barres: [[3, 1, 2]], shifts: [] },
  },
  {
    name: 'a tune over a held G in first position',
    texture: 'two voices',
    meter: '4/4',
    tempo: 90,
    played: ['2.3:4/4 2.1:1 2.0 2.1:1 | 2.3:4 1.0 2.3:4 2.0', '6.3:3|2p/1 | 6.3:3|2p/1'],
  },
  {
    name: 'a held B over a bass that falls',
    texture: 'two voices',
    meter: '3/4',
    tempo: 80,
    played: ['1.7:1|4/2. | 1.7:1|4/2. | 1.7:1|4/2.', '6.0p/2. | 6.0p/2. | 6.0p/2.'],
  },
  {
    name: 'suspensions in position V over open basses',
    texture: 'two voices',
    meter: '4/4',
    tempo: 80,
    played: [
      '1.8:4/2 1.7:3/2 | 1.5:1/2 1.5:1/2 | 2.8:4/2 2.6:2/2 | 2.5:1/1',
      '3.5:1/1 | 3.7:3/2 3.6:2/2 | 3.7:3/1 | 3.5:1/1',
      '5.0p/1 | 5.0p/1 | 4.0p/1 | 5.0p/1',
    ],
    also: [
      [
        '1.8:4/2 1.7:3/2 | 1.5:1/2 1.5:1/2 | 2.8:4/2 2.6:2/2 | 1.0/1',
        '3.5:1/1 | 3.7:3/2 3.6:2/2 | 3.7:3/1 | 3.5:*/1',
        '5.0/1 | 5.0/1 | 4.0/1 | 5.0/1',
      ],
      [
        '1.8:4/2 1.7:3/2 | 1.5:1/2 1.5:1/2 | 2.8:4/2 2.6:2/2 | 2.5:1/1',
        '3.5:1/1 | 3.7:4/2 3.6:2/2 | 3.7:3/1 | 3.5:1/1',
        '5.0/1 | 5.0/1 | 4.0/1 | 5.0/1',
      ],
    ],
  },
  {
    name: 'a bass of D held under thirds in II',
    texture: 'two voices',
    meter: '4/4',
    tempo: 80,
    played: ['2.3:3|2+1.2:*/4 2.5:*+1.3:1|2 2.3:*+1.2:* 2.2:*+1.0 | 2.3:*+1.2:*/1', '4.0p/1 | 4.0p/1'],
  },
  {
    name: 'an upper voice falls while A stays',
    texture: 'two voices',
    meter: '4/4',
    tempo: 80,
    played: [
      '1.5:4/4 1.3:3|2 1.2:2|1 1.3:3|2 | 1.5:4 1.3:3|2 1.2:2|1/2',
      '3.2:1/1 | 3.2:1/1',
      '4.0p/1 | 4.0p/1',
    ],
  },
  {
    name: 'two voices move apart in G',
    texture: 'two voices',
    meter: '4/4',
    tempo: 80,
    played: ['2.0/4 2.1:1 2.3:4|3 1.0 | 2.3:4|3/1', '3.0p/4 4.3:*p 4.2:2|1p 5.3:3|2p | 6.3:3|2p/1'],
    also: [['2.0/4 2.1:1 2.3:4 1.0 | 2.3:4|3/1', '3.0/4 4.3:3 4.2:2 5.3:3 | 6.3:3|2/1']],
  },
  {
    name: 'inner voices move between E and its bass',
    texture: 'inner voice',
    meter: '3/4',
    tempo: 80,
    played: [
      '1.0a/2. | 1.0a/2.',
      '-/4 3.1:1i+2.0m 3.1:1i+2.0m | -/4 3.2:2|3i+2.1:1m 3.2:2|3i+2.1:1m',
      '6.0p/2. | 5.0p/2.',
    ],
  },
  {
    name: 'inner thirds at V under a held A',
    texture: 'inner voice',
    meter: '3/4',
    tempo: 80,
    played: [
      '1.5:1a/2. | 1.5:1a/2.',
      '-/4 3.6:2i+2.5:1m 3.6:2i+2.5:1m | -/4 3.7:3|4i+2.6:2m 3.7:3|4i+2.6:2m',
      '5.0p/2. | 4.0p/2.',
    ],
  },
  {
    name: 'inner arpeggio at VII under a held B',
    texture: 'inner voice',
    meter: '4/4',
    tempo: 80,
    played: [
      '1.7:1a/1 | 1.7:1a/1',
      '-/8 3.9:3i 2.8:2m 3.9:3i 2.8:2m 3.9:3i 2.8:2m 3.9:3i | -/8 3.8:2i 2.7:1m 3.8:2i 2.7:1m 3.8:2i 2.7:1m 3.8:2i',
      '6.0p/1 | 6.0p/1',
    ],
    movements: { shifts: [] },
  },
  {
    name: 'inner arpeggio with the stems down',
    texture: 'inner voice',
    meter: '4/4',
    tempo: 80,
    played: [
      '1.0a/2 1.1:1|4a/2 | 1.0a/1',
      '5.0p/8 3.2:2|3i 2.1:1m 3.2:2|3i 4.0p 3.2:2|3i 2.3:4|3m 3.2:2|3i | 5.0p 3.2:2|3i 2.1:1m 3.2:2|3i 5.0p 3.2:2|3i 2.1:1m 3.2:2|3i',
    ],
    also: [
      [
        '1.0/2 1.1:1/2 | 1.0/1',
        '5.0/8 3.2:2|3 2.1:1 3.2:2|3 4.0 3.2:2|3 2.3:3|4 3.2:2|3 | 5.0 3.2:2|3 2.1:1 3.2:2|3 5.0 3.2:2|3 2.1:1 3.2:2|3',
      ],
    ],
  },
  {
    name: 'repeated inner dyads at II',
    texture: 'inner voice',
    meter: '4/4',
    tempo: 80,
    played: [
      '1.2:1|2a/1 | 1.3:*a/1',
      '-/4 3.2:*i+2.3:*m 3.2:*i+2.3:*m 3.2:*i+2.3:*m | -/4 3.0i+2.0m 3.0i+2.0m 3.0i+2.0m',
      '4.0p/1 | 6.3:*p/1',
    ],
  },
];
