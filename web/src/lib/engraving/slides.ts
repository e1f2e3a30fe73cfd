import type { SystemGeometry } from './geometry.ts';
import type { Score } from './score-types.ts';

/** The line of a slide, from note to note. */
export interface SlideSign {
  readonly from: readonly [number, number];
  readonly to: readonly [number, number];
}

/** Between a head or a digit and the line, in px; and how steep the line is where the notes are as high as each other. */
const GAP = 5.5;
const RISE = 3;
/** A shorter line is not drawn. */
const SHORTEST = 3;
/** Room of a digit before the second note, in px. */
const DIGIT = 12.5;

/** The slides that the source writes between notes of one system. */
export const laySlides = (
  score: Score,
  { heads }: SystemGeometry,
  digitOf: ReadonlyMap<number, { readonly x: number }>,
): readonly SlideSign[] =>
  heads.flatMap((to): SlideSign[] => {
    const { midi, slideFrom } = score.notes[to.note]!;
    const from = heads.find(({ note }) => note === slideFrom);
    if (!from) return [];
    const rises = Math.sign(midi - score.notes[from.note]!.midi) * (from.y === to.y ? RISE : 0);
    const digit = digitOf.get(to.note);
    const end = digit ? digit.x - DIGIT : to.left - GAP;
    const start = from.x + from.width + GAP;
    return end - start < SHORTEST ? [] : [{ from: [start, from.y + rises], to: [end, to.y - rises] }];
  });
