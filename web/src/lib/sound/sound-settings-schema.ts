import { BALANCED_PARTS, HANDS_HEARD } from '@oculon/core';
import * as z from 'zod/mini';
import { CLICKING, RATES, SUBDIVISIONS } from './sound-settings.ts';

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
