import { broken, SIX, TREMOLO, type TexturedPassage } from './texture.ts';

/**
 * Written in one go after the last tuning, before the planner was asked, and left as they are; common practice, no published
 * source.
 */
export const NEWEST_PATTERNS: readonly TexturedPassage[] = [
  {
    name: 'D minor and A in first position, the tune on top',
    texture: 'broken chords',
    meter: '3/4',
    tempo: 84,
    played: [
      broken(
        SIX,
        '8',
        '4.0 3.2:2 2.3:3|4 1.1:1',
        '5.0 3.2:1|2 2.2:2|3 1.0',
        '4.0 3.2:2 2.3:3|4 1.1:1',
        '5.0 3.2:1|2 2.2:2|3 1.0',
      ),
    ],
    movements: { shifts: [] },
  },
  {
    name: 'F, B flat and C seventh in position I',
    texture: 'barre progression',
    meter: '3/4',
    tempo: 80,
    played: [
      broken(
        SIX,
        '8',
        '6.1:1 4.3:3|4 3.2:2 2.1:1',
        '5.1:1 4.3:2|3 3.3:3|4 2.3:3|4',
        '5.3:3 4.2:2 3.3:4 2.1:1',
        '6.1:1 4.3:3|4 3.2:2 2.1:1',
      ),
    ],
    movements: { shifts: [] },
  },
  {
    name: 'sixths of G on ③ and ① from III to VIII',
    texture: 'parallel intervals',
    meter: '4/4',
    tempo: 76,
    played: [
      '3.4:2|3+1.3:1/4 3.5:2+1.5:3|4 3.7:2+1.7:3|4 3.9:2|3+1.8:1 | 3.7:2+1.7:3|4/2 3.5:2+1.5:3|4 | 3.4:2|3+1.3:1/1',
    ],
  },
  {
    name: 'octaves of F on ④ and ②',
    texture: 'parallel intervals',
    meter: '4/4',
    tempo: 76,
    played: [
      '4.3:1+2.6:3|4/4 4.5:1+2.8:3|4 4.7:1+2.10:3|4 4.8:1+2.11:3|4 | 4.7:1+2.10:3|4/2 4.5:1+2.8:3|4 | 4.3:1+2.6:3|4/1',
    ],
  },
  {
    name: 'a tune of position IV over open E and A',
    texture: 'high tune over open basses',
    meter: '3/4',
    tempo: 84,
    played: [
      '1.4:1/4 1.5:2 1.7:4 | 1.5:2 1.4:1 2.7:4 | 2.5:2 2.7:4 1.4:1 | 2.5:2/2.',
      '6.0p/2. | 6.0p | 5.0p | 6.0p',
    ],
    movements: { shifts: [] },
  },
  {
    name: 'D, G, A seventh and D in full chords',
    texture: 'cadence',
    meter: '4/4',
    tempo: 72,
    played: [
      '4.0+3.2:1+2.3:3+1.2:2/1 | 6.3:2|3+4.0+3.0+2.0+1.3:3|4/1 | 5.0+4.2:1|2+3.0+2.2:2|3+1.0/1 | 4.0+3.2:1+2.3:3+1.2:2/1',
    ],
  },
  {
    name: 'inner notes at III between G and its tune',
    texture: 'inner voice',
    meter: '3/4',
    tempo: 80,
    played: [
      '1.3:1a/2. | 1.5:3|4a | 1.6:4a | 1.3:1a',
      '-/8 3.3:1i 2.3:1m 3.3:1i 2.3:1m 3.3:1i | -/8 3.3:1i 2.3:1m 3.3:1i 2.3:1m 3.3:1i | ' +
        '-/8 3.3:1i 2.3:1m 3.3:1i 2.3:1m 3.3:1i | -/8 3.3:1i 2.3:1m 3.3:1i 2.3:1m 3.3:1i',
      '6.3:1p/2. | 6.3:1p | 6.3:1p | 6.3:1p',
    ],
    movements: { shifts: [], barres: [[3, 1, 4]] },
  },
  {
    name: 'tremolo over D minor and A seventh at V',
    texture: 'tremolo',
    meter: '4/4',
    tempo: 72,
    played: [
      broken(TREMOLO, '16', '4.0 3.7:3|4 2.6:2 1.5:1', '5.0 4.5:1 3.6:2 1.5:1', '4.0 3.7:3|4 2.6:2 1.5:1'),
    ],
    movements: { shifts: [] },
  },
  {
    name: 'A flat and D flat in full chords at IV',
    texture: 'full chords with a tune',
    meter: '4/4',
    tempo: 60,
    played: [
      '6.4:1+5.6:3+4.6:4+3.5:2+2.4:1+1.4:1/2 6.4:1+5.6:3+4.6:4+3.5:2+2.4:1+1.4:1 | ' +
        '5.4:1+4.6:2+3.6:3+2.6:4+1.4:1/2 5.4:1+4.6:2+3.6:3+2.6:4+1.4:1 | ' +
        '6.4:1+5.6:3+4.6:4+3.5:2+2.4:1+1.4:1/1',
    ],
    movements: { shifts: [], barres: [[4, 1, 3]] },
  },
  {
    name: 'triads climb over the open A from V to X and come back',
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
        '5.0 3.7:1 2.7:1 1.7:1',
        '5.0 3.6:2 2.5:1 1.5:1',
      ),
    ],
    movements: {
      shifts: [
        [2, 7],
        [3, 9],
        [4, 10],
        [5, 7],
        [6, 5],
      ],
    },
  },
  {
    name: 'a tune in E minor over held E and B',
    texture: 'two voices',
    meter: '3/4',
    tempo: 88,
    played: [
      '1.0/4 1.2:1|2 1.3:2|3 | 1.2:2|3 1.0 2.0 | 2.1:1 2.0 3.2:2|3 | 2.0/2.',
      '6.0p/2. | 5.2:1|2p | 5.0p | 6.0p',
    ],
  },
  {
    name: 'A minor and E seventh between V and III over open basses',
    texture: 'broken chords',
    meter: '6/8',
    tempo: 80,
    played: [
      broken(
        SIX,
        '8',
        '5.0 3.5:1 2.5:1 1.5:1',
        '6.0 3.4:2 2.3:1 1.4:3|4',
        '5.0 3.5:1 2.5:1 1.5:1',
        '6.0 3.4:1 2.5:2|3 1.4:1|2',
        '5.0 3.5:1 2.5:1 1.5:1',
      ),
    ],
  },
  {
    name: 'B flat and E flat under one barre at VI, the tune above',
    texture: 'tune with broken chord',
    meter: '4/4',
    tempo: 76,
    played: [
      '6.6:1p/8 4.8:3i 3.7:2m 1.6:1a 3.7:2m 4.8:3i 1.8:4a 3.7:2m | 6.6:1p 4.8:3|4i 3.7:2m 1.6:1a 3.7:2m 4.8:3|4i 3.7:2m 1.6:1a | ' +
        '5.6:1p 4.8:2|3i 3.8:3|4m 1.6:1a 3.8:3|4m 4.8:2|3i 3.8:3|4m 1.6:1a | 6.6:1p 4.8:3|4i 3.7:2m 1.6:1a 3.7:2m 4.8:3|4i 3.7:2m 1.6:1a',
    ],
    movements: { shifts: [], barres: [[6, 1, 4]] },
  },
  {
    name: 'A, D and E over open basses from IX, X and VII',
    texture: 'broken chords',
    meter: '3/4',
    tempo: 84,
    played: [
      broken(
        SIX,
        '8',
        '5.0 3.9:1|2 2.10:2|3 1.9:1|2',
        '4.0 3.11:2|3 2.10:1 1.10:1|2',
        '6.0 3.9:2|3 2.9:3|4 1.7:1',
        '5.0 3.9:1|2 2.10:2|3 1.9:1|2',
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
];
