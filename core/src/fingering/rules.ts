import * as z from 'zod/mini';
import type { Branded } from '../music/branded.ts';
import { sameValue } from './same-value.ts';
import { RIGHT_SCHOOLS } from './vocabulary.ts';

export type RuleId = Branded<string, 'RuleId'>;
/** Letters of p, i, m and a in the order in which they play. */
export type Pattern = Branded<string, 'Pattern'>;

/** Fingers set at once, one after the other, as suits each cell, or not at all. Handbook §4, planting. */
export const PLANTING_KINDS = ['full', 'sequential', 'suited', 'none'] as const;
export type PlantingKind = (typeof PLANTING_KINDS)[number];

const passage = {
  /** First and last bar, counted from 0, both included. */
  from: z.int().check(z.nonnegative()),
  to: z.int().check(z.nonnegative()),
};

/** An order of fingers of the right hand, repeated over and over: letters of p, i, m, a. */
export const patternSchema = z.pipe(
  z
    .string()
    .check(
      z.minLength(1),
      z.maxLength(32),
      z.regex(/^[pima]+$/, 'A pattern is written with the letters p, i, m and a.'),
    ),
  z.transform((letters) => letters as Pattern),
);

/** What a teacher asks of the hands over a range of bars. */
export const passageRuleSchema = z.discriminatedUnion('kind', [
  /** The hand stays in one position, named by the fret of the first finger. */
  z.strictObject({
    kind: z.literal('position'),
    ...passage,
    position: z.int().check(z.minimum(1), z.maximum(19)),
  }),
  /** Nothing is played on an open string. */
  z.strictObject({ kind: z.literal('stopped'), ...passage }),
  /** Notes ring on to the end of their bar, or stop as they are written, whatever the planner would infer. */
  z.strictObject({ kind: z.literal('ringing'), ...passage, rings: z.boolean() }),
  /** A barre of the index lies at a fret: it stops the notes there, and nothing is stopped below it. */
  z.strictObject({ kind: z.literal('barre'), ...passage, fret: z.int().check(z.minimum(1), z.maximum(19)) }),
  /** No finger lies over more than one string. */
  z.strictObject({ kind: z.literal('no-barre'), ...passage }),
  /** Notes that also stood in as many bars from `as` on are taken as they are there. */
  z.strictObject({ kind: z.literal('same'), ...passage, as: z.int().check(z.nonnegative()) }),
  /** Single lines follow a school of the right hand. */
  z.strictObject({
    kind: z.literal('school'),
    ...passage,
    school: z.enum(RIGHT_SCHOOLS),
    /** As for the whole piece where nothing is said. */
    doubleThumb: z.optional(z.boolean()),
    keepOrder: z.optional(z.boolean()),
  }),
  /** The right hand repeats an order of fingers, from the first note of the range on. */
  z.strictObject({ kind: z.literal('pattern'), ...passage, pattern: patternSchema }),
  /** Fingers of the right hand are set on their strings before they play. */
  z.strictObject({ kind: z.literal('planting'), ...passage, how: z.enum(PLANTING_KINDS) }),
  /** Rest or free stroke, in one voice or in all. */
  z.strictObject({
    kind: z.literal('stroke'),
    ...passage,
    stroke: z.enum(['free', 'rest']),
    voice: z.enum(['all', 'melody', 'bass']),
  }),
]);
export type PassageRule = z.infer<typeof passageRuleSchema>;
export type PassageRuleKind = PassageRule['kind'];

const RIGHT_KINDS: ReadonlySet<PassageRuleKind> = new Set(['school', 'pattern', 'planting', 'stroke']);
/** Whether a rule speaks to the right hand; the others speak to the left. */
export const isForRightHand = ({ kind }: PassageRule): boolean => RIGHT_KINDS.has(kind);

/** Whether a rule speaks of a bar. */
export const covers = (rule: PassageRule, bar: number): boolean => bar >= rule.from && bar <= rule.to;

/** Bars that are under other rules now than they were before. */
export const barsUnderOtherRules = (
  before: readonly PassageRule[],
  after: readonly PassageRule[],
): ReadonlySet<number> => {
  const bars = new Set<number>();
  const onlyIn = (some: readonly PassageRule[], others: readonly PassageRule[]): void => {
    for (const rule of some)
      if (!others.some((other) => sameValue(rule, other)))
        for (let bar = rule.from; bar <= rule.to; bar += 1) bars.add(bar);
  };
  onlyIn(before, after);
  onlyIn(after, before);
  return bars;
};
