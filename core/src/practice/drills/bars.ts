import type { Meter } from '../../music/meter.ts';
import type { PitchSpelling } from '../../music/pitch.ts';
import type { BarDraft, EventDraft } from '../../score/draft/draft.ts';
import type { NoteType, SourceFingering } from '../../score/score.ts';

/** A note or chord of a drill, without its length. */
export interface DrillNote extends Pick<
  EventDraft,
  'slur' | 'letRing' | 'articulations' | 'harmonic' | 'strum' | 'tiedOn'
> {
  /** As they sound; none for a rest. */
  readonly pitches: readonly PitchSpelling[];
  readonly fingering?: readonly SourceFingering[];
}

/** How many notes fill a beat of a quarter, and how they are written. */
const DIVISIONS: Readonly<Record<number, { readonly type: NoteType; readonly ratio?: EventDraft['ratio'] }>> =
  {
    1: { type: 'quarter' },
    2: { type: 'eighth' },
    3: { type: 'eighth', ratio: { actual: 3, normal: 2 } },
    4: { type: '16th' },
    6: { type: '16th', ratio: { actual: 6, normal: 4 } },
    8: { type: '32nd' },
  };
export const FOUR_FOUR: Meter = { beats: 4, beatType: 4 };

/** Quarters that a last note may fill, the longest first, with how they are written. */
const ENDINGS: readonly (readonly [number, NoteType, number])[] = [
  [4, 'whole', 0],
  [3, 'half', 1],
  [2, 'half', 0],
  [1, 'quarter', 0],
];

/** Notes of one length, `perBeat` to the quarter, as events; groups of three, six are bracketed by the beat. */
export const even = (notes: readonly DrillNote[], perBeat: number): readonly EventDraft[] => {
  const { type, ratio } = DIVISIONS[perBeat]!;
  return notes.map((note, index): EventDraft => {
    const place = index % perBeat;
    const isWhole = index - place + perBeat <= notes.length;
    return {
      ...note,
      type,
      ...(ratio && { ratio }),
      ...(ratio && isWhole && place === 0 && { tuplet: 'start' as const }),
      ...(ratio && isWhole && place === perBeat - 1 && { tuplet: 'stop' as const }),
    };
  });
};

/** A line as bars of four quarters; its last note lasts to the end of its bar when it falls on a beat. */
export const lineInBars = (notes: readonly DrillNote[], perBeat: number): readonly BarDraft[] => {
  const perBar = 4 * perBeat;
  const before = (notes.length - 1) % perBar;
  const rest = 4 - before / perBeat;
  const ending = before % perBeat === 0 ? ENDINGS.find(([quarters]) => quarters === rest) : undefined;
  const events = ending
    ? [
        ...even(notes.slice(0, -1), perBeat),
        { ...notes.at(-1)!, type: ending[1], ...(ending[2] > 0 && { dots: ending[2] }) },
      ]
    : even(notes, perBeat);
  return Array.from({ length: Math.ceil(notes.length / perBar) }, (_, bar) => ({
    voices: [events.slice(bar * perBar, (bar + 1) * perBar)],
  }));
};

/** The same with meter, key and a final bar line. */
export const asPiece = (
  bars: readonly BarDraft[],
  { signature = 0, meter = FOUR_FOUR, tempo }: { signature?: number; meter?: Meter; tempo: number },
): readonly BarDraft[] =>
  bars.map((bar, index) => ({
    ...bar,
    ...(index === 0 && { meter, key: signature, tempo }),
    ...(index === bars.length - 1 && bar.repeatEnd === undefined && { barline: 'final' as const }),
  }));

/** Up, then down again without the top twice. */
export const upAndDown = <T>(up: readonly T[], down: readonly T[] = up.toReversed()): readonly T[] => [
  ...up,
  ...down.slice(1),
];
