import type { BarDraft } from '../../score/draft/draft.ts';
import { asPiece, even, type DrillNote } from './bars.ts';
import { drillKind } from './drill-kind.ts';
import { choice, wholeNumber } from './parameter.ts';
import { pitchAt } from './places.ts';
import { PROGRESSION_NAMES, PROGRESSIONS } from './progressions.ts';

/** Strokes of a bar, so many to a beat: out across the strings (d), back (u), or nothing. */
const STROKES = {
  'four-down': { strokes: 'd-d-d-d-', perBeat: 2 },
  'down-up': { strokes: 'dudududu', perBeat: 2 },
  'long-short': { strokes: 'd-dud-du', perBeat: 2 },
  'off-beat': { strokes: 'd--u-udu', perBeat: 2 },
  // Fingers flicked out one after the other, c a m i, all strokes alike; or a and i out and i back. Common practice.
  'four-fingers': { strokes: 'dddd'.repeat(4), perBeat: 4 },
  'out-out-back': { strokes: 'ddu'.repeat(4), perBeat: 3 },
} as const;

/** Strums over chords, from the bass outward and back. */
export const strums = drillKind({
  name: 'strums',
  group: 'right-hand',
  care: ['repetition'],
  parameters: {
    strokes: choice(
      ['four-down', 'down-up', 'long-short', 'off-beat', 'four-fingers', 'out-out-back'],
      'long-short',
    ),
    chords: choice(PROGRESSION_NAMES, 'a-minor'),
    tempo: wholeNumber(30, 200, 80),
  },
  make: ({ strokes, chords, tempo }) => {
    const bars = PROGRESSIONS[chords].map((chord): BarDraft => {
      const strings = ([6, 5, 4, 3, 2, 1] as const).filter((string) => chord.frets[string - 1] !== undefined);
      const notes = [...STROKES[strokes].strokes].map((stroke): DrillNote => {
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
      return { voices: [even(notes, STROKES[strokes].perBeat)] };
    });
    return { bars: asPiece(bars, { tempo }), tempo };
  },
});
