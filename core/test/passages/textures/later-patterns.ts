import { broken, SIX, type TexturedPassage } from './texture.ts';

const WALTZ = '0p 1i+2m+3a 1i+2m+3a';

/** Broken chords, tunes over them, tremolo and pedals: written after the planner had been tuned on the others. */
export const LATER_PATTERNS: readonly TexturedPassage[] = [
  {
    name: 'F sharp minor and B over barres at IX and VII',
    texture: 'broken chords',
    meter: '3/4',
    tempo: 80,
    played: [
      broken(
        SIX,
        '8',
        '6.9:1 3.10:2 2.9:1 1.9:1',
        '6.7:1 3.8:2 2.7:1 1.7:1',
        '6.9:1 3.9:1 2.9:1 1.9:1',
        '6.7:1 3.7:1 2.7:1 1.7:1',
      ),
    ],
    movements: {
      barres: [
        [9, 1, 1],
        [7, 2, 2],
        [9, 3, 3],
        [7, 4, 4],
      ],
    },
  },
  {
    name: 'E minor at VII and A minor at V, in turn',
    texture: 'broken chords',
    meter: '3/4',
    tempo: 90,
    played: [
      broken(
        SIX,
        '8',
        '6.0 3.9:3|4 2.8:2|3 1.7:1|2',
        '5.0 3.5:1 2.5:1 1.5:1',
        '6.0 3.9:3|4 2.8:2|3 1.7:1|2',
        '5.0 3.5:1 2.5:1 1.5:1',
      ),
    ],
  },
  {
    name: 'B flat at VI and E flat at VI',
    texture: 'broken chords',
    meter: '4/4',
    tempo: 80,
    played: [
      broken(
        '0p 1i 2m 3a 2m 1i 2m 1i',
        '8',
        '6.6:1 3.7:2 2.6:1 1.6:1',
        '5.6:1 3.8:2|3 2.8:3|4 1.6:1',
        '6.6:1 3.7:2 2.6:1 1.6:1',
      ),
    ],
    movements: { shifts: [] },
  },
  {
    name: 'D minor at V with the seventh',
    texture: 'broken chords',
    meter: '3/4',
    tempo: 90,
    played: [
      broken(SIX, '8', '4.0 3.7:3|4 2.6:2 1.5:1', '4.0 3.5:1 2.6:2|3 1.5:1', '4.0 3.7:3|4 2.6:2 1.5:1'),
    ],
  },
  {
    name: 'C in first position, G and A minor',
    texture: 'broken chords',
    meter: '4/4',
    tempo: 90,
    played: [
      broken(
        '0p 1i 2m 3a 2m 1i 2m 1i',
        '8',
        '5.3:3 3.0 2.1:1 1.0',
        '6.3:2|3 3.0 2.0 1.3:3|4',
        '5.0 3.2:2|3 2.1:1 1.0',
        '5.3:3 3.0 2.1:1 1.0',
      ),
    ],
  },
  {
    name: 'D, A and E minor below the fifth fret',
    texture: 'broken chords',
    meter: '3/4',
    tempo: 90,
    played: [
      broken(
        SIX,
        '8',
        '4.0 3.2:1|2 2.3:3 1.2:2|1',
        '5.0 3.2:1|2 2.2:2|3|1 1.0',
        '6.0 3.0 2.0 1.0',
        '4.0 3.2:1|2 2.3:3 1.2:2|1',
      ),
    ],
  },
  {
    name: 'a waltz in A minor at V',
    texture: 'broken chords',
    meter: '3/4',
    tempo: 120,
    played: [
      broken(
        WALTZ,
        '4',
        '5.0 3.5:1 2.5:1 1.5:1',
        '4.0 3.7:3|4 2.6:2 1.5:1',
        '6.0 3.4:1 2.5:2 1.4:1',
        '5.0 3.5:1 2.5:1 1.5:1',
      ),
    ],
  },
  {
    name: 'a waltz in G below the fifth fret',
    texture: 'broken chords',
    meter: '3/4',
    tempo: 120,
    played: [broken(WALTZ, '4', '6.3:* 3.0 2.0 1.3:*', '4.0 3.2:* 2.1:* 1.2:*', '6.3:* 3.0 2.0 1.3:*')],
  },
  {
    name: 'G B over G at III, the tune in halves',
    texture: 'tune with broken chord',
    meter: '4/4',
    tempo: 80,
    played: [
      '1.3:1a/2 1.7:4a/2 | 1.5:3|4a/2 1.3:1a/2',
      '6.3:1p/8 3.4:2i 2.3:1m 3.4:2i 6.3:1p 3.4:2i 2.3:1m 3.4:2i | 6.3:1p 3.4:2i 2.3:1m 3.4:2i 6.3:1p 3.4:2i 2.3:1m 3.4:2i',
    ],
    movements: { barres: [[3, 1, 2]], shifts: [] },
  },
  {
    name: 'A C B over A minor and E at V and IV',
    texture: 'tune with broken chord',
    meter: '3/4',
    tempo: 80,
    played: [
      '1.5:1a/2. | 1.8:4a | 1.7:4a | 1.5:1a',
      '5.0p/8 3.5:1i 2.5:1m 3.5:1i 2.5:1m 3.5:1i | 5.0p/8 3.5:1i 2.5:1m 3.5:1i 2.5:1m 3.5:1i | 6.0p/8 3.4:1i 2.5:2m 3.4:1i 2.5:2m 3.4:1i | 5.0p/8 3.5:1i 2.5:1m 3.5:1i 2.5:1m 3.5:1i',
    ],
  },
  {
    name: 'C sharp E over A at IX',
    texture: 'tune with broken chord',
    meter: '3/4',
    tempo: 70,
    played: [
      '1.9:1a/2. | 1.12:4a | 1.9:1a',
      broken('0p 1i 2m 1i 2m 1i', '8', '5.0 3.9:1 2.10:2', '5.0 3.9:1 2.10:2', '5.0 3.9:1 2.10:2'),
    ],
    movements: { shifts: [] },
  },
  {
    name: 'E F E D over C in first position',
    texture: 'tune with broken chord',
    meter: '4/4',
    tempo: 80,
    played: [
      '1.0a/2 1.1:1a/2 | 1.0a/2 2.3:4|3a/2',
      '5.3:3p/8 3.0i 2.1:1m 3.0i 4.3:3|4p 3.2:2i 2.1:1m 3.2:2i | 5.3:3p 3.0i 2.1:1m 3.0i 6.3:*p 4.0 3.0i 4.0',
    ],
  },
  {
    name: 'tremolo at IX over A and VII over E',
    texture: 'tremolo',
    meter: '2/4',
    tempo: 60,
    played: [
      ['1.9:1a 1.9:1m 1.9:1i', '1.7:1a 1.7:1m 1.7:1i']
        .map((notes) => Array.from({ length: 4 }, () => `-/32 ${notes}`).join(' '))
        .join(' | '),
      '5.0p/8 3.9:1p 2.10:2p 3.9:1p | 6.0p 3.9:3|2p 2.9:4|3p 3.9:3|2p',
    ],
  },
  {
    name: 'tremolo on ② in first position, very slow',
    texture: 'tremolo',
    meter: '2/4',
    tempo: 25,
    played: [Array.from({ length: 4 }, () => '-/32 2.0a 2.0m 2.0i').join(' '), '6.0p/8 4.2:*p 3.0p 4.2:*p'],
  },
  {
    name: 'triads of E minor, D and C over a pedal',
    texture: 'pedal bass',
    meter: '3/4',
    tempo: 80,
    played: [
      broken(
        SIX,
        '8',
        '6.0 3.9:3|4 2.8:2|3 1.7:1|2',
        '6.0 3.7:* 2.7:* 1.5:*',
        '6.0 3.5:* 2.5:* 1.3:*',
        '6.0 3.9:3|4 2.8:2|3 1.7:1|2',
      ),
    ],
  },
  {
    name: 'A and B minor over the open A',
    texture: 'pedal bass',
    meter: '3/4',
    tempo: 80,
    played: [
      broken(
        SIX,
        '8',
        '5.0 3.6:2 2.5:1 1.5:1',
        '5.0 3.7:1 2.7:1 1.7:1',
        '5.0 3.9:2|3 2.9:3|4 1.7:1',
        '5.0 3.6:2 2.5:1 1.5:1',
      ),
    ],
  },
  {
    name: 'V, VII and V under a tune with the bass open',
    texture: 'barre progression',
    meter: '3/4',
    tempo: 80,
    played: [
      '1.5:1a/4 1.8:4a 1.7:3|4a | 1.7:1a 1.10:4a 1.8:2a | 1.5:1a/2.',
      '5.0p/4 3.5:1i+2.5:1m 3.5:1i+2.5:1m | 6.0p 3.7:1i+2.7:1m 3.7:1i+2.7:1m | 5.0p/2.',
    ],
    movements: {
      shifts: [
        [2, 7],
        [3, 5],
      ],
    },
  },
  {
    name: 'B minor and E minor at II',
    texture: 'barre progression',
    meter: '3/4',
    tempo: 80,
    played: [
      broken(SIX, '8', '5.2:1 3.4:3|4 2.3:2 1.2:1', '6.2:1 3.3:2 2.2:1 1.2:1', '5.2:1 3.4:3|4 2.3:2 1.2:1'),
    ],
    movements: { barres: [[2, 1, 3]], shifts: [] },
  },
  {
    name: 'full chords at IX, VII and V',
    texture: 'barre progression',
    meter: '4/4',
    tempo: 60,
    played: [
      '6.9:1p+3.10:2i+2.9:1m+1.9:1a/2 6.9:1p+3.10:2i+2.9:1m+1.9:1a | 6.7:1p+3.8:2i+2.7:1m+1.7:1a 6.7:1p+3.8:2i+2.7:1m+1.7:1a | 5.0p+3.6:2i+2.5:1m+1.5:1a/1',
    ],
    movements: {
      shifts: [
        [2, 7],
        [3, 5],
      ],
    },
  },
  {
    name: 'C minor at VIII and G minor at X',
    texture: 'barre progression',
    meter: '3/4',
    tempo: 80,
    played: [
      broken(SIX, '8', '6.8:1 3.8:1 2.8:1 1.8:1', '5.10:1 3.12:3|4 2.11:2 1.10:1', '6.8:1 3.8:1 2.8:1 1.8:1'),
    ],
    movements: {
      barres: [
        [8, 1, 1],
        [10, 2, 2],
        [8, 3, 3],
      ],
      shifts: [
        [2, 10],
        [3, 8],
      ],
    },
  },
];
