import {
  bracketWords,
  lastNoteOf,
  type MarkId,
  type MarkOrigin,
  type NoteId,
  type NotePlan,
  type PlacedMark,
  type Score,
} from '@oculon/core';
import type { HeadBox, SystemGeometry } from './geometry.ts';
import { widthOfWords } from './word-widths.ts';

/** A sign above a system: a numeral, words, or a line over a span with or without words. */
export interface SpanSign {
  readonly id: MarkId;
  readonly x: number;
  /** Where the line begins, after the words, and where it ends; both the same as `x` for signs without one. */
  readonly lineFrom: number;
  readonly until: number;
  readonly y: number;
  readonly text: string;
  readonly isItalic: boolean;
  /** The line ends here with a hook; otherwise it goes on in the next system. */
  readonly closes: boolean;
  readonly by: MarkOrigin;
  readonly title: string;
}

/** A guide finger: a line between two digits, or a dash before the second where the line would cross other notes. */
export interface GuideSign {
  readonly id: MarkId;
  readonly from: readonly [number, number];
  readonly to: readonly [number, number];
  readonly heard: boolean;
  readonly by: MarkOrigin;
}

/** Height of a row above the system, in px. */
const ROW = 16;
/** Between words and their line, in px. */
const BEFORE_LINE = 6;
const SHORTEST_LINE = 20;
const GAP = 8;
/** A guide line begins so far after a head and ends before the digit of the other; a shorter one is a dash. */
const BESIDE_HEAD = 5.5;
const DIGIT_WIDTH = 7;
/** The dash belongs to its digit and stands close to it. */
const BEFORE_DIGIT = 2;
const DASH = 6;
const SHORTEST_DASH = 3;
const DASH_RISE = 1.5;
const SHORTEST_GUIDE = 4;

/** Place of a note in a score by its id. */
export const noteIndex = ({ indexOf }: Score, id: NoteId): number | undefined => indexOf.get(id);

/** Onset of the first and end of the last note of a mark, in ticks; undefined when a note of it is not in the score. */
export const spanOfMark = (
  score: Score,
  { mark }: PlacedMark,
): { readonly onset: number; readonly until: number } | undefined => {
  const [from, to] = [noteIndex(score, mark.from), noteIndex(score, lastNoteOf(mark))];
  if (from === undefined || to === undefined) return undefined;
  const last = score.notes[to]!;
  return { onset: score.notes[from]!.onset, until: last.onset + Math.max(1, last.duration) };
};

/** The barres and the rest nearest to the staff first. */
const ORDER = ['barre', 'position', 'hold', 'text'] as const;
type RowKind = (typeof ORDER)[number];
const isInRows = (kind: string): kind is RowKind => ORDER.some((each) => each === kind);

interface Wanted extends Omit<SpanSign, 'y'> {
  readonly kind: RowKind;
  /** Where nothing else may stand. */
  readonly end: number;
}

