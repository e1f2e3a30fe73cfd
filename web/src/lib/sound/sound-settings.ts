import { BALANCED_PARTS, HANDS_HEARD, PLAIN_BALANCE } from '@oculon/core';
import * as z from 'zod/mini';

/** Tempo as a share of the goal. */
export const RATES = { slowest: 0.2, fastest: 1.3, step: 0.05 } as const;
export const CLICKING = ['off', 'with-music', 'alone'] as const;
export const SUBDIVISIONS = [1, 2, 3, 4] as const;

const share = z.number().check(z.minimum(0), z.maximum(1.5));

/** How a teacher or student listens; kept in the browser. */
export const soundSettingsSchema = z.object({
  volume: z.number().check(z.minimum(0), z.maximum(1)),
  rate: z.number().check(z.minimum(RATES.slowest), z.maximum(RATES.fastest)),
  asWritten: z.boolean(),
  /** Waits before each change of position. */
  waits: z.boolean(),
  countIn: z.boolean(),
  /** Whether a loop goes on to the first note after it. */
  withNext: z.boolean(),
  /** Each time through a loop a step faster, up to the goal. */
  ladder: z.boolean(),
  clicking: z.enum(CLICKING),
  subdivision: z.union(SUBDIVISIONS.map((each) => z.literal(each))),
  /** Beats with an accent, counted from 1. */
  accents: z.array(z.int().check(z.minimum(1), z.maximum(32))),
  /** Counts two against three in every beat. */
  twoAgainstThree: z.boolean(),
  /** Every second bar is silent. */
  silentBars: z.boolean(),
  balance: z.object({
    parts: z.object(
      Object.fromEntries(BALANCED_PARTS.map((part) => [part, share])) as Record<
        (typeof BALANCED_PARTS)[number],
        typeof share
      >,
    ),
    hands: z.enum(HANDS_HEARD),
    heldOnly: z.boolean(),
  }),
});
export type SoundSettings = z.infer<typeof soundSettingsSchema>;

export const PLAIN_SOUND: SoundSettings = {
  volume: 0.8,
  rate: 1,
  asWritten: false,
  waits: false,
  countIn: false,
  withNext: true,
  ladder: false,
  clicking: 'off',
  subdivision: 1,
  accents: [1],
  twoAgainstThree: false,
  silentBars: false,
  balance: { ...PLAIN_BALANCE, parts: { ...PLAIN_BALANCE.parts } },
};

/** A tempo from taps: the mean of the last intervals, in beats a minute; undefined before there are two. */
export const tempoOfTaps = (taps: readonly number[]): number | undefined => {
  const recent = taps.slice(-5);
  const span = recent.at(-1)! - recent[0]!;
  return recent.length < 2 || span <= 0 ? undefined : (60_000 * (recent.length - 1)) / span;
};

export const withinRates = (rate: number): number =>
  Math.round(Math.min(RATES.fastest, Math.max(RATES.slowest, rate)) * 100) / 100;
