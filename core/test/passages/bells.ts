import { line, type Passage } from './passage.ts';

/** Scale notes over neighbouring strings that ring over each other, and shapes that lie before they are needed. */
export const BELLS: readonly Passage[] = [
  {
    name: 'four notes rising to the open first string, like bells',
    heading: 'campanella',
    voices: [line('B3 C4 D4 E4')],
    accept: ['2:0 3:* 2:* 1:0', '3:* 2:* 3:* 1:0'],
    school: 'campanella',
  },
  {
    name: 'four notes falling from the open first string, like bells',
    heading: 'campanella',
    voices: [line('E4 D4 C4 B3')],
    accept: ['1:0 2:* 3:* 2:0'],
    school: 'campanella',
  },
  {
    name: 'from the open third string over the second, like bells',
    heading: 'campanella',
    voices: [line('G3 A3 B3 C4')],
    accept: ['3:0 4:* 2:0 3:*'],
    school: 'campanella',
  },
  {
    name: 'D major broken from the top: the shape lies with its bass',
    heading: 'early placement',
    voices: ['F#4/8 D4/8 A3/8 D4/8', 'D3/2'],
    accept: ['1:2 2:3 3:1 2:3 4:0', '1:3 2:4 3:2 2:4 4:0'],
  },
  {
    name: 'A major broken from the top: the shape lies with its bass',
    heading: 'early placement',
    voices: ['E4/8 C#4/8 A3/8 C#4/8', 'A2/2'],
    accept: ['1:0 2:2 3:1 2:2 5:0', '1:0 2:3 3:2 2:3 5:0'],
  },
  {
    name: 'A minor broken twice: the shape stays',
    heading: 'early placement',
    voices: ['E3/8 A3/8 C4/8 E4/8 C4/8 A3/8', 'A2/2.'],
    accept: ['4:2 3:3 2:1 1:0 2:1 3:3 5:0'],
  },
  {
    name: 'sixths rising on ③ and ①',
    heading: 'guide fingers',
    voices: ['G3+E4/4 A3+F4/4 B3+G4/4'],
    accept: ['3:0 1:0 3:2|3:3 1:1 2:0|3:* 1:*'],
  },
  {
    name: 'E minor to A minor: the block moves over a string',
    heading: 'common fingers',
    voices: ['E2+B2+E3/2 A2+E3+A3/2'],
    accept: ['6:0 5:2 4:3 5:0 4:2 3:3', '6:0 5:1 4:2 5:0 4:1 3:2'],
  },
];
