import { broken, type TexturedPassage } from './texture.ts';

/** Lines that a finger leads, bells, and tremolo. */
export const TEXTURED_LINES: readonly TexturedPassage[] = [
  {
    name: 'a line on ② led by the first finger',
    texture: 'guided line',
    meter: '4/4',
    tempo: 70,
    played: ['2.5:1/4 2.7:3 2.8:4 2.7:3 | 2.5:1 2.7:1 2.8:2 2.10:4 | 2.8:2 2.7:1 2.5:1/2'],
    movements: { guides: [[1, 2, 5, 7]] },
    also: [
      ['2.5:1/4 2.7:3 2.8:4 2.7:3 | 2.5:1 1.2:* 1.3:* 1.5:4 | 1.3:* 1.2:* 2.5:*/2'],
      ['2.5:1/4 2.7:3 2.8:4 2.7:3 | 2.5:1 2.7:3 2.8:4 1.5:1 | 2.8:4 2.7:3 2.5:1/2'],
      ['1.0/4 1.2:* 1.3:* 1.2:* | 1.0 1.2:* 1.3:* 1.5:4 | 1.3:* 1.2:* 1.0/2'],
    ],
  },
  {
    name: 'a tune on ① goes up with 1 and comes back',
    texture: 'guided line',
    meter: '3/4',
    tempo: 70,
    played: ['1.5:1/4 1.7:3 1.8:4 | 1.9:1|2 1.10:*  1.12:4 | 1.10:* 1.9:1|2 1.7:* | 1.5:1/2.', '5.0p/2. | 5.0p/2. | 5.0p/2. | 5.0p/2.'],
    also: [
      ['1.5:*/4 1.7:1 1.8:2 | 1.9:* 1.10:* 1.12:4 | 1.10:* 1.9:* 1.7:1 | 2.10:*/2.', '5.0/2. | 5.0/2. | 5.0/2. | 5.0/2.'],
      ['1.5:*/4 1.7:1 1.8:2 | 1.9:* 1.10:* 1.12:4 | 1.10:* 1.9:* 1.7:* | 1.5:*/2.', '5.0/2. | 5.0/2. | 5.0/2. | 5.0/2.'],
    ],
  },
  {
    name: 'a guide rests under open notes',
    texture: 'guided line',
    meter: '3/4',
    tempo: 70,
    played: ['3.7:3i/4 1.0 1.0 | 3.9:3i 1.0 1.0 | 3.7:3i 1.0 1.0 | 3.6:*i 1.0 1.0', '5.0p/2. | 5.0p/2. | 5.0p/2. | 5.0p/2.'],
    also: [
      ['3.7:1|2|4/4 1.0 1.0 | 3.9:1|2|4 1.0 1.0 | 3.7:1|2|4 1.0 1.0 | 3.6:* 1.0 1.0', '5.0/2. | 5.0/2. | 5.0/2. | 5.0/2.'],
      ['2.3:*/4 1.0 1.0 | 1.0 1.0 1.0 | 2.3:* 1.0 1.0 | 2.2:* 1.0 1.0', '5.0/2. | 5.0/2. | 5.0/2. | 5.0/2.'],
    ],
  },
  {
    name: 'chords at V and VII led by the third finger',
    texture: 'guided line',
    meter: '4/4',
    tempo: 70,
    played: ['4.7:3p+3.5:1i+2.6:2|4m/2 4.7:3p+3.5:1i+2.5:1m | 4.9:3p+3.7:1i+2.8:2|4m 4.9:3p+3.7:1i+2.7:1m | 4.7:3p+3.5:1i+2.6:2|4m/1'],
    also: [
      ['3.2:*+2.1:*+1.1:*/2 3.2:*+2.1:*+1.0 | 3.4:*+2.3:*+1.3:* 3.4:*+2.3:*+1.2:* | 3.2:*+2.1:*+1.1:*/1'],
    ],
  },
  {
    name: 'a scale of two octaves from G to VII',
    texture: 'guided line',
    meter: '4/4',
    tempo: 80,
    played: ['6.3:*/8 5.0 5.2:* 5.3:* 4.0 4.2:* 4.4:* 3.0 | 3.2:* 2.0 2.1:* 2.3:* 1.0 1.2:* 1.3:* 1.5:* | 1.7:*/2 1.3:*/2'],
  },
  {
    name: 'bells of A in position V and IX',
    texture: 'bells',
    meter: '4/4',
    tempo: 80,
    played: ['5.0/8 4.2:* 3.2:* 2.2:* 1.0 2.2:* 3.2:* 4.2:* | 5.0/1'],
  },
  {
    name: 'tremolo over A minor and D minor at V',
    texture: 'tremolo',
    meter: '2/4',
    tempo: 60,
    played: [
      [1, 2, 3, 4].map((bar) => Array.from({ length: 4 }, () => (bar === 2 ? '-/32 1.5:1a 1.5:1m 1.5:1i' : bar === 3 ? '-/32 1.4:1a 1.4:1m 1.4:1i' : '-/32 1.5:1a 1.5:1m 1.5:1i')).join(' ')).join(' | '),
      '5.0p/8 3.5:1p 2.5:1p 3.5:1p | 4.0p 3.7:3|4p 2.6:2p 3.7:3|4p | 6.0p 3.4:1p 2.5:2p 3.4:1p | 5.0p 3.5:1p 2.5:1p 3.5:1p',
    ],
    movements: { shifts: [[3, 4], [4, 5]] },
  },
  {
    name: 'tremolo at VII over E minor, slow',
    texture: 'tremolo',
    meter: '2/4',
    tempo: 30,
    played: [
      [1, 2].map(() => Array.from({ length: 4 }, () => '-/32 1.7:1a 1.7:1m 1.7:1i').join(' ')).join(' | '),
      '6.0p/8 3.9:3p 2.8:2p 3.9:3p | 6.0p 3.9:3p 2.8:2p 3.9:3p',
    ],
    movements: { shifts: [] },
  },
  {
    name: 'tremolo in first position, practised slowly',
    texture: 'tremolo',
    meter: '2/4',
    tempo: 25,
    played: [
      [1, 2].map(() => Array.from({ length: 4 }, () => '-/32 1.0a 1.0m 1.0i').join(' ')).join(' | '),
      '5.0p/8 3.2:*p 2.1:1p 3.2:*p | 6.0p 3.1:1p 2.0p 3.1:1p',
    ],
  },
  {
    name: 'p i m a over a pedal, positions IX and VII',
    texture: 'pedal bass',
    meter: '4/4',
    tempo: 90,
    played: [
      broken('0p 1i 2m 3a 0p 1i 2m 3a', '8', '5.0 3.9:2|3 2.9:3|4 1.7:1', '5.0 3.7:2|3 2.7:3|4 1.5:1', '5.0 3.6:2 2.5:1 1.5:1'),
    ],
  },
  {
    name: 'triads of D over a pedal',
    texture: 'pedal bass',
    meter: '4/4',
    tempo: 80,
    played: [
      '4.0p+3.2:1i+2.3:3m+1.2:2a/2 4.0p+3.7:1i+2.7:1m+1.5:*a | 4.0p+3.11:2i+2.10:1m+1.10:1a 4.0p+3.7:1i+2.7:1m+1.5:*a',
    ],
    also: [
      ['4.0+3.2:1|2+2.3:3+1.2:2|1/2 4.0+3.7:2+2.7:3+1.5:1 | 4.0+3.11:2+2.10:1+1.10:1 4.0+3.7:2+2.7:3+1.5:1'],
      ['4.0+3.2:1|2+2.3:3+1.2:2|1/2 4.0+3.7:3+2.7:4+1.5:1 | 4.0+3.11:2+2.10:1+1.10:1 4.0+3.7:3+2.7:4+1.5:1'],
      ['4.0+3.2:1|2+2.3:3+1.2:2|1/2 4.0+3.7:2|3+2.7:3|4+1.5:1 | 4.0+3.11:3+2.10:2+1.10:1 4.0+3.7:2|3+2.7:3|4+1.5:1'],
    ],
  },
  {
    name: 'minor triads step over the open A',
    texture: 'pedal bass',
    meter: '3/4',
    tempo: 80,
    played: [
      '5.0p+3.5:1i+2.5:1m+1.5:1a/4 3.5:1i+2.5:1m+1.5:1a 3.5:1i+2.5:1m+1.5:1a | 5.0p+3.7:3i+2.6:2m+1.5:1a 3.7:3i+2.6:2m+1.5:1a 3.7:3i+2.6:2m+1.5:1a | 5.0p+3.9:3i+2.8:2m+1.7:1a 3.9:3i+2.8:2m+1.7:1a 3.9:3i+2.8:2m+1.7:1a | 5.0p+3.5:1i+2.5:1m+1.5:1a/2.',
    ],
    movements: { shifts: [[3, 7], [4, 5]], guides: [[3, 3, 7, 9]] },
    also: [
      ['5.0+3.5:1+2.5:1+1.5:1/4 3.5:1+2.5:1+1.5:1 3.5:1+2.5:1+1.5:1 | 5.0+3.7:4+2.6:2+1.5:1 3.7:4+2.6:2+1.5:1 3.7:4+2.6:2+1.5:1 | 5.0+3.9:4+2.8:2+1.7:1 3.9:4+2.8:2+1.7:1 3.9:4+2.8:2+1.7:1 | 5.0+3.5:1+2.5:1+1.5:1/2.'],
    ],
  },
  {
    name: 'major triads step over the open E',
    texture: 'pedal bass',
    meter: '3/4',
    tempo: 80,
    played: [
      broken('0p 1i 2m 3a 2m 1i', '8', '6.0 3.9:2|3 2.9:3|4 1.7:1', '6.0 3.8:2 2.7:1 1.7:1', '6.0 3.6:2 2.5:1 1.5:1', '6.0 3.4:1 2.5:2 1.4:1'),
    ],
    movements: { shifts: [[3, 5], [4, 4]] },
  },
];
