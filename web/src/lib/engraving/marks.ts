import {
  stringSign,
  type MarksAt,
  type Note,
  type NotePlan,
  type PlacedMark,
  type Score,
} from '@oculon/core';
import { hasWordsOver } from './directions.ts';
import { layEndings, type EndingSign } from './endings.ts';
import type { HeadBox, SystemGeometry } from './geometry.ts';
import { laySlides, type SlideSign } from './slides.ts';
import { laySlurs, type SlurSign } from './slurs.ts';
import { layGuides, laySpans, type GuideSign, type SpanSign } from './span-signs.ts';

/** Who decided a mark: decides its look, never by colour alone. */
export type Origin = 'planned' | 'teacher' | 'source';

export interface TextMark {
  readonly note: number;
  readonly x: number;
  readonly y: number;
  readonly text: string;
  readonly origin: Origin;
}

/** Everything that stands on a system beside the engraving itself. */
export interface SystemMarks {
  readonly fingers: readonly TextMark[];
  readonly strings: readonly TextMark[];
  readonly plucks: readonly TextMark[];
  readonly spans: readonly SpanSign[];
  readonly guides: readonly GuideSign[];
  readonly slurs: readonly SlurSign[];
  readonly endings: readonly EndingSign[];
  readonly slides: readonly SlideSign[];
  readonly top: number;
  readonly bottom: number;
  /** Baseline of words above and of dynamics below the staff. */
  readonly wordsY: number;
  readonly dynamicsY: number;
}

export type Origins = (note: number, field: 'string' | 'finger' | 'pluck') => Origin;

/** A note that nothing is known of yet. */
export const bareNote = ({ id }: Note): NotePlan => ({
  id,
  string: undefined,
  fret: undefined,
  finger: undefined,
  barre: false,
  pluck: undefined,
  locked: false,
  tied: false,
  cost: {},
});

/** Room each mark takes, px. */
const STAFF_SPACE = 10;
const DIGIT_GAP = 5.5;
/** A ledger line reaches so far to the left of its head, px. */
const LEDGER_REACH = 4;
const DIGIT_HEIGHT = 10;
const DIGIT_WIDTH = 8;
/** How far above or below its head an accidental reaches, px. */
const ACCIDENTAL_REACH = 16;
const PLUCK_LINE = 16;
/** Letters nearer to each other than this would touch: they stand under one another. */
const PLUCK_WIDTH = 16;
const STRING_LINE = 16.5;
/** Strings of heads nearer to each other than this stand over one another. */
const STRING_WIDTH = 16;
/** A slur that ends so far before a head is clear of its string, px. */
const BESIDE_SLUR = 5;
const ROW = 17;
/** Words stand so high over the staff at least, clear of clef and key, px. */
const OVER_HEADER = 21;
/** The line of an ending over the staff and what stands on it, and over the baseline of a row of words, px. */
const ENDING_OVER = 18;
const ENDING_OVER_ROW = 29;

/** Digits left of their heads; where two would touch, the lower one moves aside. */
const digitMarks = (
  score: Score,
  { heads, staffTop, staffBottom }: SystemGeometry,
  notes: readonly NotePlan[],
  origin: Origins,
): TextMark[] => {
  const marks: TextMark[] = [];
  const isOnLedger = (y: number): boolean =>
    y < staffTop - STAFF_SPACE / 2 || y > staffBottom + STAFF_SPACE / 2;
  // Heads of one moment are one column, even where two voices push each other aside.
  const columns = new Map<string, HeadBox[]>();
  for (const head of heads) {
    const { onset, grace } = score.notes[head.note]!;
    const key = grace ? `grace ${head.note}` : String(onset);
    columns.set(key, [...(columns.get(key) ?? []), head]);
  }
  for (const column of columns.values()) {
    // Only what stands beside a head pushes its digit away: the accidentals of the chord around it.
    const leftOf = ({ y }: HeadBox): number =>
      Math.min(
        ...column
          .filter((other) => Math.abs(other.y - y) <= ACCIDENTAL_REACH)
          .map((other) => Math.min(other.left, other.x - (isOnLedger(other.y) ? LEDGER_REACH : 0))),
      );
    let lastY = -Infinity;
    let aside = 0;
    for (const head of column.sort((a, b) => a.y - b.y)) {
      const { finger } = notes[head.note]!;
      if (finger === undefined || notes[head.note]!.tied) continue;
      aside = head.y - lastY < DIGIT_HEIGHT ? aside + DIGIT_WIDTH : 0;
      lastY = head.y;
      marks.push({
        note: head.note,
        x: leftOf(head) - DIGIT_GAP - aside,
        y: head.y + 4,
        text: String(finger),
        origin: origin(head.note, 'finger'),
      });
    }
  }
  return marks;
};

