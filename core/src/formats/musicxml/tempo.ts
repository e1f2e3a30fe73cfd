import { DEFAULT_TEMPO } from '../../score/clock.ts';
import type { TempoMark } from '../../score/score.ts';
import { childNamed, childText, childrenNamed, type XmlElement } from '../xml/tree.ts';
import { writtenQuarters } from '../../score/note-length.ts';
import { NOTE_TYPES } from '../../score/score.ts';
import type { NumberGate } from './numbers.ts';

/** The tempo that a `direction` or `sound` sets, in quarters a minute. */
export const tempoIn = (element: XmlElement, gate: NumberGate): number | undefined => {
  for (const sound of [element, ...childrenNamed(element, 'sound')]) {
    const { tempo } = sound.attributes;
    const value = tempo === undefined ? undefined : gate.text(tempo, 'tempo', sound.line);
    if (value !== undefined) return value;
  }
  for (const type of childrenNamed(element, 'direction-type')) {
    const metronome = childNamed(type, 'metronome');
    const number = metronome && /\d+(\.\d+)?/.exec(childText(metronome, 'per-minute') ?? '')?.[0];
    const perMinute = number === undefined ? undefined : gate.text(number, 'per-minute', metronome!.line);
    const unit = metronome && NOTE_TYPES.find((each) => each === childText(metronome, 'beat-unit'));
    if (perMinute !== undefined && unit)
      return perMinute * writtenQuarters(unit, childrenNamed(metronome, 'beat-unit-dot').length);
  }
  return undefined;
};

/** Bars with the tempi found in them, at ticks from their start. */
interface TimedBar {
  readonly start: number;
  readonly walked: {
    readonly tempi: readonly { readonly at: number; readonly quartersPerMinute: number }[];
  };
}

/**
 * Tempo marks in piece time, ascending, whatever the voice and the order in which they stand in the file; the first
 * stands at 0. Of several at one moment the first counts.
 */
export const tempoMarks = (bars: readonly TimedBar[]): readonly TempoMark[] => {
  const marks = bars
    .flatMap(({ start, walked }) =>
      walked.tempi.map(({ at, quartersPerMinute }) => ({ onset: start + at, quartersPerMinute })),
    )
    .sort((a, b) => a.onset - b.onset)
    .filter(({ onset }, index, all) => onset !== all[index - 1]?.onset);
  const opening = { onset: 0, quartersPerMinute: marks[0]?.quartersPerMinute ?? DEFAULT_TEMPO };
  return [opening, ...marks.filter((mark) => mark.onset > 0)] as readonly unknown[] as readonly TempoMark[];
};
