export const LANES = ['hand', 'pluck', 'ringing'] as const;
/** What can be drawn under a system: where the hand lies, who plucks, what sounds on each string. */
export type Lane = (typeof LANES)[number];

/** Height of each lane, in px of its system. */
export const LANE_HEIGHTS: Readonly<Record<Lane, number>> = { hand: 46, pluck: 44, ringing: 52 };

export const LANE_NAMES: Readonly<Record<Lane, string>> = {
  hand: 'hand',
  pluck: 'pluck',
  ringing: 'ringing',
};

/** A circle as part of a path: many dots of one kind are one element. */
export const circlePath = (x: number, y: number, radius: number): string =>
  `M${x - radius} ${y}a${radius} ${radius} 0 1 0 ${2 * radius} 0a${radius} ${radius} 0 1 0 ${-2 * radius} 0`;
