import type { LeftTerm } from '../hand/costs.ts';

/** Receives every amount with its name when a path is accounted for. */
export type Ledger = (term: LeftTerm, sound: number, amount: number) => void;
