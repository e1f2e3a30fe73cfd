import { compareReturns } from '../plan/carry.ts';
import type { Plan } from '../plan/plan.ts';
import { isLine } from '../right/events/events.ts';
import type { MomentOf } from './moment.ts';

/** Sounds of single lines: with which finger a line is taken up again makes no other music of it. */
const lineSounds = ({ right: { events, cells } }: Plan): ReadonlySet<number> => {
  const inCells = new Set(
    cells.flatMap(({ first, end }) => Array.from({ length: end - first }, (_, step) => first + step)),
  );
  return new Set(
    events.flatMap((event, index) => (isLine(event) && !inCells.has(index) ? [event.notes[0]!.sound] : [])),
  );
};

/** Bars that come back note for note and are played as the first time by both hands. */
export const returnMoments = (plan: Plan): readonly MomentOf<'return'>[] => {
  const { score, right } = plan;
  const line = lineSounds(plan);
  return compareReturns(plan).flatMap(
    ({ from, to, like, likeness, differences, pairs }): MomentOf<'return'>[] => {
      const isSame =
        likeness.kind === 'exact' &&
        differences.length === 0 &&
        pairs.every(
          ([here, there]) => line.has(here) || right.choices[here]?.pluck === right.choices[there]?.pluck,
        );
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
