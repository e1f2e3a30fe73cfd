/** Sets of strings or fingers as bits. */
export const lowestBit = (mask: number): number => mask & -mask;

/** Strings ① to ③, over which a half barre lies and on which tunes are played. */
export const TREBLES = 0b111;

/** Index of the lowest bit of a mask that is not 0. */
export const lowestIndex = (mask: number): number => 31 - Math.clz32(mask & -mask);

export const isSeveral = (mask: number): boolean => (mask & (mask - 1)) !== 0;

/** Whether one string lies within the range of a mask. */
export const isInside = (bit: number, mask: number): boolean => bit >= lowestBit(mask) && bit <= mask;

/** Strings of a mask, counted. */
export const countOf = (mask: number): number => {
  let count = 0;
  for (let rest = mask; rest !== 0; rest &= rest - 1) count += 1;
  return count;
};

/** Strings from the lowest to the highest of a mask, both included. */
export const stringsOf = (mask: number): number => 32 - Math.clz32(mask) - lowestIndex(mask);

/** Every string from the lowest to the highest of a mask. */
export const rangeOf = (mask: number): number => ((1 << (32 - Math.clz32(mask))) - 1) & -lowestBit(mask);

/** Strings from the highest of the lower mask to the lowest of the higher one; less than 1 where they cross. */
export const stringsApart = (one: number, other: number): number => {
  const [lower, higher] = one < other ? [one, other] : [other, one];
  return lowestIndex(higher) - (31 - Math.clz32(lower));
};
