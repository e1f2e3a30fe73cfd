/** How far a player has come: after a year, after some, on the stage. */
export const LEVELS = ['beginner', 'intermediate', 'advanced'] as const;
export type Level = (typeof LEVELS)[number];

export interface Rate {
  /** Seconds that it takes, by level. */
  readonly seconds: Readonly<Record<Level, number>>;
  readonly what: string;
}

const rate = (what: string, beginner: number, intermediate: number, advanced: number): Rate => ({
  what,
  seconds: { beginner, intermediate, advanced },
});

/**
 * The time that what a hand does takes at each level, in seconds: the usual rates of the handbook, §8 (from memory, common
 * practice, no published source).
 */
export const RATES = {
  line: rate('from note to note of an i–m line', 1 / 3.5, 1 / 6.5, 1 / 9.5),
  arpeggio: rate('from note to note of a p-i-m-a arpeggio on a held shape', 1 / 4, 1 / 8, 1 / 12),
  tremolo: rate('from note to note of a tremolo', 1 / 5, 1 / 8.5, 1 / 12),
  sameFinger: rate('the same finger of the right hand again', 1 / 2, 1 / 3.5, 1 / 5),
  slur: rate('from note to note of slurred pairs', 1 / 3.5, 1 / 7.5, 1 / 11.5),
  chord: rate('change of a three-finger chord without a common finger', 1, 0.4, 0.2),
  chordLed: rate('the same with a guide or a common finger', 0.6, 0.25, 0.12),
  shift: rate('the whole hand over five frets into a stopped note', 0.8, 0.35, 0.2),
  shiftLed: rate('the same on an open string or guided', 0.5, 0.25, 0.15),
  barre: rate('a full barre set cleanly', 1, 0.4, 0.2),
} as const satisfies Record<string, Rate>;
export type RateName = keyof typeof RATES;
