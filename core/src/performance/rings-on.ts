import type { NoteIndex } from '../score/score.ts';
import type { LeftPlan } from '../left/left-plan.ts';

/** Last noteheads of sounds that ring on past their written end, with the tick until which they may. */
export const ringsOn = ({
  times: { end, ring },
  sounds,
}: LeftPlan): readonly (readonly [NoteIndex, number])[] =>
  sounds.flatMap(({ index, noteheads }) =>
    ring[index]! > end[index]! ? [[noteheads.at(-1)!, ring[index]!] as const] : [],
  );
