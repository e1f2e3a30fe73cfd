import { randomFrom } from '../src/practice/forecast.ts';
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

/** A bar by its place in the piece: its voices. */
type Bars = (place: number) => readonly string[];

const tiled =
  (bars: readonly (readonly string[])[]): Bars =>
  (place) =>
    bars[place % bars.length]!;

const SCALE_OF_G = 'B3 C4 D4 E4 F#4 G4 A4 B4 C5 D5 E5 F#5 G5'.split(' ');
const BASSES = 'E2 F#2 G2 A2 B2 C3 D3'.split(' ');
const RHYTHMS = ['4 8 8 4', '8 8 8 8 4', '4 4 8 8', '8 8 4 4', '4. 8 4', '2 8 8'];

/** A tune that wanders over a bass of its own, a bar at a time; always the same one, and none of its bars is sought again. */
const wandering = (): Bars => {
  const random = randomFrom(1);
  const below = (count: number): number => Math.floor(random() * count);
  const bars: (readonly string[])[] = [];
  let at = 5;
  const next = (): string => {
    const step = [-2, -1, -1, 1, 1, 2, 3, -3][below(8)]!;
    const to = at + step;
    at = to >= 0 && to < SCALE_OF_G.length ? to : at - step;
    return SCALE_OF_G[at]!;
  };
  return (place) => {
    while (bars.length <= place) {
      const tune = RHYTHMS[below(RHYTHMS.length)]!.split(' ').map((length) => `${next()}/${length}`);
      bars.push([tune.join(' '), `${BASSES[below(BASSES.length)]!}/2.`]);
    }
    return bars[place]!;
  };
};

/** Most music comes back; what a piece costs that never does is shown beside it. */
export const TEXTURES = {
  'two voices': tiled(TWO_VOICES),
  arpeggio: tiled(ARPEGGIO),
  'single line': tiled(SCALE),
  'no returns': wandering(),
} as const satisfies Readonly<Record<string, Bars>>;
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
  const barAt = TEXTURES[texture];
  const bars: (readonly string[])[] = [];
  let notes = 0;
  while ('bars' in size ? bars.length < size.bars : notes < size.notes) {
    const bar = barAt(bars.length);
    bars.push(bar);
    notes += notesIn(bar);
  }
  const voices = bars[0]!.map((_, voice) => bars.map((bar) => bar[voice]).join(' | '));
  return exampleXml({ title: `Bench, ${texture}`, meter: exampleMeter('3/4'), tempo: 96, voices });
};
