import { broken, type TexturedPassage } from './texture.ts';

/** A tune in the ring finger over a chord that is broken below it, and tunes high on the neck. */
export const TUNES: readonly TexturedPassage[] = [
  {
    name: 'A B C over a barre at V',
    texture: 'tune with broken chord',
    meter: '3/4',
    tempo: 80,
    played: [
      '1.5:1a/2. | 1.7:3|4a | 1.8:4a | 1.5:1a',
      broken(
        '0p 1i 2m 1i 2m 1i',
        '8',
        '5.0 3.5:1 2.5:1',
        '5.0 3.5:1 2.5:1',
        '5.0 3.5:1 2.5:1',
        '5.0 3.5:1 2.5:1',
      ),
    ],
    movements: { barres: [[5, 1, 4]], shifts: [] },
  },
  {
    name: 'B and D over E minor at VII',
    texture: 'tune with broken chord',
    meter: '3/4',
    tempo: 80,
    played: [
      '1.7:1a/2. | 1.10:4a | 1.10:4a | 1.7:1a',
      broken(
        '0p 1i 2m 1i 2m 1i',
        '8',
        '6.0 3.9:3 2.8:2',
        '6.0 3.9:3 2.8:2',
        '6.0 3.9:3 2.8:2',
        '6.0 3.9:3 2.8:2',
      ),
    ],
    movements: { shifts: [] },
  },
  {
    name: 'A B G sharp A over A and E',
    texture: 'tune with broken chord',
    meter: '3/4',
    tempo: 80,
    played: [
      '1.5:1a/2. | 1.7:3|4a | 1.4:1a | 1.5:1a',
      broken(
        '0p 1i 2m 1i 2m 1i',
        '8',
        '5.0 3.6:2 2.5:1',
        '5.0 3.6:2 2.5:1',
        '6.0 3.4:1 2.5:2',
        '5.0 3.6:2 2.5:1',
      ),
    ],
    movements: {
      shifts: [
        [3, 4],
        [4, 5],
      ],
    },
  },
  {
    name: 'C D B C over barres at VIII and VII',
    texture: 'tune with broken chord',
    meter: '3/4',
    tempo: 70,
    played: [
      '1.8:1a/2. | 1.10:3|4a | 1.7:1a | 1.8:1a',
      broken(
        '0p 1i 2m 1i 2m 1i',
        '8',
        '6.8:1 3.9:2 2.8:1',
        '6.8:1 3.9:2 2.8:1',
        '6.7:1 3.8:2 2.7:1',
        '6.8:1 3.9:2 2.8:1',
      ),
    ],
    movements: {
      barres: [
        [8, 1, 2],
        [7, 3, 3],
        [8, 4, 4],
      ],
      shifts: [
        [3, 7],
        [4, 8],
      ],
    },
  },
  {
    name: 'D minor at V, the tune moves in the bar',
    texture: 'tune with broken chord',
    meter: '4/4',
    tempo: 80,
    played: [
      '1.5:1a/2 1.8:4a/2 | 1.5:1a/2 1.5:1a/2',
      '4.0p/8 3.7:3i 2.6:2m 3.7:3i 4.0p 3.7:3i 2.6:2m 3.7:3i | 4.0p 3.7:3i 2.6:2m 3.7:3i 4.0p 3.7:3i 2.6:2m 3.7:3i',
    ],
    movements: { shifts: [] },
  },
  {
    name: 'A minor, the tune over four bars in V and I',
    texture: 'tune with broken chord',
    meter: '4/4',
    tempo: 80,
    played: [
      '1.5:1a/2 1.8:4a/2 | 1.7:3|4a/2 1.5:1a/2 | 1.0a/1 | 1.0a/1',
      '5.0p/8 3.5:1i 2.5:1m 3.5:1i 5.0p 3.5:1i 2.5:1m 3.5:1i | 5.0p 3.5:1i 2.5:1m 3.5:1i 5.0p 3.5:1i 2.5:1m 3.5:1i | 6.0p 3.1:1i 2.0m 3.1:1i 6.0p 3.1:1i 2.0m 3.1:1i | 5.0p 3.2:2|3i 2.1:1m 3.2:2|3i 5.0p 3.2:2|3i 2.1:1m 3.2:2|3i',
    ],
  },
  {
    name: 'E major at VII with the sixth in the tune',
    texture: 'tune with broken chord',
    meter: '3/4',
    tempo: 70,
    played: [
      '1.7:1a/2. | 1.9:2|3|4a | 1.7:1a | 1.7:1a',
      broken(
        '0p 1i 2m 1i 2m 1i',
        '8',
        '6.0 3.9:2|3 2.9:3|4',
        '6.0 3.9:2|3 2.10:3|4',
        '6.0 3.9:2|3 2.9:3|4',
        '6.0 3.9:2|3 2.9:3|4',
      ),
    ],
    movements: { shifts: [] },
  },
  {
    name: 'G major at III under the tune',
    texture: 'tune with broken chord',
    meter: '3/4',
    tempo: 80,
    played: [
      '1.3:1a/2. | 1.5:3|4a | 1.7:4a | 1.3:1a',
      broken(
        '0p 1i 2m 1i 2m 1i',
        '8',
        '6.3:1 3.4:2 2.3:1',
        '6.3:1 3.4:2 2.3:1',
        '6.3:1 3.4:2 2.3:1',
        '6.3:1 3.4:2 2.3:1',
      ),
    ],
    movements: { barres: [[3, 1, 4]], shifts: [] },
  },
  {
    name: 'a high tune over open A and E',
    texture: 'high tune over open basses',
    meter: '4/4',
    tempo: 90,
    played: [
      '1.5:1/4 1.7:3 1.8:4 1.7:3 | 1.5:1 1.7:3 1.8:4/2 | 1.7:3/4 1.5:1 2.8:4 2.6:2 | 2.5:1/1',
      '5.0p/1 | 5.0p/1 | 4.0p/1 | 5.0p/1',
    ],
    movements: { shifts: [] },
  },
  {
    name: 'a tune at VII over the open E',
    texture: 'high tune over open basses',
    meter: '3/4',
    tempo: 90,
    played: [
      '1.7:1/4 1.8:2 1.10:4 | 1.7:1 2.10:4 2.8:2 | 2.8:2 2.10:4 1.7:1 | 1.7:1/2.',
      '6.0p/2. | 6.0p/2. | 6.0p/2. | 6.0p/2.',
    ],
    movements: { shifts: [] },
  },
  {
    name: 'a tune at IX over open A and E',
    texture: 'high tune over open basses',
    meter: '3/4',
    tempo: 90,
    played: [
      '1.9:1/4 1.10:2 1.12:4 | 1.10:2 1.9:1 2.12:4 | 2.10:2 2.12:4 1.9:1 | 1.9:1/2.',
      '5.0p/2. | 5.0p/2. | 6.0p/2. | 5.0p/2.',
    ],
    movements: { shifts: [] },
  },
  {
    name: 'a scale up to position IX over D',
    texture: 'high tune over open basses',
    meter: '4/4',
    tempo: 90,
    played: [
      '2.3:*/4 2.5:* 1.2:* 1.3:* | 1.5:1 1.7:3 1.9:1 1.10:2 | 1.9:1 1.7:* 1.5:1 1.3:* | 1.2:*/1',
      '4.0p/1 | 4.0p/1 | 5.0p/1 | 4.0p/1',
    ],
    also: [
      [
        '2.3:*/4 1.0 1.2:* 1.3:* | 1.5:* 1.7:* 1.9:* 1.10:* | 1.9:* 1.7:* 1.5:* 1.3:* | 1.2:*/1',
        '4.0/1 | 4.0/1 | 5.0/1 | 4.0/1',
      ],
      [
        '2.3:*/4 1.0 2.7:* 2.8:* | 1.5:1 1.7:* 1.9:* 1.10:4 | 1.9:* 1.7:* 1.5:* 2.8:* | 2.7:*/1',
        '4.0/1 | 4.0/1 | 5.0/1 | 4.0/1',
      ],
      [
        '2.3:*/4 1.0 2.7:* 2.8:* | 1.5:1 1.7:* 1.9:* 1.10:4 | 1.9:* 1.7:* 2.10:* 2.8:* | 2.7:*/1',
        '4.0/1 | 4.0/1 | 5.0/1 | 4.0/1',
      ],
    ],
  },
  {
    name: 'tune in thirds of position V over the open A',
    texture: 'high tune over open basses',
    meter: '3/4',
    tempo: 90,
    played: [
      '1.5:1/4 1.8:4 1.7:3 | 1.5:1 2.8:4 2.6:2 | 2.5:1 2.8:4 1.5:1 | 2.5:1/2.',
      '5.0p/2. | 4.0p/2. | 5.0p/2. | 5.0p/2.',
    ],
    movements: { shifts: [] },
  },
];
