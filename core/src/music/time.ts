import type { Branded } from './branded.ts';

/**
 * Musical time as a whole number of ticks. A score chooses its own `ticksPerQuarter` (the least common
 * multiple of all divisions it contains), so that every onset and duration is exact.
 */
export type Ticks = Branded<number, 'Ticks'>;

export const ticks = (value: number): Ticks => value as Ticks;

/** Throws `RangeError` for what is no finite number. */
export const greatestCommonDivisor = (a: number, b: number): number => {
  if (!Number.isFinite(a) || !Number.isFinite(b)) throw new RangeError(`no common divisor of ${a} and ${b}`);
  let [larger, smaller] = [Math.abs(a), Math.abs(b)];
  while (smaller !== 0) [larger, smaller] = [smaller, larger % smaller];
  return larger;
};

export const leastCommonMultiple = (a: number, b: number): number =>
  Math.abs(a * b) / greatestCommonDivisor(a, b);

/** A time in quarters as a reduced fraction: `"3/2"`, `"2"`, `"0"`. */
export const quartersText = (time: number, ticksPerQuarter: number): string => {
  const divisor = greatestCommonDivisor(time, ticksPerQuarter);
  const numerator = time / divisor;
  const denominator = ticksPerQuarter / divisor;
  return denominator === 1 ? String(numerator) : `${numerator}/${denominator}`;
};

/** Reads `"3/2"` or `"2"` as quarters; undefined when it is neither. */
export const parseQuarters = (text: string): number | undefined => {
  const found = /^(-?\d+)(?:\/(\d+))?$/.exec(text.trim());
  return found ? Number(found[1]) / Number(found[2] ?? 1) : undefined;
};
