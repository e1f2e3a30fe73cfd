import type { BarDraft } from '../../score/draft/draft.ts';
import { asPiece, even, type DrillNote } from './bars.ts';
import { drillKind } from './drill-kind.ts';
import { choice, wholeNumber } from './parameter.ts';
import { pitchAt } from './places.ts';
import { PROGRESSION_NAMES, PROGRESSIONS } from './progressions.ts';

/** Strokes of a bar of eighths: down across the strings, up, or nothing. */
const STROKES = {
  'four-down': 'd-d-d-d-',
  'down-up': 'dudududu',
  'long-short': 'd-dud-du',
  'off-beat': 'd--u-udu',
} as const;

/** Strums over chords, from the bass outward and back. */
export const strums = drillKind({
  name: 'strums',
  group: 'right-hand',
  care: ['repetition'],
  parameters: {
    strokes: choice(['four-down', 'down-up', 'long-short', 'off-beat'], 'long-short'),
    chords: choice(PROGRESSION_NAMES, 'a-minor'),
    tempo: wholeNumber(30, 200, 80),
  },
  make: ({ strokes, chords, tempo }) => {
    const bars = PROGRESSIONS[chords].map((chord): BarDraft => {
      const strings = ([6, 5, 4, 3, 2, 1] as const).filter((string) => chord.frets[string - 1] !== undefined);
      const notes = [...STROKES[strokes]].map((stroke): DrillNote => {
        if (stroke === '-') return { pitches: [] };
        return {
          pitches: strings.map((string) => pitchAt(string, chord.frets[string - 1]!)),
          fingering: strings.map((string) => ({
            string,
            ...(chord.frets[string - 1] === 0 && { finger: 0 }),
          })),
          strum: stroke === 'd' ? 'outward' : 'back',
        };
      });
      return { voices: [even(notes, 2)] };
    });
    return { bars: asPiece(bars, { tempo }), tempo };
  },
});
