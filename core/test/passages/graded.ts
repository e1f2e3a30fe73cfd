/** A texture at a tempo, in quarters a minute. */
export interface Graded {
  readonly name: string;
  readonly voices: readonly string[];
  readonly tempo: number;
}

const times = (count: number, notes: string): string => Array.from({ length: count }, () => notes).join(' ');

/**
 * Textures from first lessons to concert level, in the order in which a teacher would give them; agreed before anything was
 * measured. Common practice, no published source.
 */
export const GRADED: readonly Graded[] = [
  { name: 'two open strings in halves', voices: ['E4/2 B3/2 | E4/2 B3/2'], tempo: 60 },
  { name: 'open strings in quarters', voices: ['E4/4 B3/4 G3/4 B3/4'], tempo: 60 },
  { name: 'three notes on ① in halves', voices: ['E4/2 F4/2 | G4/2 F4/2'], tempo: 66 },
  { name: 'three notes on ① in quarters', voices: ['E4/4 F4/4 G4/4 F4/4'], tempo: 66 },
  { name: 'a tune in quarters over an open bass', voices: ['E4/4 G4/4 F4/4 E4/4', 'A2/1'], tempo: 72 },
  { name: 'a scale of C in quarters', voices: ['C3/4 D3/4 E3/4 F3/4 | G3/4 A3/4 B3/4 C4/4'], tempo: 88 },
  { name: 'open strings broken in eighths', voices: ['-/8 G3/8 B3/8 E4/8 B3/8 G3/8', 'E2/2.'], tempo: 66 },
  { name: 'a tune in quarters, brisk', voices: ['E4/4 F4/4 G4/4 A4/4 | G4/4 F4/4 E4/4 D4/4'], tempo: 112 },
  { name: 'A minor broken in eighths', voices: ['-/8 A3/8 C4/8 E4/8 C4/8 A3/8', 'A2/2.'], tempo: 80 },
  { name: 'a tune in eighths, slow', voices: ['E4/8 F4/8 G4/8 F4/8 E4/8 D4/8 C4/8 D4/8'], tempo: 66 },
  { name: 'three-finger chords in halves', voices: ['E2+B2+E3+G#3/2 A2+E3+A3+C#4/2'], tempo: 60 },
  { name: 'a scale of C in eighths', voices: ['C3/8 D3/8 E3/8 F3/8 G3/8 A3/8 B3/8 C4/8'], tempo: 92 },
  { name: 'C and A minor broken, flowing', voices: ['-/8 G3/8 C4/8 E4/8 C4/8 G3/8', 'C3/2.'], tempo: 120 },
  {
    name: 'a tune in eighths over basses',
    voices: ['C4/8 D4/8 E4/8 F4/8 G4/8 F4/8 E4/8 D4/8', 'C3/2 G2/2'],
    tempo: 100,
  },
  {
    name: 'three-finger chords in quarters',
    voices: ['E2+B2+E3+G#3/4 D3+A3+D4+F#4/4 E2+B2+E3+G#3/4 D3+A3+D4+F#4/4'],
    tempo: 80,
  },
  { name: 'a scale in eighths, quick', voices: ['C3/8 D3/8 E3/8 F3/8 G3/8 A3/8 B3/8 C4/8'], tempo: 132 },
  { name: 'slurred pairs in sixteenths', voices: [times(4, 'E4/16( F4/16)') + ' E4/2'], tempo: 84 },
  {
    name: 'arpeggio in sixteenths on a held shape',
    voices: [times(4, 'A2/16 A3/16 C4/16 E4/16')],
    tempo: 84,
  },
  {
    name: 'chords under barres in quarters',
    voices: ['F2+C3+F3+A3+C4+F4/4 E2+B2+E3+G#3/4 F2+C3+F3+A3+C4+F4/4 E2+B2+E3+G#3/4'],
    tempo: 92,
  },
  {
    name: 'a line in sixteenths, moderate',
    voices: [times(2, 'E4/16 F4/16 G4/16 F4/16 E4/16 D4/16 C4/16 D4/16')],
    tempo: 84,
  },
  { name: 'tremolo, moderate', voices: [times(4, '-/32 E4/32 E4/32 E4/32'), times(4, 'A2/8')], tempo: 48 },
  { name: 'slurred pairs, quick', voices: [times(4, 'E4/16( F4/16)') + ' E4/2'], tempo: 112 },
  {
    name: 'a line in sixteenths, quick',
    voices: [times(2, 'E4/16 F4/16 G4/16 F4/16 E4/16 D4/16 C4/16 D4/16')],
    tempo: 104,
  },
  { name: 'arpeggio in sixteenths, quick', voices: [times(4, 'A2/16 A3/16 C4/16 E4/16')], tempo: 132 },
  { name: 'tremolo at speed', voices: [times(4, '-/32 E4/32 E4/32 E4/32'), times(4, 'A2/8')], tempo: 68 },
  {
    name: 'a line in sixteenths at concert speed',
    voices: [times(2, 'E4/16 F4/16 G4/16 F4/16 E4/16 D4/16 C4/16 D4/16')],
    tempo: 126,
  },
  {
    name: 'chords without a common finger in eighths',
    voices: [times(4, 'E2+B2+E3+G#3/8 D3+A3+D4+F#4/8')],
    tempo: 96,
  },
  { name: 'arpeggio at concert speed', voices: [times(4, 'A2/16 A3/16 C4/16 E4/16')], tempo: 176 },
  {
    name: 'a line at the edge',
    voices: [times(2, 'E4/16 F4/16 G4/16 F4/16 E4/16 D4/16 C4/16 D4/16')],
    tempo: 152,
  },
  {
    name: 'barre chords in eighths at speed',
    voices: [times(4, 'F2+C3+F3+A3+C4+F4/8 E2+B2+E3+G#3/8')],
    tempo: 126,
  },
];
