import type { StringNumber } from '../../instrument/guitar.ts';
import { sharpSpelling } from '../../music/pitch.ts';
import type { BarDraft } from '../../score/draft/draft.ts';
import { asPiece, even, lineInBars, upAndDown, type DrillNote } from './bars.ts';
import { drillKind } from './drill-kind.ts';
import { choice, wholeNumber } from './parameter.ts';
import { openOf, pitchAt } from './places.ts';

/** The index over the strings, fret by fret down the neck to where it weighs more, with a rest after each. */
export const barreSteps = drillKind({
  name: 'barre-steps',
  group: 'left-hand',
  care: ['barre'],
  parameters: {
    from: wholeNumber(1, 12, 7),
    to: wholeNumber(1, 12, 5),
    strings: wholeNumber(2, 6, 4),
    tempo: wholeNumber(30, 120, 50),
  },
  make: ({ from, to, strings, tempo }) => {
    const step = to < from ? -1 : 1;
    const frets = Array.from({ length: Math.abs(to - from) + 1 }, (_, index) => from + step * index);
    const under = ([6, 5, 4, 3, 2, 1] as const).slice(6 - strings);
    const bars = frets.map((fret): BarDraft => {
      // String after string, to hear each; then all fingers off.
      const notes = under.map((string): DrillNote => {
        return { pitches: [pitchAt(string, fret)], fingering: [{ string, finger: 1 }], letRing: true };
      });
      const rests: readonly DrillNote[] = Array.from({ length: 8 - notes.length }, () => ({ pitches: [] }));
      return { voices: [even([...notes, ...rests], 2)] };
    });
    return { bars: asPiece(bars, { tempo }), tempo };
  },
});

/** Nodes of natural harmonics with what sounds above the open string, in semitones (handbook §6). */
const NODES = { '12': 12, '7': 19, '5': 24 } as const;

/** Natural harmonics string by string at a node, or at all three. */
export const harmonics = drillKind({
  name: 'harmonics',
  group: 'left-hand',
  care: [],
  parameters: {
    node: choice(['12', '7', '5', 'all'], '12'),
    texture: choice(['one-by-one', 'together'], 'one-by-one'),
    tempo: wholeNumber(30, 120, 60),
  },
  make: ({ node, texture, tempo }) => {
    const nodes = node === 'all' ? (['12', '7', '5'] as const) : [node];
    const place = (string: StringNumber, at: keyof typeof NODES) => ({
      pitch: sharpSpelling(openOf(string) + NODES[at]),
      fingering: { string, fret: Number(at) },
    });
    const together = (at: keyof typeof NODES, strings: readonly StringNumber[]): DrillNote => {
      const places = strings.map((string) => place(string, at));
      return {
        pitches: places.map(({ pitch }) => pitch),
        fingering: places.map(({ fingering }) => fingering),
        harmonic: 'natural',
        letRing: true,
      };
    };
    const strings: readonly StringNumber[] = [6, 5, 4, 3, 2, 1];
    if (texture === 'one-by-one') {
      const notes = nodes.flatMap((at) => upAndDown(strings).map((string) => together(at, [string])));
      return { bars: asPiece(lineInBars(notes, 1), { tempo }), tempo };
    }
    const notes = nodes.flatMap((at) => [
      together(at, [3, 2, 1]),
      together(at, [4, 3, 2]),
      together(at, [5, 4, 3]),
      together(at, [6, 5, 4]),
    ]);
    return { bars: asPiece(lineInBars(notes, 1), { tempo }), tempo };
  },
});

/** Roots on open strings, each to be stopped when the next sounds, with rests that must be silent. */
const BASS_LINES = {
  'e-a-d': [6, 5, 4, 5],
  'a-e': [5, 6, 5, 6],
  'd-a-e': [4, 5, 6, 5],
} as const satisfies Readonly<Record<string, readonly StringNumber[]>>;

/** Bass lines over open strings that must not ring into each other, alone or under a tune. */
export const bassDamping = drillKind({
  name: 'bass-damping',
  group: 'right-hand',
  care: [],
  parameters: {
    line: choice(['e-a-d', 'a-e', 'd-a-e'], 'e-a-d'),
    values: choice(['full', 'with-rests'], 'with-rests'),
    tune: choice(['none', 'open-strings'], 'none'),
    tempo: wholeNumber(30, 120, 60),
  },
  make: ({ line, values, tune, tempo }) => {
    const strings = [...BASS_LINES[line], ...BASS_LINES[line]];
    const basses = strings.flatMap((string): readonly DrillNote[] => {
      const note: DrillNote = {
        pitches: [pitchAt(string, 0)],
        fingering: [{ string, finger: 0, pluck: 'p' }],
      };
      return values === 'full' ? [note] : [note, { pitches: [] }];
    });
    const upper = ([2, 1, 2, 3] as const).map((string, index): DrillNote => {
      return {
        pitches: [pitchAt(string, 0)],
        fingering: [{ string, finger: 0, pluck: 'imim'[index]! }],
      };
    });
    const bars = Array.from({ length: basses.length / 4 }, (_, bar): BarDraft => {
      const bass = even(basses.slice(4 * bar, 4 * bar + 4), 1);
      return { voices: tune === 'none' ? [bass] : [even(upper, 1), bass] };
    });
    return { bars: asPiece(bars, { tempo }), tempo };
  },
});
