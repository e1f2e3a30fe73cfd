import { broken, type TexturedPassage } from './texture.ts';

/** Barres that travel, and barres that are held under a tune. */
export const BARRES: readonly TexturedPassage[] = [
  {
    name: 'chords at V, VII, IX and V',
    texture: 'barre progression',
    meter: '4/4',
    tempo: 70,
    played: [
      '6.5:1p+3.6:2i+2.5:1m+1.5:1a/2 6.5:1p+3.6:2i+2.5:1m+1.5:1a | 6.7:1p+3.8:2i+2.7:1m+1.7:1a 6.7:1p+3.8:2i+2.7:1m+1.7:1a | 6.9:1p+3.10:2i+2.9:1m+1.9:1a 6.9:1p+3.10:2i+2.9:1m+1.9:1a | 6.7:1p+3.8:2i+2.7:1m+1.7:1a 6.7:1p+3.8:2i+2.7:1m+1.7:1a',
    ],
    also: [
      [
        '5.0+3.6:2+2.5:1+1.5:1/2 5.0+3.6:2+2.5:1+1.5:1 | 6.7:1+3.8:2+2.7:1+1.7:1 6.7:1+3.8:2+2.7:1+1.7:1 | 6.9:1+3.10:2+2.9:1+1.9:1 6.9:1+3.10:2+2.9:1+1.9:1 | 6.7:1+3.8:2+2.7:1+1.7:1 6.7:1+3.8:2+2.7:1+1.7:1',
      ],
    ],
    movements: {
      shifts: [
        [2, 7],
        [3, 9],
        [4, 7],
      ],
    },
  },
  {
    name: 'C sharp minor, A and B under barres with a tune',
    texture: 'barre progression',
    meter: '3/4',
    tempo: 70,
    played: [
      '1.9:1a/4 1.11:3a 1.12:4a | 1.7:1a 1.9:3a 1.11:4a | 1.9:1a/2.',
      '6.9:1p/4 3.9:1i+2.9:1m 3.9:1i+2.9:1m | 6.7:1p 3.8:2i+2.7:1m 3.8:2i+2.7:1m | 6.9:1p/2.',
    ],
    movements: {
      shifts: [
        [2, 7],
        [3, 9],
      ],
    },
  },
  {
    name: 'from V to VII with the bass open',
    texture: 'barre progression',
    meter: '4/4',
    tempo: 80,
    played: [
      '1.5:1a/2 1.8:4a | 1.7:1a 1.10:4a | 1.5:1a/1',
      '5.0p/4 3.5:1i+2.5:1m 3.5:1i+2.5:1m 3.5:1i+2.5:1m | 6.0p 3.7:1i+2.7:1m 3.7:1i+2.7:1m 3.7:1i+2.7:1m | 5.0p 3.5:1i+2.5:1m 3.5:1i+2.5:1m 3.5:1i+2.5:1m',
    ],
    movements: {
      barres: [
        [5, 1, 1],
        [7, 2, 2],
        [5, 3, 3],
      ],
      shifts: [
        [2, 7],
        [3, 5],
      ],
    },
  },
  {
    name: 'F sharp minor and B minor at II',
    texture: 'barre progression',
    meter: '3/4',
    tempo: 80,
    played: [
      broken(
        '0p 1i+2m+3a 1i+2m+3a',
        '4',
        '6.2:1 3.2:1 2.2:1 1.2:1',
        '5.2:1 3.4:3|4 2.3:2 1.2:1',
        '6.2:1 3.3:2 2.2:1 1.2:1',
        '5.2:1 3.4:3|4 2.3:2 1.2:1',
      ),
    ],
    movements: { barres: [[2, 1, 4]], shifts: [] },
  },
  {
    name: 'A major at V held under a tune',
    texture: 'barre progression',
    meter: '4/4',
    tempo: 80,
    played: ['1.5:1/4 1.7:3 1.5:1 1.7:3 | 1.9:4 1.7:3 1.5:1/2', '6.5:1p/2 3.6:2/2 | 6.5:1p/2 3.6:2/2'],
    also: [
      ['1.5:1/4 1.7:3|4 1.5:1 1.7:3|4 | 1.9:4 1.7:3|4 1.5:1/2', '5.0/2 3.6:2/2 | 5.0/2 3.6:2/2'],
      ['1.5:1/4 1.7:4 1.5:1 1.7:4 | 1.9:4 1.7:4|3 1.5:1/2', '6.5:1/2 3.6:2/2 | 6.5:1/2 3.6:2/2'],
    ],
  },
  {
    name: 'D at V, E at VII, broken with four notes',
    texture: 'barre progression',
    meter: '2/4',
    tempo: 80,
    played: [
      broken(
        '0p 1i 2m 3a',
        '8',
        '5.5:1 3.7:2|3 2.7:3|4 1.5:1',
        '5.7:1 3.9:2|3 2.9:3|4 1.7:1',
        '5.9:1 3.11:2|3 2.11:3|4 1.9:1',
        '5.7:1 3.9:2|3 2.9:3|4 1.7:1',
        '5.5:1 3.7:2|3 2.7:3|4 1.5:1',
      ),
    ],
    movements: {
      shifts: [
        [2, 7],
        [3, 9],
        [4, 7],
        [5, 5],
      ],
      guides: [
        [3, 3, 7, 9],
        [3, 3, 9, 11],
      ],
    },
  },
  {
    name: 'B minor at VII with a lifted barre',
    texture: 'barre progression',
    meter: '3/4',
    tempo: 80,
    played: [
      broken(
        '0p 1i 2m 3a 2m 1i',
        '8',
        '6.7:1 3.7:1 2.7:1 1.7:1',
        '6.0 3.7:1 2.7:1 1.7:1',
        '6.7:1 3.7:1 2.7:1 1.7:1',
        '6.0 3.7:1 2.7:1 1.7:1',
      ),
    ],
    movements: { barres: [[7, 1, 4]], shifts: [] },
  },
  {
    name: 'G sharp minor and C sharp minor at IV',
    texture: 'barre progression',
    meter: '4/4',
    tempo: 80,
    played: [
      broken(
        '0p 1i 2m 3a 2m 1i 2m 1i',
        '8',
        '6.4:1 3.4:1 2.4:1 1.4:1',
        '5.4:1 3.6:3|4 2.5:2 1.4:1',
        '6.4:1 3.5:2 2.4:1 1.4:1',
        '5.4:1 3.6:3|4 2.5:2 1.4:1',
      ),
    ],
    movements: { barres: [[4, 1, 4]], shifts: [] },
  },
  {
    name: 'C minor at III, then G minor with the tune',
    texture: 'barre progression',
    meter: '3/4',
    tempo: 80,
    played: [
      '1.3:1a/2. | 1.6:4a | 1.3:1a | 1.3:1a',
      broken(
        '0p 1i 2m 1i 2m 1i',
        '8',
        '5.3:1 3.5:3|4 2.4:2',
        '6.3:1 3.3:1 2.3:1',
        '6.3:1 3.3:1 2.3:1',
        '5.3:1 3.5:3|4 2.4:2',
      ),
    ],
    movements: { barres: [[3, 1, 4]], shifts: [] },
  },
  {
    name: 'a half barre comes and goes at V',
    texture: 'barre progression',
    meter: '4/4',
    tempo: 80,
    played: [
      '5.0p/8 2.5:1 1.5:1 2.5:1 1.8:4 2.5:1 1.7:3|4 2.5:1 | 5.0p 2.5:1 1.5:1 2.5:1 1.7:3|4 2.5:1 1.5:1 2.5:1 | 4.0p 2.6:2 1.5:1 2.6:2 1.8:4 2.6:2 1.5:1 2.6:2 | 5.0p 2.5:1 1.5:1 2.5:1 5.0p/2',
    ],
    movements: { shifts: [] },
  },
];
