import { broken, EIGHT, SIX, type TexturedPassage } from './texture.ts';

const UNDER_A_TUNE = '0p 1i 2m 1i 2m 1i';

/** Broken chords of four bars and more, with and without a tune: written before the planner of that day was asked. */
export const UNSEEN_PATTERNS: readonly TexturedPassage[] = [
  {
    name: 'C, A minor, D minor and G seventh, six to a bar',
    texture: 'broken chords',
    meter: '3/4',
    tempo: 90,
    played: [
      broken(
        SIX,
        '8',
        '5.3:3 3.0 2.1:1 1.0',
        '5.0 3.2:2|3 2.1:1 1.0',
        '4.0 3.2:2 2.3:3|4 1.1:1',
        '6.3:3|4 3.0 2.0 1.1:1',
        '5.3:3 3.0 2.1:1 1.0',
      ),
    ],
  },
  {
    name: 'E minor comes down over barres at VII, V, III and II',
    texture: 'barre progression',
    meter: '3/4',
    tempo: 76,
    played: [
      broken(
        SIX,
        '8',
        '5.7:1 3.9:3 2.8:2 1.7:1',
        '5.5:1 3.7:3 2.7:4 1.5:1',
        '5.3:1 3.5:3 2.5:4 1.3:1',
        '5.2:1 3.4:3 2.3:2 1.2:1',
      ),
    ],
    movements: {
      barres: [
        [7, 1, 1],
        [5, 2, 2],
        [3, 3, 3],
        [2, 4, 4],
      ],
      shifts: [
        [2, 5],
        [3, 3],
        [4, 2],
      ],
    },
  },
  {
    name: 'F sharp minor and B minor over one barre at II',
    texture: 'barre progression',
    meter: '4/4',
    tempo: 84,
    played: [
      broken(
        EIGHT,
        '8',
        '6.2:1 3.2:1 2.2:1 1.2:1',
        '5.2:1 3.4:3 2.3:2 1.2:1',
        '6.2:1 3.2:1 2.2:1 1.2:1',
        '5.2:1 3.4:3 2.3:2 1.2:1',
      ),
    ],
    movements: { barres: [[2, 1, 4]], shifts: [] },
  },
  {
    name: 'A, D and A over one barre at V',
    texture: 'barre progression',
    meter: '3/4',
    tempo: 84,
    played: [
      broken(
        SIX,
        '8',
        '6.5:1 3.6:2 2.5:1 1.5:1',
        '5.5:1 3.7:3 2.7:4 1.5:1',
        '6.5:1 3.5:1 2.5:1 1.5:1',
        '6.5:1 3.6:2 2.5:1 1.5:1',
      ),
    ],
    also: [
      [
        broken(
          SIX,
          '8',
          '5.0 3.6:2 2.5:1 1.5:1',
          '4.0 3.7:3 2.7:4 1.5:1',
          '5.0 3.5:1 2.5:1 1.5:1',
          '5.0 3.6:2 2.5:1 1.5:1',
        ),
      ],
    ],
    movements: { shifts: [] },
  },
  {
    name: 'G and C at III, D at V and back',
    texture: 'barre progression',
    meter: '3/4',
    tempo: 80,
    played: [
      broken(
        SIX,
        '8',
        '6.3:1 3.4:2 2.3:1 1.3:1',
        '5.3:1 3.5:3 2.5:4 1.3:1',
        '5.5:1 3.7:3 2.7:4 1.5:1',
        '5.3:1 3.5:3 2.5:4 1.3:1',
        '6.3:1 3.4:2 2.3:1 1.3:1',
      ),
    ],
    movements: {
      shifts: [
        [3, 5],
        [4, 3],
      ],
    },
  },
  {
    name: 'B seventh and E minor low on the neck',
    texture: 'broken chords',
    meter: '3/4',
    tempo: 92,
    played: [
      broken(
        SIX,
        '8',
        '6.0 3.0 2.0 1.0',
        '5.2:2|1 3.2:3|2 2.0 1.2:4|3',
        '6.0 3.0 2.0 1.0',
        '5.2:2|1 3.2:3|2 2.0 1.2:4|3',
        '6.0 3.0 2.0 1.0',
      ),
    ],
  },
  {
    name: 'E minor and A minor at VII and V under a tune',
    texture: 'tune with broken chord',
    meter: '3/4',
    tempo: 76,
    played: [
      '1.7:1a/2. | 1.10:4a | 1.8:4a | 1.5:1a | 1.7:1a',
      broken(
        UNDER_A_TUNE,
        '8',
        '6.0 3.9:3 2.8:2',
        '6.0 3.9:3 2.8:2',
        '5.0 3.5:1 2.5:1',
        '5.0 3.5:1 2.5:1',
        '6.0 3.9:3 2.8:2',
      ),
    ],
    movements: {
      shifts: [
        [3, 5],
        [5, 7],
      ],
    },
  },
  {
    name: 'a tune in halves over C and G in first position',
    texture: 'tune with broken chord',
    meter: '4/4',
    tempo: 84,
    played: [
      '1.0a/2 1.3:4a | 1.1:1a 1.0a | 1.3:4a 1.0a | 1.0a/1',
      broken(
        '0p 1i 2m 1i 0p 1i 2m 1i',
        '8',
        '5.3:3 3.0 2.1:1',
        '6.3:3 3.0 2.0',
        '5.3:3 3.0 2.1:1',
        '5.3:3 3.0 2.1:1',
      ),
    ],
  },
  {
    name: 'triads climb over the open D from II to VII',
    texture: 'pedal bass',
    meter: '3/4',
    tempo: 88,
    played: [
      broken(
        SIX,
        '8',
        '4.0 3.2:1 2.3:3 1.2:2',
        '4.0 3.4:2 2.3:1 1.3:1',
        '4.0 3.6:2 2.5:1 1.5:1',
        '4.0 3.7:3 2.7:4 1.5:1',
      ),
    ],
    also: [
      [
        broken(
          SIX,
          '8',
          '4.0 3.2:2 2.3:4 1.2:3',
          '4.0 3.4:2 2.3:1 1.3:1',
          '4.0 3.6:2 2.5:1 1.5:1',
          '4.0 3.7:3 2.7:4 1.5:1',
        ),
      ],
    ],
    movements: {
      shifts: [
        [2, 3],
        [3, 5],
      ],
    },
  },
  {
    name: 'E major triads over the open E from IV to IX',
    texture: 'pedal bass',
    meter: '3/4',
    tempo: 84,
    played: [
      broken(
        SIX,
        '8',
        '6.0 3.4:1 2.5:2 1.4:1',
        '6.0 3.9:3 2.9:4 1.7:1',
        '6.0 3.8:2 2.7:1 1.7:1',
        '6.0 3.4:1 2.5:2 1.4:1',
      ),
    ],
    also: [
      [
        broken(
          SIX,
          '8',
          '6.0 3.4:1 2.5:3 1.4:2',
          '6.0 3.9:3 2.9:4 1.7:1',
          '6.0 3.8:2 2.7:1 1.7:1',
          '6.0 3.4:1 2.5:2|3 1.4:1|2',
        ),
      ],
    ],
    movements: {
      shifts: [
        [2, 7],
        [4, 4],
      ],
    },
  },
  {
    name: 'D minor and A minor over a barre at V, the bass stopped',
    texture: 'broken chords',
    meter: '4/4',
    tempo: 80,
    played: [
      broken(
        EIGHT,
        '8',
        '5.5:1 3.7:3 2.6:2 1.5:1',
        '6.5:1 3.5:1 2.5:1 1.5:1',
        '5.5:1 3.7:3 2.6:2 1.5:1',
        '6.5:1 3.5:1 2.5:1 1.5:1',
      ),
    ],
    also: [
      [
        broken(
          EIGHT,
          '8',
          '4.0 3.7:3 2.6:2 1.5:1',
          '5.0 3.5:1 2.5:1 1.5:1',
          '4.0 3.7:3 2.6:2 1.5:1',
          '5.0 3.5:1 2.5:1 1.5:1',
        ),
      ],
    ],
    movements: { shifts: [] },
  },
  {
    name: 'tremolo on A and G over A minor at V',
    texture: 'tremolo',
    meter: '2/4',
    tempo: 56,
    played: [
      ['1.5:1a 1.5:1m 1.5:1i', '1.5:1a 1.5:1m 1.5:1i', '1.8:4a 1.8:4m 1.8:4i', '1.5:1a 1.5:1m 1.5:1i']
        .map((notes) => Array.from({ length: 4 }, () => `-/32 ${notes}`).join(' '))
        .join(' | '),
      '5.0p/8 3.5:1p 2.5:1p 3.5:1p | 4.0p 3.7:3p 2.6:2p 3.7:3p | 5.0p 3.5:1p 2.5:1p 3.5:1p | 5.0p 3.5:1p 2.5:1p 3.5:1p',
    ],
    movements: { shifts: [] },
  },
];
