import * as z from 'zod';
import type { Branded } from '../music/branded.ts';

export type RuleId = Branded<string, 'RuleId'>;

const passage = {
  /** First and last bar, counted from 0, both included. */
  from: z.number().int().nonnegative(),
  to: z.number().int().nonnegative(),
};

/** What a teacher asks of the left hand over a range of bars. */
export const passageRuleSchema = z.discriminatedUnion('kind', [
  /** The hand stays in one position, named by the fret of the first finger. */
  z.strictObject({ kind: z.literal('position'), ...passage, position: z.number().int().min(1).max(19) }),
  /** Nothing is played on an open string. */
  z.strictObject({ kind: z.literal('stopped'), ...passage }),
  /** Notes ring on to the end of their bar, or stop as they are written, whatever the planner would infer. */
  z.strictObject({ kind: z.literal('ringing'), ...passage, rings: z.boolean() }),
]);
export type PassageRule = z.infer<typeof passageRuleSchema>;
export type PassageRuleKind = PassageRule['kind'];

export const sameRule = (a: PassageRule | undefined, b: PassageRule | undefined): boolean =>
  a === b || JSON.stringify(a) === JSON.stringify(b);

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
      if (!others.some((other) => sameRule(rule, other)))
        for (let bar = rule.from; bar <= rule.to; bar += 1) bars.add(bar);
  };
  onlyIn(before, after);
  onlyIn(after, before);
  return bars;
};