/** Lays the signs that stand above a system out in as few rows as keep them apart; the lowest row at `bottom`. */
export const laySpans = (
  score: Score,
  geometry: SystemGeometry,
  notes: readonly NotePlan[],
  marks: readonly PlacedMark[],
  bottom: number,
): { readonly spans: readonly SpanSign[]; readonly top: number } => {
  const last = score.bars[geometry.last]!;
  const [start, end] = [score.bars[geometry.first]!.start, last.start + last.length];
  const x = (onset: number, side: 'head' | 'end'): number => {
    const later = geometry.heads.filter((head) => score.notes[head.note]!.onset >= onset);
    if (later.length === 0) return geometry.width - 4;
    const nearest = later.reduce((a, b) => (score.notes[b.note]!.onset < score.notes[a.note]!.onset ? b : a));
    return side === 'head' ? nearest.left : nearest.left - 10;
  };
  const wanted = marks.flatMap((placed): Wanted[] => {
    const { id, mark, by } = placed;
    const span = spanOfMark(score, placed);
    if (!isInRows(mark.kind) || !span || span.onset >= end || span.until <= start) return [];
    const begins = span.onset >= start;
    const from = begins ? x(span.onset, 'head') : geometry.bars[0]!.musicStart;
    // A position that the plan proposes is said once, where the hand arrives.
    const hasLine = mark.kind !== 'text' && !(mark.kind === 'position' && by === 'planned');
    if (!begins && !hasLine) return [];
    const finger = notes[noteIndex(score, mark.from)!]?.finger;
    const words =
      mark.kind === 'text'
        ? mark.text
        : mark.kind === 'hold'
          ? String(finger ?? '')
          : mark.kind === 'barre' || mark.kind === 'position'
            ? bracketWords(mark)
            : '';
    const text = begins ? words : mark.kind === 'hold' ? words : `(${words})`;
    const textEnd = from + widthOfWords(text);
    const until = hasLine
      ? Math.max(span.until > end ? geometry.width - 4 : x(span.until, 'end'), textEnd + SHORTEST_LINE)
      : from;
    const lineFrom = hasLine ? textEnd + (text === '' ? 0 : BEFORE_LINE) : from;
    return [
      {
        kind: mark.kind,
        id,
        by,
        x: from,
        lineFrom,
        until,
        text,
        isItalic: mark.kind === 'text',
        closes: span.until <= end,
        title: mark.kind === 'hold' ? `finger ${finger ?? ''} stays down` : words,
        end: Math.max(until, textEnd) + GAP,
      },
    ];
  });
  const rows: { readonly x: number; readonly end: number }[][] = [];
  const spans = wanted
    .toSorted((a, b) => ORDER.indexOf(a.kind) - ORDER.indexOf(b.kind) || a.x - b.x)
    .map(({ kind: _kind, end: until, ...sign }): SpanSign => {
      let row = rows.findIndex((taken) => taken.every((each) => each.end <= sign.x || until <= each.x));
      if (row < 0) row = rows.push([]) - 1;
      rows[row]!.push({ x: sign.x, end: until });
      return { ...sign, y: bottom - row * ROW };
    });
  return { spans, top: rows.length === 0 ? bottom : bottom - (rows.length - 1) * ROW };
};

/** Whether a straight line between two heads comes too near to another notehead or to a stem. */
const isCrossed = (heads: readonly HeadBox[], a: HeadBox, b: HeadBox): boolean =>
  heads.some((head) => {
    if (head.note === a.note || head.note === b.note || head.x <= a.x + 2 || head.x >= b.x - 2) return false;
    const y = a.y + ((b.y - a.y) * (head.x - a.x)) / (b.x - a.x);
    // The box of a note with a stem reaches half a head beyond both ends: that is its clear ground.
    return head.stem === 'none' ? Math.abs(head.y - y) < 8 : y > head.top && y < head.bottom;
  });

/** Where a dash before a digit begins: shorter where it would come near to the head or stem before it. */
const dashFrom = (heads: readonly HeadBox[], right: number, y: number): number => {
  const before = heads.filter((head) => head.x < right - SHORTEST_DASH && y > head.top && y < head.bottom);
  const end = Math.max(-Infinity, ...before.map((head) => head.x + head.width + BESIDE_HEAD));
  return Math.min(Math.max(right - DASH, end), right - SHORTEST_DASH);
};

/** Lines between the digits of guide fingers. */
export const layGuides = (
  score: Score,
  { heads }: SystemGeometry,
  marks: readonly PlacedMark[],
  digitOf: ReadonlyMap<number, { readonly x: number }>,
): readonly GuideSign[] =>
  marks.flatMap(({ id, mark, by }): GuideSign[] => {
    if (mark.kind !== 'guide') return [];
    const [from, to] = [noteIndex(score, mark.from), noteIndex(score, mark.to)];
    const a = heads.find((head) => head.note === from);
    const b = heads.find((head) => head.note === to);
    if (!b) return [];
    const digit = (digitOf.get(b.note)?.x ?? b.left - 4) - DIGIT_WIDTH;
    const [right, dash] = [digit - BESIDE_HEAD, digit - BEFORE_DIGIT];
    const isClear =
      a !== undefined && right - (a.x + a.width) > BESIDE_HEAD + SHORTEST_GUIDE && !isCrossed(heads, a, b);
    return [
      {
        id,
        by,
        heard: mark.heard,
        from: isClear ? [a.x + a.width + BESIDE_HEAD, a.y] : [dashFrom(heads, dash, b.y), b.y + DASH_RISE],
        to: [isClear ? right : dash, isClear ? b.y : b.y - DASH_RISE],
      },
    ];
  });
