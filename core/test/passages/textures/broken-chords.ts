import { broken, EIGHT, SIX, type TexturedPassage } from './texture.ts';

/** Broken chords that ring: one shape a bar, set once. */
export const BROKEN_CHORDS: readonly TexturedPassage[] = [
  {
    name: 'A minor, D minor and E over the open A',
    texture: 'broken chords',
    meter: '3/4',
    tempo: 90,
    played: [
      broken(
        SIX,
        '8',
        '5.0 3.5:1 2.5:1 1.5:1',
        '5.0 3.7:3|4 2.6:2 1.5:1',
        '5.0 3.4:1 2.5:2 1.4:1',
        '5.0 3.5:1 2.5:1 1.5:1',
      ),
    ],
  },
  {
    name: 'E minor and B over the open E',
    texture: 'broken chords',
    meter: '3/4',
    tempo: 90,
    played: [
      broken(
        SIX,
        '8',
        '6.0 3.9:3 2.8:2 1.7:1',
        '6.0 3.8:2 2.7:1 1.7:1',
        '6.0 3.5:1 2.5:1 1.5:1',
        '6.0 3.9:3 2.8:2 1.7:1',
      ),
    ],
  },
  {
    name: 'D and E7 under barres at V and VII',
    texture: 'broken chords',
    meter: '4/4',
    tempo: 80,
    played: [
      broken(
        EIGHT,
        '8',
        '5.5:1 3.7:2|3 2.7:3|4 1.5:1',
        '5.5:1 3.7:3|4 2.6:2 1.5:1',
        '5.7:1 3.7:1 2.9:3|4 1.7:1',
        '5.5:1 3.7:2|3 2.7:3|4 1.5:1',
      ),
    ],
    movements: {
      barres: [
        [5, 1, 2],
        [7, 3, 3],
        [5, 4, 4],
      ],
      shifts: [
        [3, 7],
        [4, 5],
      ],
    },
  },
  {
    name: 'C and B fall under barres',
    texture: 'broken chords',
    meter: '3/4',
    tempo: 80,
    played: [
      broken(
        SIX,
        '8',
        '6.8:1 3.9:2 2.8:1 1.8:1',
        '6.7:1 3.8:2 2.7:1 1.7:1',
        '6.7:1 3.7:1 2.7:1 1.7:1',
        '6.8:1 3.9:2 2.8:1 1.8:1',
      ),
    ],
    movements: {
      barres: [
        [8, 1, 1],
        [7, 2, 3],
        [8, 4, 4],
      ],
      shifts: [
        [2, 7],
        [4, 8],
      ],
    },
  },
  {
    name: 'diminished chords climb by minor thirds',
    texture: 'broken chords',
    meter: '3/4',
    tempo: 80,
    played: [
      broken(
        SIX,
        '8',
        '4.2:1 3.3:3 2.2:2 1.3:4',
        '4.5:1 3.6:3 2.5:2 1.6:4',
        '4.8:1 3.9:3 2.8:2 1.9:4',
        '4.5:1 3.6:3 2.5:2 1.6:4',
      ),
    ],
    movements: {
      shifts: [
        [2, 5],
        [3, 8],
        [4, 5],
      ],
    },
  },
  {
    name: 'D minor and G minor over the open D',
    texture: 'broken chords',
    meter: '3/4',
    tempo: 90,
    played: [
      broken(
        SIX,
        '8',
        '4.0 3.7:3|4 2.6:2 1.5:1',
        '4.0 3.7:2|3 2.8:3|4 1.6:1|2',
        '4.0 3.6:2 2.5:1 1.5:1',
        '4.0 3.7:3|4 2.6:2 1.5:1',
      ),
    ],
  },
  {
    name: 'A major climbs over its open bass',
    texture: 'broken chords',
    meter: '4/4',
    tempo: 90,
    played: [
      broken(
        EIGHT,
        '8',
        '5.0 3.6:2 2.5:1 1.5:1',
        '5.0 3.11:2 2.10:1 1.10:1',
        '5.0 3.9:2|3 2.9:3|4 1.7:1',
        '5.0 3.6:2 2.5:1 1.5:1',
      ),
    ],
    movements: {
      shifts: [
        [2, 10],
        [3, 7],
        [4, 5],
      ],
    },
  },
  {
    name: 'B minor and F sharp in position II',
    texture: 'broken chords',
    meter: '4/4',
    tempo: 90,
    played: [
      broken(EIGHT, '8', '5.2:1 4.4:3 3.4:4 2.3:2', '6.2:1 4.4:3|4 3.3:2 2.2:1', '5.2:1 4.4:3 3.4:4 2.3:2'),
    ],
  },
  {
    name: 'G minor and C minor in position III',
    texture: 'broken chords',
    meter: '4/4',
    tempo: 90,
    played: [
      broken(
        EIGHT,
        '8',
        '6.3:1 4.5:3|4 3.3:1 2.3:1',
        '5.3:1 4.5:3 3.5:4 2.4:2',
        '5.3:1 4.5:3 3.5:4 2.4:2',
        '6.3:1 4.5:3|4 3.3:1 2.3:1',
      ),
    ],
    movements: { shifts: [] },
  },
  {
    name: 'C sharp minor at IV and IX',
    texture: 'broken chords',
    meter: '3/4',
    tempo: 80,
    played: [
      broken(
        SIX,
        '8',
        '5.4:1 3.6:3|4 2.5:2 1.4:1',
        '6.9:1 3.9:1 2.9:1 1.9:1',
        '6.9:1 3.10:2 2.9:1 1.9:1',
        '5.4:1 3.6:3|4 2.5:2 1.4:1',
      ),
    ],
    movements: {
      barres: [
        [4, 1, 1],
        [9, 2, 3],
        [4, 4, 4],
      ],
      shifts: [
        [2, 9],
        [4, 4],
      ],
    },
  },
  {
    name: 'E major in position VII, the third on top',
    texture: 'broken chords',
    meter: '4/4',
    tempo: 90,
    played: [
      broken(
        '0p 1i 2m 1i 3a 2m 1i 2m',
        '8',
        '5.7:1 3.9:2|3 2.9:3|4 1.7:1',
        '5.7:1 3.9:3 2.10:4 1.9:2|3',
        '5.7:1 3.9:2|3 2.9:3|4 1.7:1',
      ),
    ],
    also: [
      [
        broken(
          '0p 1i 2m 1i 3a 2m 1i 2m',
          '8',
          '5.7:1 3.9:2|3 2.9:3|4 1.7:1',
          '5.7:1 3.9:2 2.10:4 1.9:3',
          '5.7:1 3.9:2|3 2.9:3|4 1.7:1',
        ),
      ],
    ],
  },
  {
    name: 'triads of A, E and D on the treble strings',
    texture: 'broken chords',
    meter: '4/4',
    tempo: 90,
    played: [
      broken(
        '0p 1i 2m 3a 0p 1i 2m 3a',
        '8',
        '5.0 3.6:2 2.5:1 1.5:1',
        '6.0 3.9:2|3 2.9:3|4 1.7:1',
        '4.0 3.7:1|2|3 2.7:2|3|1 1.5:*',
        '5.0 3.6:2 2.5:1 1.5:1',
      ),
    ],
  },
  {
    name: 'F and B flat minor under low barres',
    texture: 'broken chords',
    meter: '3/4',
    tempo: 90,
    played: [
      broken(
        SIX,
        '8',
        '6.1:1 3.2:2 2.1:1 1.1:1',
        '5.1:1 3.3:3|4 2.2:2 1.1:1',
        '5.1:1 3.3:3|4 2.2:2 1.1:1',
        '6.1:1 3.2:2 2.1:1 1.1:1',
      ),
    ],
    movements: { barres: [[1, 1, 4]], shifts: [] },
  },
  {
    name: 'six to a beat over A minor and E',
    texture: 'broken chords',
    meter: '2/4',
    tempo: 60,
    played: [
      broken(
        '0p 1i 2m 3a 2m 1i 0p 1i 2m 3a 2m 1i',
        '16t',
        '5.0 3.2:3 2.1:1 1.0',
        '6.0 3.1:1 2.0 1.0',
        '5.0 3.5:1 2.5:1 1.5:1',
        '5.0 3.2:3|2 2.1:1 1.0',
      ),
    ],
  },
];