/** Strings are shown where a reader would expect another one: high up, or decided by someone. */
const showsString = (note: NotePlan, origin: Origin): boolean => origin !== 'planned' || (note.fret ?? 0) > 4;

/**
 * Noteheads whose string need not be said again: their voice goes on along it without a gap, in a tremolo or a run.
 */
const goesOnAlong = (score: Score, heads: readonly HeadBox[], notes: readonly NotePlan[]): Set<number> => {
  const goesOn = new Set<number>();
  const lastOf = new Map<string, number>();
  for (const { note } of heads.toSorted((a, b) => score.notes[a.note]!.onset - score.notes[b.note]!.onset)) {
    const { voice, onset } = score.notes[note]!;
    const before = lastOf.get(voice);
    const last = before === undefined ? undefined : score.notes[before]!;
    if (last && notes[before!]!.string === notes[note]!.string && onset <= last.onset + last.duration)
      goesOn.add(note);
    lastOf.set(voice, note);
  }
  return goesOn;
};

/** Heads in columns from left to right: those of one lie nearer to each other than `width`. */
const columnsOf = (heads: readonly HeadBox[], width: number): readonly (readonly HeadBox[])[] => {
  const columns: HeadBox[][] = [];
  for (const head of heads.toSorted((a, b) => a.x - b.x)) {
    const column = columns.at(-1);
    if (column && head.x - column[0]!.x < width) column.push(head);
    else columns.push([head]);
  }
  return columns;
};

const stringMarks = (
  score: Score,
  heads: readonly HeadBox[],
  notes: readonly NotePlan[],
  origin: Origins,
  everyString: boolean,
  slurs: readonly SlurSign[],
): TextMark[] => {
  const goesOn = goesOnAlong(score, heads, notes);
  // A note without a stem that lies under others is their bass.
  const standsBelow = ({ stem, x, y }: HeadBox): boolean =>
    stem === 'down' ||
    (stem === 'none' && heads.some((other) => other.y < y && Math.abs(other.x - x) < STRING_WIDTH));
  return [true, false].flatMap((isBelow) => {
    const own = heads.filter((head) => standsBelow(head) === isBelow);
    return columnsOf(own, STRING_WIDTH).flatMap((column) => {
      // Strings of all voices of a column stand beyond the last of its stems, and beyond slurs.
      const x = column[0]!.x;
      const over = slurs.filter(
        (slur) => slur.isAbove !== isBelow && slur.from < x + STRING_WIDTH && slur.until > x - BESIDE_SLUR,
      );
      const top = Math.min(...[...column, ...over].map((each) => each.top));
      const bottom = Math.max(...[...column, ...over].map((each) => each.bottom));
      let rank = 0;
      return column
        .toSorted((a, b) => b.y - a.y)
        .flatMap((head): TextMark[] => {
          const note = notes[head.note]!;
          if (note.string === undefined || note.tied) return [];
          const by = origin(head.note, 'string');
          if (!everyString && (!showsString(note, by) || (by === 'planned' && goesOn.has(head.note))))
            return [];
          const y = isBelow ? bottom + STRING_LINE * (rank + 1) - 2 : top - 7.5 - STRING_LINE * rank;
          rank += 1;
          return [
            { note: head.note, x: head.x + head.width / 2, y, text: stringSign(note.string), origin: by },
          ];
        });
    });
  });
};

