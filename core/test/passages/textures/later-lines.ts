import type { TexturedPassage } from './texture.ts';

/** Voices, parallels, lines and chords: written after the planner had been tuned on the others. */
export const LATER_LINES: readonly TexturedPassage[] = [
  {
    name: 'sixths of D on ③ and ① from II to VII',
    texture: 'parallel intervals',
    meter: '4/4',
    tempo: 80,
    played: ['3.2:*+1.2:*/4 3.4:*+1.3:* 3.6:*+1.5:* 3.7:*+1.7:* | 3.6:*+1.5:* 3.4:*+1.3:* 3.2:*+1.2:*/2'],
  },
  {
    name: 'sixths of E on ③ and ① from VII to XII',
    texture: 'parallel intervals',
    meter: '4/4',
    tempo: 80,
    played: [
      '3.8:*+1.7:*/4 3.9:*+1.9:* 3.11:*+1.11:* 3.13:*+1.12:* | 3.11:*+1.11:* 3.9:*+1.9:* 3.8:*+1.7:*/2',
    ],
  },
  {
    name: 'thirds of G on ② and ①',
    texture: 'parallel intervals',
    meter: '4/4',
    tempo: 80,
    played: ['2.3:*+1.2:*/4 2.5:*+1.3:* 2.7:*+1.5:* 2.8:*+1.7:* | 2.7:*+1.5:* 2.5:*+1.3:* 2.3:*+1.2:*/2'],
  },
  {
    name: 'octaves of E on ③ and ①, by steps',
    texture: 'parallel intervals',
    meter: '4/4',
    tempo: 80,
    played: ['3.4:1+1.7:4/4 3.6:1+1.9:4 3.7:1+1.10:4 3.9:1+1.12:4 | 3.7:1+1.10:4 3.6:1+1.9:4 3.4:1+1.7:4/2'],
  },
  {
    name: 'tenths on ⑥ and ③ below the fifth fret',
    texture: 'parallel intervals',
    meter: '4/4',
    tempo: 70,
    played: ['6.1:1+3.2:2/4 6.3:*+3.4:* 6.1:1+3.2:2 6.0+3.0 | 6.1:1+3.2:2/1'],
  },
  {
    name: 'a tune at V over A and D',
    texture: 'high tune over open basses',
    meter: '3/4',
    tempo: 90,
    played: [
      '1.5:1/4 1.7:3 1.8:4 | 1.8:4 1.7:3 1.5:1 | 2.8:4 1.5:1 2.8:4 | 1.5:1/2.',
      '5.0p/2. | 4.0p/2. | 4.0p/2. | 5.0p/2.',
    ],
    movements: {
      shifts: [],
      damping: [
        [1, 5],
        [3, 4],
      ],
    },
  },
  {
    name: 'a tune at IX over the open A',
    texture: 'high tune over open basses',
    meter: '4/4',
    tempo: 90,
    played: [
      '1.9:1/4 1.10:2 1.12:4 1.10:2 | 1.9:1 2.12:4 2.10:2 2.12:4 | 1.9:1/1',
      '5.0p/1 | 5.0p/1 | 5.0p/1',
    ],
    movements: { shifts: [] },
  },
  {
    name: 'a tune at VII over E and A',
    texture: 'high tune over open basses',
    meter: '4/4',
    tempo: 90,
    played: ['1.7:1/4 1.8:2 1.10:4 1.8:2 | 1.7:1 2.10:4 2.8:2 2.10:4 | 1.7:1/1', '6.0p/1 | 5.0p/1 | 6.0p/1'],
    movements: {
      shifts: [],
      damping: [
        [1, 6],
        [2, 5],
      ],
    },
  },
  {
    name: 'voices in G over held basses',
    texture: 'two voices',
    meter: '4/4',
    tempo: 90,
    played: ['2.0/4 2.1:1 2.3:3|4 2.1:1 | 2.0/2 3.2:*/2', '6.3:*p/1 | 4.0p/1'],
  },
  {
    name: 'C held under a tune in first position',
    texture: 'two voices',
    meter: '4/4',
    tempo: 90,
    played: ['1.0/4 1.1:1|2 1.3:4 1.1:1|2 | 1.0 2.3:4 1.0/2', '5.3:3p/1 | 5.3:3p/1'],
  },
  {
    name: 'F sharp held on ④ in II',
    texture: 'two voices',
    meter: '3/4',
    tempo: 90,
    played: ['2.3:*/4 2.2:* 2.3:* | 1.2:*/2.', '4.4:3|4p/2. | 4.4:3|4p/2.'],
  },
  {
    name: 'E over a held B in position VII',
    texture: 'two voices',
    meter: '4/4',
    tempo: 80,
    played: ['1.7:1/4 1.8:2 1.10:4 1.8:2 | 1.7:1/1', '3.9:3p/1 | 3.9:3p/1'],
  },
  {
    name: 'inner thirds under a held E',
    texture: 'inner voice',
    meter: '3/4',
    tempo: 80,
    played: [
      '1.0a/2. | 1.0a/2. | 1.0a/2.',
      '-/4 3.0i+2.1:1m 3.0i+2.1:1m | -/4 3.1:1i+2.0m 3.1:1i+2.0m | -/4 3.2:*i+2.1:*m 3.2:*i+2.1:*m',
      '5.3:3p/2. | 6.0p/2. | 5.0p/2.',
    ],
  },
  {
    name: 'inner notes at VII between B and the open E',
    texture: 'inner voice',
    meter: '4/4',
    tempo: 80,
    played: ['1.7:1a/1 | 1.7:1a/1', '-/4 3.9:*i 2.8:*m 3.9:*i | -/4 3.9:*i 2.9:*m 3.9:*i', '6.0p/1 | 6.0p/1'],
    movements: { shifts: [] },
  },
  {
    name: 'up the second string and back',
    texture: 'guided line',
    meter: '3/4',
    tempo: 70,
    played: [
      '2.1:*/4 2.3:* 1.0 | 1.1:* 1.3:* 1.5:4 | 1.3:* 1.1:* 1.0 | 2.3:* 2.1:*/2',
      '5.3:*p/2. | 4.0p/2. | 5.0p/2. | 5.3:*p/2.',
    ],
  },
  {
    name: 'chords of D minor climb on the treble strings',
    texture: 'guided line',
    meter: '4/4',
    tempo: 70,
    played: [
      '3.7:3|4i+2.6:2m+1.5:1a/2 3.10:*i+2.10:*m+1.10:*a | 3.7:3|4i+2.6:2m+1.5:1a/1',
      '4.0p/1 | 4.0p/1',
    ],
  },
  {
    name: 'bells of E minor below the fifth fret',
    texture: 'bells',
    meter: '4/4',
    tempo: 90,
    played: ['6.0/8 4.2:* 3.0 2.0 1.0 2.0 3.0 4.2:* | 6.0/1'],
  },
  {
    name: 'cadence in D minor at V',
    texture: 'cadence',
    meter: '4/4',
    tempo: 70,
    played: [
      '4.0p+3.7:3|4i+2.6:2m+1.5:1a/2 4.0p+3.7:*i+2.8:*m+1.6:*a | 5.0p+3.6:2i+2.5:1m+1.5:1a/1 | 4.0p+3.7:3|4i+2.6:2m+1.5:1a/1',
    ],
  },
  {
    name: 'cadence in G in first position',
    texture: 'cadence',
    meter: '4/4',
    tempo: 80,
    played: [
      '6.3:*p+4.0i+3.0m+2.0a/2 5.3:*p+4.2:*i+3.0m+2.1:1a | 4.0p+3.2:*i+2.1:1m+1.2:*a/1 | 6.3:*p+4.0i+3.0m+2.0a/1',
    ],
  },
  {
    name: 'A, D and E with open basses, one to a bar',
    texture: 'cadence',
    meter: '3/4',
    tempo: 90,
    played: [
      '3.2:*i+2.2:*m+1.0a/2. | 3.2:*i+2.3:*m+1.2:*a/2. | 3.1:1i+2.0m+1.0a/2. | 3.2:*i+2.2:*m+1.0a/2.',
      '5.0p/2. | 4.0p/2. | 6.0p/2. | 5.0p/2.',
    ],
    movements: {
      damping: [
        [1, 5],
        [2, 4],
        [3, 6],
      ],
    },
  },
  {
    name: 'a bass that rests under a held chord',
    texture: 'walking bass',
    meter: '4/4',
    tempo: 80,
    played: ['3.1:1i+2.0m+1.0a/1 | 3.1:1i+2.0m+1.0a/1', '6.0p/4 -/2 6.0p/4 | 6.0p/1'],
    movements: { damping: [[1, 6]] },
  },
  {
    name: 'a bass climbs from A to C under a third',
    texture: 'walking bass',
    meter: '4/4',
    tempo: 80,
    played: ['2.1:1+1.0/1 | 2.1:1+1.0/1', '5.0p/4 5.2:*p 5.3:*p 5.2:*p | 5.0p/1'],
  },
  {
    name: 'six strings at V, three beats',
    texture: 'full chords with a tune',
    meter: '3/4',
    tempo: 60,
    played: [
      '6.5:1+5.7:3+4.7:4+3.6:2+2.5:1+1.5:1/4 1.7:*/4 1.5:1/4 | 6.5:1+5.7:3+4.7:4+3.5:1+2.5:1+1.5:1/2.',
    ],
    movements: { shifts: [] },
  },
];
