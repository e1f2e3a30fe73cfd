import type { StringNumber } from '../../instrument/guitar.ts';
import type { BarDraft } from '../../score/draft/draft.ts';
import { asPiece, even, type DrillNote } from './bars.ts';
import { drillKind } from './drill-kind.ts';
import { choice, wholeNumber } from './parameter.ts';
import { pitchAt } from './places.ts';

/** Accents that move: every so many notes, from any note of the group on; threes against twos and the like come of it. */
export const accents = drillKind({
  name: 'accents',
  group: 'right-hand',
  care: ['repetition'],
  parameters: {
    'per-beat': wholeNumber(2, 4, 4),
    every: wholeNumber(2, 5, 3),
    from: wholeNumber(1, 5, 1),
    fingers: choice(['im', 'ma', 'ia', 'ami', 'pima'], 'im'),
    string: choice(['1', '2', '3'], '1'),
    tempo: wholeNumber(30, 160, 60),
  },
  make: ({ 'per-beat': perBeat, every, from, fingers, string: chosen, tempo }) => {
    const string = Number(chosen) as StringNumber;
    // As many bars as it takes until accents, fingers and beats come together again, four at most.
    const period = [every, fingers.length].reduce((all, each) => leastMultiple(all, each), 4 * perBeat);
    const count = Math.min(period, 16 * perBeat);
    const notes = Array.from({ length: count }, (_, index): DrillNote => {
      const isAccent = (((index - (from - 1)) % every) + every) % every === 0;
      const letter = fingers[index % fingers.length]!;
      // The thumb has the fourth string for its own.
      const on = letter === 'p' ? 4 : string;
      return {
        pitches: [pitchAt(on, 0)],
        fingering: [{ string: on, finger: 0, pluck: letter }],
        ...(isAccent && { articulations: ['accent'] }),
      };
    });
    const perBar = 4 * perBeat;
    const bars = Array.from({ length: Math.ceil(count / perBar) }, (_, bar): BarDraft => {
      return { voices: [even(notes.slice(bar * perBar, (bar + 1) * perBar), perBeat)] };
    });
    return { bars: asPiece(bars, { tempo }), tempo };
  },
});

const leastMultiple = (one: number, other: number): number => {
  let multiple = one;
  while (multiple % other !== 0) multiple += one;
  return multiple;
};

/** Bars of three against two that are played. */
const BARS_OF_THREES = 8;

/** Three notes of the fingers against two of the thumb, on open strings: three quarters over two dotted ones. */
export const threeAgainstTwo = drillKind({
  name: 'three-against-two',
  group: 'right-hand',
  care: ['repetition'],
  parameters: {
    fingers: choice(['im', 'ma', 'ima', 'ami'], 'im'),
    threes: choice(['fingers', 'thumb'], 'fingers'),
    tempo: wholeNumber(30, 160, 60),
  },
  make: ({ fingers, threes, tempo }) => {
    let struck = 0;
    const upper = (): DrillNote => {
      const letter = fingers[struck % fingers.length]!;
      struck += 1;
      return { pitches: [pitchAt(1, 0)], fingering: [{ string: 1, finger: 0, pluck: letter }] };
    };
    const lower: DrillNote = { pitches: [pitchAt(5, 0)], fingering: [{ string: 5, finger: 0, pluck: 'p' }] };
    const bars = Array.from({ length: BARS_OF_THREES }, (): BarDraft => {
      const three = (note: () => DrillNote) => even([note(), note(), note()], 1);
      const two = (note: () => DrillNote) =>
        [note(), note()].map((each) => ({ ...each, type: 'quarter' as const, dots: 1 }));
      return {
        voices: threes === 'fingers' ? [three(upper), two(() => lower)] : [two(upper), three(() => lower)],
      };
    });
    return { bars: asPiece(bars, { tempo, meter: { beats: 6, beatType: 8 } }), tempo };
  },
});
