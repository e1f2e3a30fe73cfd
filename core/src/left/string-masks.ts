/** Sets of strings or fingers as bits. */
export const lowestBit = (mask: number): number => mask & -mask;

/** Index of the lowest bit of a mask that is not 0. */
export const lowestIndex = (mask: number): number => 31 - Math.clz32(mask & -mask);

export const isSeveral = (mask: number): boolean => (mask & (mask - 1)) !== 0;

/** Whether one string lies within the range of a mask. */
export const isInside = (bit: number, mask: number): boolean => bit >= lowestBit(mask) && bit <= mask;

/** Strings from the lowest to the highest of a mask, both included. */
export const stringsOf = (mask: number): number => 32 - Math.clz32(mask) - lowestIndex(mask);
