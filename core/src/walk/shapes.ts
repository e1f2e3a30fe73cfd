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
  before.position === block.position &&
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
