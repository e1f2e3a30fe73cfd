import { DENSITIES, DEPTHS, LANGUAGES, NOTE_NAMES } from '@oculon/core';
import * as z from 'zod/mini';

/** Paper with the width and height that its margins leave, in px at 96 to the inch. */
export const PAPERS = {
  A4: { name: 'A4', width: 680, height: 1002, size: 'A4' },
  letter: { name: 'Letter', width: 702, height: 936, size: 'letter' },
} as const;
export type Paper = keyof typeof PAPERS;
/** How much larger large print is. */
export const LARGE = 1.5;

export const LONGEST_REMARKS = 2000;

/** What stands on a lesson sheet, and how. */
export const lessonSchema = z.object({
  density: z.enum(DENSITIES),
  /** How closely the piece is walked through; nothing for the music alone. */
  depth: z.nullable(z.enum(DEPTHS)),
  cards: z.boolean(),
  tablature: z.boolean(),
  hardSpots: z.boolean(),
  paper: z.enum(['A4', 'letter']),
  large: z.boolean(),
  language: z.enum(LANGUAGES),
  noteNames: z.enum(NOTE_NAMES),
});
export type Lesson = z.infer<typeof lessonSchema>;

export const PLAIN_LESSON: Lesson = {
  density: 'essential',
  depth: 'bars',
  cards: false,
  tablature: false,
  hardSpots: true,
  paper: 'A4',
  large: false,
  language: 'en',
  noteNames: 'letters',
};

/** Something that stays together on a page: its height, and whether it may not be the last of a page. */
export interface PageBlock {
  readonly height: number;
  readonly keepsNext: boolean;
}

/**
 * The blocks that begin a new page of a height, by their places. One that keeps the next goes over with it, unless it
 * began the page; one that is higher than a page gets one of its own.
 */
export const pageStarts = (blocks: readonly PageBlock[], height: number): ReadonlySet<number> => {
  const starts = new Set<number>();
  let used = 0;
  let first = 0;
  for (let index = 0; index < blocks.length; index += 1) {
    if (used > 0 && used + blocks[index]!.height > height) {
      let start = index;
      while (start - 1 > first && blocks[start - 1]!.keepsNext) start -= 1;
      starts.add(start);
      first = start;
      used = blocks.slice(start, index).reduce((sum, each) => sum + each.height, 0);
    }
    used += blocks[index]!.height;
  }
  return starts;
};
