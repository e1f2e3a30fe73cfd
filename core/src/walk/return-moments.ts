import { compareReturns } from '../plan/carry.ts';
import type { Plan } from '../plan/plan.ts';
import type { MomentOf } from './moment.ts';

/** Bars that come back note for note and are played as the first time by both hands. */
export const returnMoments = (plan: Plan): readonly MomentOf<'return'>[] => {
  const { score, right } = plan;
  return compareReturns(plan).flatMap(
    ({ from, to, like, likeness, differences, pairs }): MomentOf<'return'>[] => {
      const isSame =
        likeness.kind === 'exact' &&
        differences.length === 0 &&
        pairs.every(([here, there]) => right.choices[here]?.pluck === right.choices[there]?.pluck);
      if (!isSame) return [];
      return [
        {
          kind: 'return',
          bar: from,
          onset: score.bars[from]!.start,
          isNeeded: true,
          values: { to, like, likeTo: like + to - from },
        },
      ];
    },
  );
};
