import { pulse } from '../../music/meter.ts';
import type { Score } from '../../score/score.ts';
import type { CellKind, PluckEvent } from './events.ts';

/**
 * A stretch of single strokes that a hand takes as one movement: an arpeggio, or the repeated notes of a tremolo.
 * Cells with the same key go over their strings in the same order at the same places, whichever strings they are.
 */
export interface Cell {
  readonly kind: CellKind;
  /** Events of the cell: from the first up to, not including, `end`. */
  readonly first: number;
  readonly end: number;
  readonly key: string;
  /** The order of its strings, whatever strings they are and whenever they come. */
  readonly contour: string;
}

/** A cell of fewer strokes is no pattern yet. */
const LEAST_STROKES = 3;
/** Beats with at least so many strokes are cells of their own; slower music is read by the bar. */
const STROKES_OF_A_BEAT = 4;
/** Strings an arpeggio goes over at least. */
const LEAST_STRINGS = 3;

/**
 * Whether a run of events is a broken chord: one or two notes at a time, over several strings, none repeated; the first may
 * repeat what came before.
 */
const isArpeggio = (events: readonly PluckEvent[]): boolean =>
  events.length >= LEAST_STROKES &&
  events.every(
    ({ notes }, index) => notes.length <= 2 && (index === 0 || !notes.some((note) => note.isRepeated)),
  ) &&
  new Set(events.flatMap(({ notes }) => notes.map(({ string }) => string))).size >= LEAST_STRINGS &&
  events.every(
    (event, index) =>
      index === 0 ||
      event.notes.at(-1)!.string !== events[index - 1]!.notes.at(-1)!.string ||
      event.notes.length > 1,
  );

/**
 * Where the tremolo that begins at an event ends, or the event itself when none begins there: a lower note, then one
 * higher note struck at least twice.
 */
const endOfTremolo = (events: readonly PluckEvent[], first: number): number => {
  const repeated = events[first + 1];
  const string = repeated?.notes[0]!.string;
  if (!repeated || repeated.notes.length !== 1 || events[first]!.notes.some((note) => note.string <= string!))
    return first;
  let end = first + 2;
  while (
    events[end]?.notes.length === 1 &&
    events[end]!.notes[0]!.isRepeated &&
    events[end]!.notes[0]!.string === string
  )
    end += 1;
  return end - first >= LEAST_STROKES ? end : first;
};

/** By event of a movement: the ranks of its strings among those the movement goes over, from the bass side. */
const ranksOf = (events: readonly PluckEvent[]): readonly string[] => {
  const strings = [...new Set(events.flatMap(({ notes }) => notes.map(({ string }) => string)))].sort(
    (a, b) => b - a,
  );
  return events.map(({ notes }) => notes.map(({ string }) => strings.indexOf(string)).join('+'));
};

/** The cell that some events make, read from a start in ticks. */
const cellOf = (
  events: readonly PluckEvent[],
  kind: CellKind,
  [first, end]: readonly [first: number, end: number],
  start: number,
): Cell => {
  const ranks = ranksOf(events.slice(first, end));
  const order = ranks.map((each, place) => `${events[first + place]!.onset - start}:${each}`).join(' ');
  return { kind, first, end, key: `${kind} ${order}`, contour: ranks.join(' ') };
};

/** The beat in which an event stands: its start, in ticks. */
const beatOf = (score: Score, { bar, onset }: PluckEvent): number => {
  const { start, meter } = score.bars[bar]!;
  const beat = pulse(meter, score.ticksPerQuarter);
  return start + Math.floor((onset - start) / beat) * beat;
};

/** From so many strokes on, the note below the repeated ones is the bass, on whatever string it lies. */
const STROKES_OF_A_TREMOLO = 4;

/** The events of a cell, with what it makes of them. */
const inCell = (
  events: readonly PluckEvent[],
  { kind, first, end }: Cell,
): readonly (readonly [number, PluckEvent])[] => {
  const isTremolo = kind === 'tremolo' && end - first >= STROKES_OF_A_TREMOLO;
  const plucked = new Set<number>();
  return events.slice(first, end).map((event, place) => {
    const notes = event.notes.map((note) => ({
      ...note,
      ...(isTremolo && place === 0 && { voice: 'bass' as const }),
      isReturn: kind === 'arpeggio' && plucked.has(note.string),
    }));
    for (const { string } of notes) plucked.add(string);
    return [first + place, { ...event, cell: kind, notes }] as const;
  });
};

/** Events with those marked that belong to a cell. */
export const withCells = (events: readonly PluckEvent[], cells: readonly Cell[]): readonly PluckEvent[] => {
  const known = new Map(cells.flatMap((cell) => inCell(events, cell)));
  return events.map((event, index) => known.get(index) ?? event);
};

/**
 * Finds the cells of a piece: tremolos wherever they stand, and arpeggios by the beat where a beat holds at least four
 * strokes, else by the bar.
 */
export const cellsOf = (score: Score, events: readonly PluckEvent[]): readonly Cell[] => {
  const cells: Cell[] = [];
  const offer = (first: number, end: number, start: number): void => {
    if (isArpeggio(events.slice(first, end))) cells.push(cellOf(events, 'arpeggio', [first, end], start));
  };
  for (let at = 0; at < events.length;) {
    const afterTremolo = endOfTremolo(events, at);
    if (afterTremolo > at) {
      cells.push(cellOf(events, 'tremolo', [at, afterTremolo], events[at]!.onset));
      at = afterTremolo;
      continue;
    }
    const { bar } = events[at]!;
    let end = at + 1;
    while (events[end]?.bar === bar && endOfTremolo(events, end) === end) end += 1;
    const beats: [number, number][] = [];
    for (let from = at; from < end;) {
      const beat = beatOf(score, events[from]!);
      let to = from;
      while (to < end && beatOf(score, events[to]!) === beat) to += 1;
      beats.push([from, to]);
      from = to;
    }
    if (beats.some(([from, to]) => to - from >= STROKES_OF_A_BEAT))
      for (const [from, to] of beats) offer(from, to, beatOf(score, events[from]!));
    else offer(at, end, score.bars[bar]!.start);
    at = end;
  }
  return cells;
};
