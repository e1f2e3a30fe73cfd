import { detoursOf } from '../fingering/felt-nearby.ts';
import { Detours, type KnownDetours } from './detours.ts';
import { isSameTaking, type LeftChoice } from './left-plan.ts';
import type { Moment } from './moments/ways-at-moment.ts';
import type { Accounted } from './search/accounts.ts';
import type { PathStep } from './search/search.ts';
import type { Stepper } from './search/step.ts';

/** How a piece was taken before, by sound. */
export type TakenBefore = readonly (Pick<LeftChoice, 'string' | 'finger'> | undefined)[];

/** A path led along what was, with what looking for it again can go on from. */
export interface KeptPath {
  readonly path: readonly PathStep[];
  readonly detours: KnownDetours;
}

/**
 * The path of a solved piece, led so that a decision is felt where it is made: away from the moments that cannot be taken as
 * before, notes are taken as they were as long as the whole costs no more than a near tie above the cheapest. `bars` has the
 * bar of every moment, `known` what the plan before looked for.
 */
export const keepWhatWas = (
  stepper: Stepper,
  solved: Accounted,
  bars: readonly number[],
  was: TakenBefore,
  known?: KnownDetours,
): KeptPath => {
  const { path, tables } = solved;
  const takesWhatWas = ({ options, struck }: Moment, option: number): boolean =>
    options.assignments[option]!.placements.every((placement, place) =>
      isSameTaking(placement, was[struck[place]!]),
    );
  const options = new Map<number, number>();
  const optionThatWas = (index: number): number => {
    const moment = tables.moments[index]!;
    const option =
      options.get(index) ?? moment.options.assignments.findIndex((_, each) => takesWhatWas(moment, each));
    options.set(index, option);
    return option;
  };
  const detours = new Detours(stepper, solved, known);
  const ways = detoursOf<readonly PathStep[]>({
    bars,
    departing: path.flatMap(({ option }, index) =>
      takesWhatWas(tables.moments[index]!, option) ? [] : [index],
    ),
    isDecided: (index) => optionThatWas(index) < 0,
    through: (stretch, isFree, margin) =>
      detours.through(stretch, (index) => (isFree(index) ? undefined : optionThatWas(index)), margin),
  });
  const kept = [...path];
  for (const [{ first }, steps] of ways) steps.forEach((step, place) => (kept[first + place] = step));
  return { path: ways.size === 0 ? path : kept, detours: detours.known };
};
