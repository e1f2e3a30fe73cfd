import type { BarDraft } from '../../score/draft/draft.ts';
import { asPiece, even, type DrillNote } from './bars.ts';
import { drillKind } from './drill-kind.ts';
import { wholeNumber } from './parameter.ts';
import { pitchAt } from './places.ts';

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
