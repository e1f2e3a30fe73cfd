import * as z from 'zod/mini';
import { humanText } from '../../fingering/human-text.ts';
import { dayTextSchema } from '../days.ts';
import { OUTCOMES } from '../ladder.ts';
import { SPOT_DRILLS } from '../spot-drills.ts';

/** How it felt. */
export const FEELINGS = ['easy', 'right', 'hard'] as const;
export type Feeling = (typeof FEELINGS)[number];

/** Where something hurt; numbness counts as pain wherever it is. */
export const PAINS = [
  'left-fingers',
  'left-thumb',
  'left-wrist',
  'right-hand',
  'forearm',
  'shoulder-or-back',
  'numbness',
] as const;
export type Pain = (typeof PAINS)[number];

/** Bounds of what is logged; our own values. */
export const LOG_BOUNDS = { minutes: 600, slowest: 5, fastest: 500, remark: 500, spot: 40 } as const;

const goal = z.uuid();
const spot = z.string().check(z.minLength(1), z.maxLength(LOG_BOUNDS.spot));

/** What was practised: a spot by one of its drills (null: as it is written, on its ladder), a piece, or something to warm up. */
export const workSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('spot'), goal, spot, drill: z.nullable(z.enum(SPOT_DRILLS)) }),
  z.object({ kind: z.literal('piece'), goal }),
  z.object({ kind: z.literal('warm-up') }),
]);
export type Work = z.infer<typeof workSchema>;

/** One thing that was practised on a day. Nothing is compulsory but the day and what it was. */
export const logEntrySchema = z.object({
  id: z.uuid(),
  /** As `2026-11-26`, by the calendar of whoever practised. */
  day: dayTextSchema,
  work: workSchema,
  minutes: z.nullable(z.int().check(z.minimum(0), z.maximum(LOG_BOUNDS.minutes))),
  /** The fastest that went well, or what was tried when nothing did; in quarters a minute. */
  tempo: z.nullable(z.number().check(z.minimum(LOG_BOUNDS.slowest), z.maximum(LOG_BOUNDS.fastest))),
  /** A rung was passed (or it was called clean); nearly; not yet. */
  outcome: z.nullable(z.enum(OUTCOMES)),
  felt: z.nullable(z.enum(FEELINGS)),
  pain: z.nullable(z.enum(PAINS)),
  remark: humanText(0, LOG_BOUNDS.remark),
});
export type LogEntry = z.infer<typeof logEntrySchema>;

/** What makes two pieces of work the same one; a drill of a spot is something else than its ladder. */
export const workKey = (work: Work): string =>
  work.kind === 'warm-up'
    ? work.kind
    : work.kind === 'piece'
      ? `${work.kind} ${work.goal}`
      : `${spotKey(work.goal, work.spot)} ${work.drill ?? ''}`;

/** A spot of a goal, as a key. */
export const spotKey = (goal: string, spot: string): string => `spot ${goal} ${spot}`;
