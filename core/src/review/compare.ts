import type { StrokeFinger } from '../fingering/vocabulary.ts';
import { isSameTaking } from '../left/left-plan.ts';
import type { Performance } from '../performance/performance.ts';
import type { NoteIndex } from '../score/score.ts';

/** How a note is taken by both hands; nothing where it is not taken, or not plucked. */
export interface Taking {
  readonly string: number | undefined;
  readonly fret: number | undefined;
  readonly finger: number | undefined;
  readonly pluck: StrokeFinger | undefined;
}

/** A note that two fingerings of one piece take differently. */
export interface TakenDifferently {
  readonly note: NoteIndex;
  readonly bar: number;
  readonly one: Taking;
  readonly other: Taking;
}

/** Two fingerings of one piece side by side; efforts in units of effort. */
export interface Comparison {
  readonly differences: readonly TakenDifferently[];
  /** Sounds of the piece. */
  readonly sounds: number;
  readonly effort: {
    readonly one: { readonly left: number; readonly right: number };
    readonly other: { readonly left: number; readonly right: number };
  };
}

/** How a sound is taken by both hands. */
export const takingOf = ({ left, right }: Performance, sound: number): Taking => {
  const choice = left.choices[sound];
  return {
    string: choice?.string,
    fret: choice?.fret,
    finger: choice?.finger,
    pluck: right.choices[sound]?.pluck,
  };
};

/** What both hands do for a note, as far as it is written down. */
interface Fingers {
  readonly string?: number | undefined;
  readonly finger?: number | undefined;
  readonly pluck?: string | undefined;
}

/** Whether both hands take a note alike, wherever it lies in the plan of each. */
export const isSameFingering = (one: Fingers, other: Fingers): boolean =>
  isSameTaking(one, other) && one.pluck === other.pluck;

/**
 * Where two fingerings of one piece differ, in playing order. The scores may differ in what the fingering itself decides
 * (octave, slurs), not in their notes; throws `RangeError` for two pieces.
 */
export const compareFingerings = (one: Performance, other: Performance): Comparison => {
  if (one.left.sounds.length !== other.left.sounds.length)
    throw new RangeError(`pieces of ${one.left.sounds.length} and ${other.left.sounds.length} sounds`);
  const differences = one.left.sounds.flatMap(({ index, head, bar }): TakenDifferently[] => {
    const [here, there] = [takingOf(one, index), takingOf(other, index)];
    return isSameFingering(here, there) ? [] : [{ note: head, bar, one: here, other: there }];
  });
  const effortOf = ({ left, right }: Performance) => ({ left: left.cost, right: right.cost });
  return {
    differences,
    sounds: one.left.sounds.length,
    effort: { one: effortOf(one), other: effortOf(other) },
  };
};
