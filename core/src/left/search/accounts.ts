import type { LeftTerm } from '../hand/costs.ts';
import type { PathStep, SearchTables } from './search.ts';
import type { Stepper } from './step.ts';

/** One amount that a step costs: its name, the sound it falls to (−1 for none), and units of effort. */
export interface AccountEntry {
  readonly term: LeftTerm;
  readonly sound: number;
  readonly amount: number;
}

/** What one step of a path costs, whole and by its terms. */
export interface StepAccount {
  readonly cost: number;
  readonly entries: readonly AccountEntry[];
}

/** A path through tables, with its accounts. */
export interface Accounted {
  readonly tables: SearchTables;
  readonly path: readonly PathStep[];
  readonly accounts: readonly StepAccount[];
}

/** Whether a step starts from the same state of the same layer and goes the same way to the same moment. */
const isSameStep = (
  index: number,
  { moments, layers }: SearchTables,
  path: readonly PathStep[],
  earlier: Accounted,
): boolean => {
  const step = path[index]!;
  const known = earlier.path[index];
  return (
    known !== undefined &&
    step.option === known.option &&
    step.position === known.position &&
    moments[index] === earlier.tables.moments[index] &&
    layers[index - 1] === earlier.tables.layers[index - 1] &&
    path[index - 1]?.state === earlier.path[index - 1]?.state
  );
};

/** Walks a path again and lists every amount of every step; steps of an earlier path are taken over. */
export const accountsOf = (
  stepper: Stepper,
  tables: SearchTables,
  path: readonly PathStep[],
  earlier?: Accounted,
): readonly StepAccount[] =>
  path.map(({ option, position }, index) => {
    if (earlier && isSameStep(index, tables, path, earlier)) return earlier.accounts[index]!;
    const state = index === 0 ? 0 : path[index - 1]!.state;
    const entries: AccountEntry[] = [];
    const ledger = (term: LeftTerm, sound: number, amount: number): void => {
      entries.push({ term, sound, amount });
    };
    stepper.prepare(tables.layers[index - 1], tables.moments[index]!, state);
    const cost = stepper.frame(state, option, position, ledger) + stepper.costFrom(state, ledger);
    return { cost, entries };
  });
