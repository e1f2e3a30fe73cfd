import type { Placement } from '../left/hand/grip.ts';
import type { Plan } from '../plan/plan.ts';
import { chordName } from '../technique/harmony.ts';
import type { Block } from '../technique/blocks.ts';

/** The shapes of a piece in playing order: blocks of a bar that only add fingers to each other are one shape. */
export const shapesOf = (plan: Plan): readonly Block[] => {
  const { left, technique } = plan;
  const shapes: Block[] = [];
  for (const block of technique.blocks) {
    const before = shapes.at(-1);
    const isSameBar = before && left.hands[before.from]!.slice.bar === left.hands[block.from]!.slice.bar;
    if (!before || !isSameBar || !addsTo(before, block)) shapes.push(block);
    else {
      const shape = [...before.shape, ...block.shape.filter((each) => !isIn(before.shape, each))].sort(
        (a, b) => b.string - a.string,
      );
      shapes[shapes.length - 1] = {
        ...block,
        from: before.from,
        shape,
        chord: nameOf(plan, before.from, block.to),
      };
    }
  }
  return shapes;
};

const isIn = (shape: readonly Placement[], { string }: Placement): boolean =>
  shape.some((each) => each.string === string);

/** Whether a block can be set on top of another: nothing that lies has to leave, no finger is needed twice. */
const addsTo = (before: Block, block: Block): boolean =>
  // Open strings alone hold no position.
  (before.position === block.position || before.shape.every(({ finger }) => finger === 0)) &&
  block.shape.every((each) =>
    before.shape.every(
      (other) =>
        (other.string !== each.string || (other.fret === each.fret && other.finger === each.finger)) &&
        (each.finger === 0 || other.finger !== each.finger || other.fret === each.fret),
    ),
  );

const nameOf = ({ score, left }: Plan, from: number, to: number): string | undefined =>
  chordName(
    left.hands
      .slice(from, to)
      .flatMap(({ slice }) => slice.struck.map((sound) => score.notes[left.sounds[sound]!.head]!.sounding)),
  );

/** A shape as a picture of the neck tells it. */
export interface ShapeCard {
  /** Counted from 0. */
  readonly bar: number;
  /** Ticks from the start of the piece. */
  readonly onset: number;
  readonly position: number;
  readonly chord: string | undefined;
  /** What lies, the bass string first; finger 0 is an open string. */
  readonly shape: readonly Placement[];
  /** Strings in the order in which they are plucked; several at once stand together, the bass first. */
  readonly plucked: readonly (readonly number[])[];
  /** Fingers that stay where they are for the next shape. */
  readonly stays: readonly number[];
  /** Fingers that go along their string to the next shape, and to which fret. */
  readonly moves: readonly { readonly finger: number; readonly string: number; readonly to: number }[];
}

/** The shapes of a piece in playing order, each with how it goes on; one that only comes again at once is shown once. */
export const shapeCards = (plan: Plan): readonly ShapeCard[] => {
  const { left } = plan;
  const shapes = shapesOf(plan).filter(({ shape }) => shape.length > 0);
  const cards = shapes.map(({ from, to, position, chord, shape }, index): ShapeCard => {
    const { bar, onset } = left.hands[from]!.slice;
    const next = shapes[index + 1]?.shape ?? [];
    const stopped = shape.filter(({ finger }) => finger > 0);
    const staying = stopped.filter(({ finger, string, fret }) =>
      next.some((other) => other.finger === finger && other.string === string && other.fret === fret),
    );
    return {
      bar,
      onset,
      position,
      chord,
      shape,
      plucked: left.hands
        .slice(from, to)
        .map(({ slice }) =>
          slice.struck.flatMap((sound) => left.choices[sound]?.string ?? []).sort((a, b) => b - a),
        ),
      stays: [...new Set(staying.map(({ finger }) => finger))],
      moves: stopped.flatMap(({ finger, string, fret }) => {
        const after = next.find((other) => other.finger === finger && other.string === string);
        return after && after.fret !== fret ? [{ finger, string, to: after.fret }] : [];
      }),
    };
  });
  const look = ({ shape, plucked }: ShapeCard): string => JSON.stringify([shape, plucked]);
  return cards.filter((card, index) => index === 0 || look(card) !== look(cards[index - 1]!));
};
