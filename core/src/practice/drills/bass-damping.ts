import type { StringNumber } from '../../instrument/guitar.ts';
import type { BarDraft } from '../../score/draft/draft.ts';
import { asPiece, even, type DrillNote } from './bars.ts';
import { drillKind } from './drill-kind.ts';
import { choice, wholeNumber } from './parameter.ts';
import { pitchAt } from './places.ts';

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
