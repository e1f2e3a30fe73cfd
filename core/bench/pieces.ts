import { exampleMeter, exampleXml } from '../src/testing/notation.ts';

/** Bars of a two-voice dance with held basses, an arpeggio that climbs, and a scale: tiled to any length. */
const TWO_VOICES: readonly (readonly [string, string])[] = [
  ['A3/4 C4/8 B3/8 A3/4', 'A2/2.'],
  ['B3/4 D4/8 C4/8 B3/4', 'E2/2.'],
  ['C4/4 E4/4 D4/8 C4/8', 'A2/2.'],
  ['E4/4 G4/8 F4/8 E4/4', 'C3/2.'],
  ['F4/4 A4/8 G4/8 F4/4', 'D3/2.'],
  ['D4/4 F4/8 E4/8 D4/4', 'G2/2.'],
  ['A4/4 C5/8 B4/8 A4/4', 'F3/2.'],
  ['E4/4 D4/8 C4/8 B3/4', 'G2/4 A2/4 G2/4'],
];
const ARPEGGIO: readonly (readonly [string, string])[] = [
  ['-/8 A3/8 C4/8 E4/8 C4/8 A3/8', 'A2/2.'],
  ['-/8 B3/8 D4/8 G4/8 D4/8 B3/8', 'G2/2.'],
  ['-/8 C4/8 E4/8 G4/8 E4/8 C4/8', 'C3/2.'],
  ['-/8 D4/8 F#4/8 A4/8 F#4/8 D4/8', 'D3/2.'],
  ['-/8 G4/8 C5/8 E4/8 C5/8 G4/8', 'C3/2.'],
  ['-/8 G#3/8 B3/8 E4/8 B3/8 G#3/8', 'E2/2.'],
];
const SCALE: readonly (readonly [string])[] = [
  ['C3/8 D3/8 E3/8 F3/8 G3/8 A3/8'],
  ['B3/8 C4/8 D4/8 E4/8 F4/8 G4/8'],
  ['A4/8 B4/8 C5/8 B4/8 A4/8 G4/8'],
  ['F4/8 E4/8 D4/8 C4/8 B3/8 A3/8'],
  ['G3/8 F3/8 E3/8 D3/8 C3/8 B2/8'],
];

export const TEXTURES = { 'two voices': TWO_VOICES, arpeggio: ARPEGGIO, 'single line': SCALE } as const;
export type Texture = keyof typeof TEXTURES;

const notesIn = (bar: readonly string[]): number =>
  bar
    .join(' ')
    .split(' ')
    .filter((token) => !token.startsWith('-')).length;

/** A piece in 3/4 with at least `notes` notes of a texture, or exactly `bars` bars. */
export const tiledPiece = (
  texture: Texture,
  size: { readonly notes: number } | { readonly bars: number },
): string => {
  const source: readonly (readonly string[])[] = TEXTURES[texture];
  const bars: (readonly string[])[] = [];
  let notes = 0;
  while ('bars' in size ? bars.length < size.bars : notes < size.notes) {
    const bar = source[bars.length % source.length]!;
    bars.push(bar);
    notes += notesIn(bar);
  }
  const voices = source[0]!.map((_, voice) => bars.map((bar) => bar[voice]).join(' | '));
  return exampleXml({ title: `Bench, ${texture}`, meter: exampleMeter('3/4'), tempo: 96, voices });
};
