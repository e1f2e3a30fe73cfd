import type { TexturedPassage } from './texture.ts';

/** Cadences, full chords with a tune, and basses that walk under chords. */
export const TEXTURED_CHORDS: readonly TexturedPassage[] = [
  {
    name: 'cadence in A minor at V',
    texture: 'cadence',
    meter: '4/4',
    tempo: 70,
    played: [
      '5.0p+3.5:1i+2.5:1m+1.5:1a/2 4.0p+3.7:3|4i+2.6:2m+1.5:1a | 6.0p+3.4:1i+2.5:2m+1.4:1a 6.0p+3.4:1i+2.5:2m+1.4:1a | 5.0p+3.5:1i+2.5:1m+1.5:1a/1',
    ],
    movements: {
      shifts: [
        [2, 4],
        [3, 5],
      ],
    },
  },
  {
    name: 'cadence in C in first position',
    texture: 'cadence',
    meter: '4/4',
    tempo: 80,
    played: [
      '5.3:3p+4.2:2i+2.1:1m+1.0a/2 4.0p+3.2:2|3|1i+2.1:1m+1.1:1|2|*a | 6.3:3|2p+4.0i+2.0m+1.1:1a 6.3:3|2p+4.0i+2.0m+1.1:1a | 5.3:3p+4.2:2i+2.1:1m+1.0a/1',
    ],
  },
  {
    name: 'cadence in E at VII and IX',
    texture: 'cadence',
    meter: '4/4',
    tempo: 70,
    played: [
      '6.0p+3.9:2|3i+2.9:3|4m+1.7:1a/2 5.0p+3.9:2|3i+2.10:3|4m+1.9:1|2|3a | 6.7:1p+3.8:2i+2.7:1m+1.7:1a/1 | 6.0p+3.9:2|3i+2.9:3|4m+1.7:1a/1',
    ],
  },
  {
    name: 'cadence in G at III',
    texture: 'cadence',
    meter: '4/4',
    tempo: 70,
    played: [
      '6.3:1p+3.4:2i+2.3:1m+1.3:1a/2 5.3:1p+3.5:3i+2.5:4m+1.3:1a | 5.5:1p+3.5:1i+2.7:4|3m+1.5:1a/1 | 6.3:1p+3.4:2i+2.3:1m+1.3:1a/1',
    ],
    also: [
      [
        '6.3:1+3.4:2+2.3:1+1.3:1/2 5.3:1+3.5:3+2.5:4+1.3:1 | 5.5:1+3.5:1+2.7:3|4+1.5:1/1 | 6.3:1+3.4:2+2.3:1+1.3:1/1',
      ],
      [
        '6.3:1+3.4:2+2.3:1+1.3:1/2 5.3:1+3.5:3+2.5:4+1.3:1 | 4.0+3.5:*+2.7:*+1.5:*/1 | 6.3:1+3.4:2+2.3:1+1.3:1/1',
      ],
    ],
  },
  {
    name: 'full chords of A at V with a tune',
    texture: 'full chords with a tune',
    meter: '4/4',
    tempo: 60,
    played: ['6.5:1p+4.7:4p+3.6:2i+2.5:1m+1.5:1a/2 1.7:*/4 1.5:1/4 | 6.5:1p+4.7:4p+3.6:2i+2.5:1m+1.5:1a/1'],
    also: [
      ['6.5:1+4.7:3+3.6:2+2.5:1+1.5:1/2 1.7:*/4 1.5:1/4 | 6.5:1+4.7:3+3.6:2+2.5:1+1.5:1/1'],
      ['5.0+4.7:3|4+3.6:2+2.5:1+1.5:1/2 1.7:*/4 1.5:1/4 | 5.0+4.7:3|4+3.6:2+2.5:1+1.5:1/1'],
    ],
  },
  {
    name: 'full chords at VII and V',
    texture: 'full chords with a tune',
    meter: '4/4',
    tempo: 60,
    played: ['6.7:1p+4.9:4|3i+3.8:2m+1.7:1a/2 1.10:4|*/4 1.7:1/4 | 5.0p+4.7:4|3i+3.6:2m+1.5:1a/1'],
  },
  {
    name: 'six strings at III, three beats',
    texture: 'full chords with a tune',
    meter: '3/4',
    tempo: 60,
    played: [
      '6.3:1+5.5:3+4.5:4+3.4:2+2.3:1+1.3:1/4 1.5:*/4 1.3:1/4 | 6.3:1+5.5:3+4.5:4+3.3:1+2.3:1+1.3:1/2.',
    ],
    movements: { barres: [[3, 1, 2]], shifts: [] },
  },
  {
    name: 'a bass walks under A minor chords',
    texture: 'walking bass',
    meter: '4/4',
    tempo: 80,
    played: [
      '3.2:2|3|*i+2.1:1m+1.0a/2 3.0i+2.1:1m+1.0a/2 | 3.2:2|3|*i+2.1:1m+1.0a/1',
      '5.0p/4 5.2:*p 5.3:3|4p 4.2:2p | 5.0p/1',
    ],
  },
  {
    name: 'a bass walks down from C under thirds',
    texture: 'walking bass',
    meter: '4/4',
    tempo: 80,
    played: ['2.1:1+1.0/2 2.1:1+1.0/2 | 3.0i+2.0m/1', '5.3:3p/4 5.2:2p 5.0p 5.2:*p | 6.3:3|2p/1'],
  },
  {
    name: 'a bass walks at V under a held A',
    texture: 'walking bass',
    meter: '4/4',
    tempo: 70,
    played: ['2.5:1+1.5:1/2 2.5:1+1.5:1/2 | 2.5:1+1.5:1/1', '5.0p/4 4.7:3|4 4.7:3|4 4.7:3|4 | 5.0p/1'],
    also: [['2.5:3+1.5:4/2 2.5:3+1.5:4/2 | 2.5:3+1.5:4/1', '5.0/4 3.2:1 3.2:1 3.2:1 | 5.0/1']],
  },
  {
    name: 'open basses change under a held chord',
    texture: 'walking bass',
    meter: '3/4',
    tempo: 80,
    played: ['2.0+1.0/2. | 2.0+1.0/2. | 2.1:1+1.0/2.', '6.0p/2. | 6.3:*p/2. | 5.0p/2.'],
  },
  {
    name: 'E under A: the lower string is stopped',
    texture: 'cadence',
    meter: '3/4',
    tempo: 80,
    played: [
      '3.1:1i+2.0m+1.0a/2. | 3.2:*i+2.1:1m+1.0a/2. | 3.1:1i+2.0m+1.0a/2. | 3.2:*i+2.1:1m+1.0a/2.',
      '6.0p/2. | 5.0p/2. | 6.0p/2. | 5.0p/2.',
    ],
    movements: {
      damping: [
        [1, 6],
        [2, 5],
        [3, 6],
      ],
    },
  },
  {
    name: 'bass rests between chords',
    texture: 'cadence',
    meter: '4/4',
    tempo: 80,
    played: ['3.2:*i+2.1:1m+1.0a/1 | 3.2:*i+2.1:1m+1.0a/1', '5.0p/4 -/4 5.0p/4 -/4 | 5.0p/1'],
    movements: {
      damping: [
        [1, 5],
        [1, 5],
      ],
    },
  },
  {
    name: 'three open basses under a tune at V',
    texture: 'walking bass',
    meter: '3/4',
    tempo: 80,
    played: ['1.5:1/2. | 1.8:4/2. | 1.7:3|4/2. | 1.5:1/2.', '5.0p/2. | 4.0p/2. | 6.0p/2. | 5.0p/2.'],
    movements: {
      damping: [
        [1, 5],
        [2, 4],
        [3, 6],
      ],
      shifts: [],
    },
  },
];
