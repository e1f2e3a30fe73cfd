import type { Pattern } from '@oculon/core';
import type { MadeDrill } from './drill-desk.svelte.ts';

/** One solution of the right hand of a drill, in figures. */
export interface CountedWay {
  readonly name: string;
  readonly crossings: number;
  readonly repeats: number;
}

/** The solutions that are set beside the planner's own: two fingers in turn, and three. */
const OTHERS = [
  ['im', 'i and m in turn'],
  ['ami', 'a, m, i in turn'],
] as const;

/** The right hand of a whole drill as the planner plays it and with fingers in turn, with what is awkward in each. */
export const crossingsOf = async ({ planned, score }: MadeDrill): Promise<readonly CountedWay[]> => {
  const passage = { from: 0, to: score.bars.length - 1 };
  const ways = await planned.questions.comparePatterns(
    passage,
    OTHERS.map(([pattern]) => pattern as Pattern),
  );
  return ways.flatMap(({ asked, measures }): CountedWay[] => {
    const name =
      asked.kind === 'plan'
        ? 'as planned'
        : asked.kind === 'pattern'
          ? OTHERS.find(([pattern]) => pattern === asked.pattern)?.[1]
          : undefined;
    return name === undefined
      ? []
      : [{ name, crossings: measures.crossings.length, repeats: measures.repeats.length }];
  });
};
