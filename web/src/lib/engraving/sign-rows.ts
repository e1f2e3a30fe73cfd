import type { MarkId, NoteIndex } from '@oculon/core';
import type { SystemGeometry } from './geometry.ts';
import type { SystemMarks } from './marks.ts';

/** A sign of the right hand as it is drawn below its note, with what it means. */
export interface SheetSign {
  readonly note: NoteIndex;
  readonly kind: string;
  readonly sign: string;
  readonly words: string;
  readonly isAdvice: boolean;
  readonly mark?: MarkId;
}

export interface SignMark {
  readonly key: string;
  readonly x: number;
  readonly y: number;
  readonly text: string;
  readonly words: string;
  readonly isAdvice: boolean;
}

export interface SignRows {
  readonly marks: readonly SignMark[];
  /** What the rows add below a system, in px. */
  readonly height: number;
}

export const NO_ROWS: SignRows = { marks: [], height: 0 };

const ROW = 14;
/** Width of a letter of a sign, in px: wide enough for every one of them. */
const LETTER = 7;

/** Lays the right hand's signs out in rows below a system; a sign that would touch another moves a row down. */
export const laySigns = (
  geometry: SystemGeometry,
  marks: SystemMarks,
  signs: readonly SheetSign[],
): SignRows => {
  const heads = new Map(geometry.heads.map((head) => [head.note, head]));
  const ends: number[] = [];
  const placed = signs
    .flatMap((sign, index) => {
      const head = heads.get(sign.note);
      return head ? [{ sign, index, x: head.x + head.width / 2 }] : [];
    })
    .sort((a, b) => a.x - b.x)
    .map(({ sign, index, x }): SignMark => {
      const half = (sign.sign.length * LETTER) / 2;
      let row = ends.findIndex((end) => end <= x - half);
      if (row < 0) row = ends.length;
      ends[row] = x + half + 2;
      return {
        key: `${sign.kind}${index}`,
        x,
        y: marks.bottom + ROW * row + 4,
        text: sign.sign,
        words: sign.words,
        isAdvice: sign.isAdvice,
      };
    });
  return placed.length === 0 ? NO_ROWS : { marks: placed, height: ends.length * ROW + 4 };
};
