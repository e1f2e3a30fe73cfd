import type { Choice } from '../fingering/fingering.ts';
import { STROKE_FINGERS, type LeftFinger } from '../fingering/vocabulary.ts';
import type { StringNumber } from '../instrument/guitar.ts';
import { passageReturns, type PassageReturn } from '../score/passage-returns.ts';
import type { NoteId } from '../score/score.ts';
import { isSameTaking } from '../left/left-plan.ts';
import type { Plan } from './plan.ts';

/** A note of a return that is fingered otherwise than its model. */
export interface ReturnDifference {
  /** Sounds: of the return, of its model. */
  readonly here: number;
  readonly there: number;
  /** What the model's way would cost more here, in units of effort; undefined when the place does not exist here. */
  readonly price: number | undefined;
}

/** A passage that returns, with what differs in it. */
export interface ComparedReturn extends PassageReturn {
  readonly differences: readonly ReturnDifference[];
}

/** The way of a note's model taken at the note: the same string and finger where the pitch lies so. */
const modelWay = (
  { left }: Plan,
  [here, there]: readonly [number, number],
): { readonly string: StringNumber; readonly finger: LeftFinger } | undefined => {
  const model = left.choices[there];
  const place = left.piece.places[here]!.find(({ string }) => string === model?.string);
  if (!model || !place || (place.fret === 0) !== (model.finger === 0)) return undefined;
  return { string: model.string as StringNumber, finger: model.finger };
};

/** The passages of a plan that return, each with a list of where and why it differs from its model. */
export const compareReturns = (plan: Plan): readonly ComparedReturn[] => {
  const { left, score } = plan;
  const returns = passageReturns(score, left.sounds);
  return returns.map((each): ComparedReturn => {
    if (each.likeness.kind === 'same-rhythm') return { ...each, differences: [] };
    const differences = each.pairs.flatMap(([here, there]): ReturnDifference[] => {
      const [own, model] = [left.choices[here], left.choices[there]];
      if (isSameTaking(own, model)) return [];
      const way = modelWay(plan, [here, there]);
      if (!way) return [{ here, there, price: undefined }];
      const price = plan.memory.left.prices[here]!.find(
        (option) => option.string === way.string && option.finger === way.finger,
      )?.price;
      return [{ here, there, price: price ?? Infinity }];
    });
    return { ...each, differences };
  });
};

/**
 * The choices that carry the fingering of a model to its return: strings, fingers and plucks; in the same rhythm only
 * the plucks. Notes whose pitch does not lie as in the model are left to the planner.
 */
export const carriedChoices = (
  plan: Plan,
  { pairs, likeness }: PassageReturn,
): readonly (readonly [NoteId, Choice])[] => {
  const { left, right, score } = plan;
  return pairs.flatMap(([here, there]): (readonly [NoteId, Choice])[] => {
    const way = likeness.kind === 'same-rhythm' ? undefined : modelWay(plan, [here, there]);
    const pluck = STROKE_FINGERS.find((finger) => finger === right.choices[there]?.pluck);
    const choice: Choice = { ...way, ...(pluck && { pluck }) };
    return Object.keys(choice).length > 0 ? [[score.notes[left.sounds[here]!.head]!.id, choice]] : [];
  });
};
