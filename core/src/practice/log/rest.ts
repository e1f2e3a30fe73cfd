import { later, readDay, type Day } from '../days.ts';
import type { SpotKind } from '../spots.ts';
import { type LogEntry, type Pain } from './entry.ts';

/** How one goes on after pain. Our own values; handbook §8: general advice, never treatment. */
export const REST = {
  /** Whole days on which what hurt is not practised, at least. */
  days: 2,
  /** Share of the usual minutes on a gentler day. */
  gentlerMinutes: 0.5,
} as const;

/** Kinds of difficulty that ask for what hurts: they rest with it. Our own judgement, no published source. */
export const RESTS_WITH: Readonly<Record<Pain, readonly SpotKind[]>> = {
  'left-fingers': ['stretch', 'barre', 'slur'],
  'left-thumb': ['barre', 'stretch'],
  'left-wrist': ['stretch', 'barre', 'shift'],
  'right-hand': ['repetition', 'crossing'],
  forearm: ['barre', 'stretch', 'repetition', 'slur'],
  'shoulder-or-back': ['stretch', 'barre'],
  numbness: ['stretch', 'barre', 'repetition', 'slur', 'shift'],
};

/** Until when each kind rests: the first day on which it may be practised again. */
export type Rests = ReadonlyMap<SpotKind, Day>;

/** Which kinds rest after what was logged. `kindOf` tells the kind of a spot, undefined for one that is not known any more. */
export const restsAfter = (
  entries: readonly LogEntry[],
  kindOf: (goal: string, spot: string) => SpotKind | undefined,
): Rests => {
  const rests = new Map<SpotKind, Day>();
  for (const { day, pain, work } of entries) {
    if (pain === null) continue;
    const own = work.kind === 'spot' ? kindOf(work.goal, work.spot) : undefined;
    const until = later(readDay(day)!, REST.days + 1);
    for (const kind of new Set([...RESTS_WITH[pain], ...(own ? [own] : [])]))
      rests.set(kind, Math.max(until, rests.get(kind) ?? until) as Day);
  }
  return rests;
};

/** Whether a day is one on which something rests. */
export const isRestful = (rests: Rests, today: Day): boolean =>
  [...rests.values()].some((until) => today < until);
