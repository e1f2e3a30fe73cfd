import type { Plan } from '../plan/plan.ts';
import type { Depth } from '../walk/telling.ts';
import { placeOf } from './json-place.ts';
import type { BarRange } from './plan-json.ts';

/** What is said of some bars, counted from 0; onsets in ticks from the start of the piece. */
interface SaidOfBars {
  readonly from: number;
  readonly to: number;
  readonly depth: Depth;
  readonly sentences: readonly { readonly kind: string; readonly onset: number; readonly text: string }[];
}

/** A walk-through as `oculon.walk/1`; fields are only ever added to it. Bars are counted from 1. */
export const walkJson = (
  { score }: Plan,
  depth: Depth,
  language: string,
  lines: readonly SaidOfBars[],
  range?: BarRange,
) => ({
  schema: 'oculon.walk/1' as const,
  piece: { title: score.title, bars: score.bars.length },
  depth,
  language,
  lines: lines
    .filter(({ from, to }) => !range || (to + 1 >= range.from && from + 1 <= range.to))
    .map((line) => ({
      from: line.from + 1,
      to: line.to + 1,
      numbers: [score.bars[line.from]!.number, score.bars[line.to]!.number] as [string, string],
      depth: line.depth,
      sentences: line.sentences.map(({ kind, onset, text }) => ({ kind, ...placeOf(score, onset), text })),
    })),
});
export type WalkJson = ReturnType<typeof walkJson>;
