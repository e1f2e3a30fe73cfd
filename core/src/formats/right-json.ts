import type { Plan } from '../plan/plan.ts';
import { rightStatistics } from '../right/around/statistics.ts';

/** The right hand of a plan in figures as `oculon.right/1`; fields are only ever added to it. Times in ms. */
export const rightJson = ({ score, right, setup }: Plan) => ({
  schema: 'oculon.right/1' as const,
  piece: {
    title: score.title,
    bars: score.bars.length,
    tempo: setup.tempo ?? score.tempi[0]!.quartersPerMinute,
  },
  school: setup.right,
  cost: { total: right.cost, terms: right.terms },
  ...rightStatistics(score, right),
});
export type RightJson = ReturnType<typeof rightJson>;
