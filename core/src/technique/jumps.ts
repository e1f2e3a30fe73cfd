import type { Seam } from '../score/unfold/unfold.ts';
import type { Shift } from './shifts.ts';

/** A jump in the order of the bars (back to a repeat sign, to another ending, to the coda) as the left hand makes it. */
export interface Jump extends Seam {
  /** First sound after the jump. */
  readonly sound: number;
  /** What coming from before the jump costs more than coming from the bar before on the page, in units of effort. */
  readonly price: number;
  /** The change of position that the jump asks for; undefined for none. */
  readonly shift: Shift | undefined;
  /** Whether a note that is held before the jump has to be cut for it. */
  readonly cuts: boolean;
}
