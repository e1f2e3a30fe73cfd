import type { StrokeFinger } from '../fingering/vocabulary.ts';
import type { Cell } from './events/cells.ts';
import type { PluckEvent } from './events/events.ts';
import type { Strum } from './events/strums.ts';
import type { RightTerm } from './search/costs.ts';

export interface RightChoice {
  readonly pluck: StrokeFinger;
  readonly cost: Readonly<Partial<Record<RightTerm, number>>>;
}

/** What the right hand plucks in a whole piece. */
export interface RightPlan {
  readonly events: readonly PluckEvent[];
  /** By event: the fingers that play it, as ranks rising with the notes. */
  readonly options: readonly (readonly number[])[];
  /** Stretches of single strokes that are taken as one movement. */
  readonly cells: readonly Cell[];
  readonly strums: readonly Strum[];
  /** By sound; undefined where nothing is plucked (slurred, strummed, a twin). */
  readonly choices: readonly (RightChoice | undefined)[];
  readonly cost: number;
  readonly terms: Readonly<Partial<Record<RightTerm, number>>>;
  readonly brokenLocks: readonly number[];
}