/** p i m a in columns below the system: the lowest string at the bottom. */
const pluckMarks = (
  heads: readonly HeadBox[],
  notes: readonly NotePlan[],
  origin: Origins,
  below: number,
  isShown: (head: HeadBox) => boolean,
): { marks: TextMark[]; height: number } => {
  const plucked = heads.filter((head) => notes[head.note]!.pluck !== undefined && isShown(head));
  const columns = columnsOf(plucked, PLUCK_WIDTH);
  const deepest = Math.max(0, ...columns.map((column) => column.length));
  const marks = columns.flatMap((column) =>
    column
      .toSorted((a, b) => a.y - b.y)
      .map((head, place): TextMark => ({
        note: head.note,
        x: head.x + head.width / 2,
        y: below + PLUCK_LINE * (place + 1),
        text: notes[head.note]!.pluck!,
        origin: origin(head.note, 'pluck'),
      })),
  );
  return { marks, height: deepest * PLUCK_LINE };
};

/** Lays all marks of one system out around its ink, in rows that do not touch. */
export const layMarks = (
  score: Score,
  geometry: SystemGeometry,
  notes: readonly NotePlan[],
  placed: readonly PlacedMark[],
  origin: Origins,
  options: {
    readonly everyString: boolean;
    /** The marks to show; all of them when missing. */
    readonly written?: ReadonlyMap<number, MarksAt> | undefined;
  },
): SystemMarks => {
  const { heads } = geometry;
  const { written, everyString } = options;
  const isShown =
    (field: keyof MarksAt) =>
    ({ note }: Pick<TextMark, 'note'>): boolean =>
      !written || origin(note, field) !== 'planned' || (written.get(note)?.[field] ?? false);
  const fingers = digitMarks(score, geometry, notes, origin).filter(isShown('finger'));
  const slurs = laySlurs(score, geometry, placed);
  const strings = stringMarks(
    score,
    heads,
    notes,
    origin,
    everyString || written !== undefined,
    slurs,
  ).filter(isShown('string'));
  const top = Math.min(
    geometry.inkTop,
    ...strings.map((mark) => mark.y - 11),
    ...slurs.map((slur) => slur.top),
  );
  const bottom = Math.max(
    geometry.inkBottom,
    ...strings.map((mark) => mark.y + 3),
    ...slurs.map((slur) => slur.bottom),
  );

  const { spans, top: rowsTop } = laySpans(score, geometry, notes, placed, top - 8);
  const hasRows = spans.length > 0;
  const hasWords = hasWordsOver(score, geometry);
  const wordsY = hasRows ? rowsTop - ROW : Math.min(top - 6, geometry.staffTop - OVER_HEADER);
  const hasDynamics = score.directions.some(
    ({ bar, kind }) => kind === 'dynamics' && bar >= geometry.first && bar <= geometry.last,
  );
  const dynamicsY = bottom + 15;
  const plucks = pluckMarks(heads, notes, origin, hasDynamics ? dynamicsY + 6 : bottom + 4, isShown('pluck'));
  const rowsEnd = hasWords ? wordsY : hasRows ? rowsTop : top;
  const endingsY = rowsEnd - (hasWords || hasRows ? ENDING_OVER_ROW : ENDING_OVER);
  const endings = layEndings(score, geometry, endingsY);
  const digits = new Map(fingers.map((mark) => [mark.note, mark]));
  return {
    fingers,
    strings,
    plucks: plucks.marks,
    spans,
    guides: layGuides(score, geometry, placed, digits),
    slides: laySlides(score, geometry, digits),
    slurs,
    endings,
    top: endings.length > 0 ? endingsY - 6 : rowsEnd - 14,
    bottom: (hasDynamics ? dynamicsY + 6 : bottom + 4) + plucks.height + 10,
    wordsY,
    dynamicsY,
  };
};
