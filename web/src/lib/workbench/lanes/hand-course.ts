import type { PlanView } from '../../planner/api.ts';

/** Frets that one hand covers without reaching. */
export const HAND = 4;
/** A finger is drawn as held where it lies over so many slices at least. */
const HELD_FROM = 2;

/** The part of the neck that a piece uses. */
interface NeckRange {
  readonly low: number;
  readonly high: number;
}

/** The hand in one position; times in ticks. */
interface Stay {
  readonly position: number;
  readonly from: number;
  /** The last note it strikes there; undefined where it stays until the end. */
  readonly last: number | undefined;
  /** When it is somewhere else. */
  readonly left: number;
}

/** A finger that keeps its place while others come and go. */
interface HeldFinger {
  readonly finger: number;
  readonly fret: number;
  readonly from: number;
  readonly last: number;
}

/** The way of the left hand through a whole piece. */
export interface HandCourse {
  /** From the lowest to the highest fret that the hand covers, so that lanes can be compared. */
  readonly range: NeckRange;
  readonly stays: readonly Stay[];
  readonly held: readonly HeldFinger[];
}

type Positions = PlanView['positions'];

const neckRange = (stays: readonly Stay[]): NeckRange => {
  let [low, high] = [Infinity, -Infinity];
  for (const { position } of stays) [low, high] = [Math.min(low, position), Math.max(high, position)];
  return stays.length === 0 ? { low: 1, high: HAND + 1 } : { low, high: high + HAND };
};

const staysIn = (positions: Positions): readonly Stay[] => {
  const stays: Stay[] = [];
  let begin = 0;
  positions.forEach(({ position, onset }, slice) => {
    const next = positions[slice + 1];
    if (next?.position === position) return;
    const { onset: from } = positions[begin]!;
    begin = slice + 1;
    if (position > 0) stays.push({ position, from, last: next && onset, left: next?.onset ?? Infinity });
  });
  return stays;
};

const heldBy = (finger: number, positions: Positions): readonly HeldFinger[] => {
  const held: HeldFinger[] = [];
  let run: { key: string; from: number; last: number; fret: number; slices: number } | undefined;
  const close = (): void => {
    if (run && run.slices >= HELD_FROM) held.push({ finger, fret: run.fret, from: run.from, last: run.last });
    run = undefined;
  };
  for (const { onset, lying } of positions) {
    const own = lying.filter((each) => each.finger === finger && each.sounding);
    const key = own.map(({ string, fret }) => `${string}/${fret}`).join();
    if (run && run.key === key) {
      run.last = onset;
      run.slices += 1;
    } else {
      close();
      if (own[0]) run = { key, from: onset, last: onset, fret: own[0].fret, slices: 1 };
    }
  }
  close();
  return held;
};

/** Follows the left hand through a piece. Once for a plan: found anew for each system it would cost the square of the length. */
export const handCourse = ({ positions }: Pick<PlanView, 'positions'>): HandCourse => {
  const stays = staysIn(positions);
  return {
    range: neckRange(stays),
    stays,
    held: [1, 2, 3, 4].flatMap((finger) => heldBy(finger, positions)),
  };
};
