import type { PlacedMark, Score } from '@oculon/core';
import { spanOfMark } from './span-signs.ts';

type ByBar = ReadonlyMap<number, readonly PlacedMark[]>;

const sorted = (score: Score, marks: readonly PlacedMark[]): ByBar => {
  const byBar = new Map<number, PlacedMark[]>();
  for (const mark of marks) {
    const span = spanOfMark(score, mark);
    if (!span) continue;
    const from = score.notes[score.indexOf.get(mark.mark.from)!]!.bar;
    for (let bar = from; bar < score.bars.length && score.bars[bar]!.start < span.until; bar += 1) {
      const there = byBar.get(bar);
      if (there) there.push(mark);
      else byBar.set(bar, [mark]);
    }
  }
  return byBar;
};

const known = new WeakMap<readonly PlacedMark[], { readonly score: Score; readonly byBar: ByBar }>();

/**
 * The marks that reach into some bars. All marks of a piece are sorted by bars once: every system asks for its own with each new
 * plan, and looking through all of them each time took the square of the length.
 */
export const marksReaching = (
  score: Score,
  marks: readonly PlacedMark[],
  first: number,
  last: number,
): readonly PlacedMark[] => {
  let sortedMarks = known.get(marks);
  if (sortedMarks?.score !== score) {
    sortedMarks = { score, byBar: sorted(score, marks) };
    known.set(marks, sortedMarks);
  }
  const reaching = new Set<PlacedMark>();
  for (let bar = first; bar <= last; bar += 1)
    for (const mark of sortedMarks.byBar.get(bar) ?? []) reaching.add(mark);
  return [...reaching];
};
