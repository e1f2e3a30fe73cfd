/**
 * Passages with the marks that a teacher would write, and no others: `!` after a note's string and finger asks for its
 * digit, `o` for its string, `V>` before it for a numeral. Voice after voice, in playing order. Common practice, no
 * published source; written before the reader was asked. In five of them it had its reasons, and they were corrected: a
 * numeral belongs to the lowest note struck, an open A in position V wants its 0, and what is left over needs no digit.
 */
export interface HandMarked {
  readonly name: string;
  readonly voices: readonly string[];
  readonly marked: string;
}

export const HAND_MARKED: readonly HandMarked[] = [
  {
    name: 'a scale in position I',
    voices: ['C3/8 D3/8 E3/8 F3/8 G3/8 A3/8 B3/8 C4/8'],
    marked: '5:3! 4:0 4:2 4:3 3:0 3:2 2:0 2:1',
  },
  {
    name: 'a high A reached with 4',
    voices: ['E4/4 F4/4 G4/4 A4/4 | G4/4 F4/4 E4/2'],
    marked: '1:0 1:1! 1:3 1:4! 1:3 1:1 1:0',
  },
  {
    name: 'up to position V',
    voices: ['C4/4 D4/4 E4/4 F4/4 | A4/4 B4/4 C5/2'],
    marked: '2:1! 2:3 1:0 1:1 V>1:1! 1:3 1:4',
  },
  {
    name: 'a scale in position V',
    voices: ['C4/8 D4/8 E4/8 F4/8 G4/8 A4/8 B4/8 C5/8'],
    marked: 'V>3:1! 3:3 2:1 2:2 2:4 1:1 1:3 1:4',
  },
  {
    name: 'an open string among high notes',
    voices: ['A4/4 C5/4 E4/4 A4/4 | C5/4 B4/4 A4/2'],
    marked: 'V>1:1! 1:4 1:0! 1:1 1:4 1:3 1:1',
  },
  {
    name: 'open basses under position V',
    voices: ['A4/4 C5/4 B4/4 A4/4', 'A2/2 E2/2'],
    marked: '1:1! 1:4 1:3 1:1 V>5:0! 6:0',
  },
  { name: 'E minor', voices: ['E2+B2+E3+G3+B3+E4/1'], marked: '6:0 5:2 4:3! 3:0 2:0 1:0' },
  {
    name: 'A minor broken twice',
    voices: ['A2/8 E3/8 A3/8 C4/8 E4/8 C4/8 A3/8 E3/8 | A2/8 E3/8 A3/8 C4/8 E4/8 C4/8 A3/8 E3/8'],
    marked: '5:0 4:2! 3:3! 2:1 1:0 2:1 3:3 4:2 5:0 4:2 3:3 2:1 1:0 2:1 3:3 4:2',
  },
  {
    name: 'C major broken',
    voices: ['C3/8 E3/8 G3/8 C4/8 E4/8 C4/8 G3/8 E3/8'],
    marked: '5:3! 4:2 3:0 2:1 1:0 2:1 3:0 4:2',
  },
  { name: 'F with a barre', voices: ['F2+C3+F3+A3+C4+F4/1'], marked: '6:1 5:3 4:4! 3:2 2:1 1:1' },
  {
    name: 'F minor broken under its barre',
    voices: ['F2/8 C3/8 F3/8 G#3/8 C4/8 F4/8 C4/8 G#3/8'],
    marked: '6:1 5:3 4:4! 3:1 2:1 1:1 2:1 3:1',
  },
  { name: '4 because 3 is held below', voices: ['D4/4 C4/4 B3/2', 'G2/1'], marked: '2:4! 2:1 2:0 6:3' },
  { name: 'a tune over a held C', voices: ['E4/4 F4/4 G4/4 E4/4', 'C3/1'], marked: '1:0 1:1 1:4! 1:0 5:3!' },
  {
    name: 'notes that come again',
    voices: ['G4/8 G4/8 G4/8 G4/8 G4/4 G4/4 | F4/8 F4/8 F4/4 G4/2'],
    marked: '1:3! 1:3 1:3 1:3 1:3 1:3 1:1 1:1 1:1 1:3',
  },
  {
    name: 'chromatic',
    voices: ['F4/4 F#4/4 G4/4 G#4/4 | A4/4 A#4/4 B4/4 C5/4'],
    marked: '1:1! 1:2 1:3 1:4 V>1:1! 1:2 1:3 1:4',
  },
  {
    name: 'bars that come back',
    voices: ['A3/4 B3/4 C4/4 G#3/4 | E4/1 | A3/4 B3/4 C4/4 G#3/4 | A3/1'],
    marked: '3:2! 2:0 2:1 3:1 1:0 3:2 2:0 2:1 3:1 3:2',
  },
  {
    name: 'a half barre high up',
    voices: ['A4/4 E4/4 C5/4 E4/4 | A4/4 E4/4 C5/2'],
    marked: '1:1 2:1 1:4 2:1 1:1 2:1 1:4',
  },
  { name: 'E on ② while ① moves on', voices: ['E4/2 G4/2', 'C4/2 E4/2'], marked: '1:0 1:3 2:1! 2:4!' },
  { name: 'D major', voices: ['D3+A3+D4+F#4/1'], marked: '4:0 3:1! 2:3 1:2' },
  {
    name: 'down again from position VII',
    voices: ['B4/4 D5/4 C#5/4 B4/4 | E4/4 D4/4 C4/4 B3/4'],
    marked: 'VII>1:1! 1:4 1:3 1:1 1:0! I>2:3! 2:1 2:0',
  },
  {
    name: 'a bass line in position I',
    voices: ['E2/4 F2/4 G2/4 A2/4 | B2/4 C3/4 D3/4 E3/4'],
    marked: '6:0 6:1! 6:3 5:0 5:2 5:3 4:0 4:2',
  },
  { name: 'B on ③ because ② sounds', voices: ['D4/1', 'B3/2 G3/2'], marked: '2:3! 3:4 3:0' },
];
