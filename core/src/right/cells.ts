import { pulse } from '../music/meter.ts';
import type { Score } from '../score/score.ts';
import type { PluckEvent } from './events.ts';

/**
 * A stretch of single strokes that a hand takes as one movement: an arpeggio, or the repeated notes of a tremolo.
 * Cells with the same key have the same strings in the same order at the same places.
 */
export interface Cell {
  readonly kind: 'arpeggio' | 'tremolo';
  /** Events of the cell: from the first up to, not including, `end`. */
  readonly first: number;
  readonly end: number;
  readonly key: string;
}

/** A cell of fewer strokes is no pattern yet. */
const LEAST_STROKES = 3;
/** Beats with at least so many strokes are cells of their own; slower music is read by the bar. */
const STROKES_OF_A_BEAT = 4;
/** Strings an arpeggio goes over at least. */
const LEAST_STRINGS = 3;

/** Whether a run of events is a broken chord: one or two notes at a time, over several strings, none repeated. */
const isArpeggio = (events: readonly PluckEvent[]): boolean =>
  events.length >= LEAST_STROKES &&
  events.every(({ notes }) => notes.length <= 2 && !notes.some((note) => note.isRepeated)) &&
  new Set(events.flatMap(({ notes }) => notes.map(({ string }) => string))).size >= LEAST_STRINGS &&
  events.every(
    (event, index) =>
      index === 0 ||
      event.notes.at(-1)!.string !== events[index - 1]!.notes.at(-1)!.string ||
      event.notes.length > 1,
  );

/** Whether a run is a note followed by another one that is struck over and over. */
const isTremolo = (events: readonly PluckEvent[]): boolean =>
  events.length >= LEAST_STROKES &&
  events
    .slice(1)
    .every(({ notes }) => notes.length === 1 && notes[0]!.string === events[1]!.notes[0]!.string) &&
  events.slice(2).every(({ notes }) => notes[0]!.isRepeated) &&
  events[0]!.notes.every((note) => note.string > events[1]!.notes[0]!.string);

const keyOf = (events: readonly PluckEvent[], start: number): string =>
  events
    .map(({ notes, onset }) => `${onset - start}:${notes.map(({ string }) => string).join('+')}`)
    .join(' ');

/** Finds the cells of a piece: by the beat where a beat holds at least four strokes, else by the bar. */
export const cellsOf = (score: Score, events: readonly PluckEvent[]): readonly Cell[] => {
  const cells: Cell[] = [];
  const offer = (first: number, end: number, start: number): boolean => {
    const own = events.slice(first, end);
    const kind = isTremolo(own) ? 'tremolo' : isArpeggio(own) ? 'arpeggio' : undefined;
    if (kind) cells.push({ kind, first, end, key: `${kind} ${keyOf(own, start)}` });
    return kind !== undefined;
  };
  let at = 0;
  while (at < events.length) {
    const { bar } = events[at]!;
    let end = at;
    while (end < events.length && events[end]!.bar === bar) end += 1;
    const { start, meter } = score.bars[bar]!;
    const beat = pulse(meter, score.ticksPerQuarter);
    const beats: [number, number][] = [];
    for (let from = at; from < end;) {
      const number = Math.floor((events[from]!.onset - start) / beat);
      let to = from;
      while (to < end && Math.floor((events[to]!.onset - start) / beat) === number) to += 1;
      beats.push([from, to]);
      from = to;
    }
    const isFast = beats.some(([from, to]) => to - from >= STROKES_OF_A_BEAT);
    if (isFast)
      for (const [from, to] of beats)
        offer(from, to, start + Math.floor((events[from]!.onset - start) / beat) * beat);
    else offer(at, end, start);
    at = end;
  }
  return cells;
};
