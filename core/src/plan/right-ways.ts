import { cheapestFirst } from '../fingering/cheapest-first.ts';
import type { PassageRule, Pattern, RuleId } from '../fingering/rules.ts';
import {
  RIGHT_SCHOOLS,
  STROKE_FINGERS,
  type RightSchool,
  type StrokeFinger,
} from '../fingering/vocabulary.ts';
import { fingerOrders, measureOrder, type OrderMeasures } from '../right/around/orders.ts';
import { planRight } from '../right/plan-right.ts';
import type { RightPlan } from '../right/right-plan.ts';
import type { PricedPluck } from '../right/search/prices.ts';
import type { RightTerm } from '../right/search/costs.ts';
import { strokeLetters } from '../right/around/statistics.ts';
import type { NoteIndex } from '../score/score.ts';
import { finish, type Steps } from '../music/steps.ts';
import type { Passage } from './other-ways.ts';
import type { Plan } from './plan.ts';

/** A stroke dearer by less is no misfit, in units of effort. */
const WORTH_NAMING = 0.5;
const TRIAL = 'right-trial' as RuleId;
/** Orders offered without being asked for: those that come up again and again in studies. Handbook §4, arpeggios. */
const KNOWN_PATTERNS = [
  'pima',
  'pami',
  'pimami',
  'pmimam',
  'pimamama',
  'pimamimi',
  'pimamima',
  'pamami',
  'imam',
];
const MOST_OFFERED = 6;

/** One way to play the right hand of a passage, beside the plan. */
export interface RightWay {
  readonly asked:
    | { readonly kind: 'plan' }
    | { readonly kind: 'pattern'; readonly pattern: Pattern }
    | { readonly kind: 'school'; readonly school: RightSchool };
  /** What it costs more than the plan over the whole piece, in units of effort, without what asking itself costs. */
  readonly price: number;
  readonly terms: Readonly<Partial<Record<RightTerm, number>>>;
  /** Strokes at which the pattern asks for a finger that cannot, or had better not, play there. */
  readonly misfits: readonly { readonly note: NoteIndex; readonly wanted: StrokeFinger }[];
  /** Strokes of the passage that become dearer than in the plan, the dearest first, in units of effort. */
  readonly dearer: readonly { readonly note: NoteIndex; readonly price: number }[];
  readonly measures: OrderMeasures;
  /** The order of fingers, stroke by stroke. */
  readonly order: string;
}

/** Effort without what a rule's own demands add: ways are compared by what the hand does. */
const effort = ({ cost, terms }: RightPlan): number => cost - (terms.pattern ?? 0);

const solvedWith = (plan: Plan, rule: PassageRule | undefined, passage: Passage): RightPlan => {
  const { score, fingering, left } = plan;
  const { clock, right, rightSetup } = plan.memory;
  const kept = [...fingering.rules].filter(
    ([, each]) =>
      !(
        (each.kind === 'pattern' || each.kind === 'school') &&
        each.from <= passage.to &&
        each.to >= passage.from
      ),
  );
  const rules = new Map(rule ? [...kept, [TRIAL, rule] as const] : kept);
  return planRight(score, { ...fingering, rules }, left, rightSetup, clock, right);
};

/** Terms of the right hand that grow (positive) or shrink from one plan to another; what a pattern weighs is left out. */
export const rightTermDifferences = (before: RightPlan, after: RightPlan): RightWay['terms'] => {
  const names = new Set([...Object.keys(after.terms), ...Object.keys(before.terms)]) as Set<RightTerm>;
  const terms: Partial<Record<RightTerm, number>> = {};
  for (const term of names) {
    const difference = (after.terms[term] ?? 0) - (before.terms[term] ?? 0);
    if (term !== 'pattern' && Math.abs(difference) > 0.005) terms[term] = difference;
  }
  return terms;
};

const wayOf = (plan: Plan, way: RightPlan, passage: Passage, asked: RightWay['asked']): RightWay => {
  const { events, options } = way;
  const from = events.findIndex(({ bar }) => bar >= passage.from);
  const after = events.findIndex(({ bar }) => bar > passage.to);
  const [first, end] = [from < 0 ? events.length : from, after < 0 ? events.length : after];
  const misfits = events.slice(first, end).flatMap(({ wanted, notes }, index) => {
    const missing = wanted?.ranks.find((rank) => !options[first + index]!.includes(rank));
    return asked.kind !== 'pattern' || missing === undefined
      ? []
      : [{ note: plan.left.sounds[notes[0]!.sound]!.head, wanted: STROKE_FINGERS[missing]! }];
  });
  const strokeEffort = ({ choices }: RightPlan, sound: number): number =>
    Object.entries(choices[sound]?.cost ?? {}).reduce(
      (sum, [term, amount]) => (term === 'pattern' ? sum : sum + amount),
      0,
    );
  const dearer = events
    .slice(first, end)
    .flatMap(({ notes }) => notes)
    .map(({ sound }) => ({
      note: plan.left.sounds[sound]!.head,
      price: strokeEffort(way, sound) - strokeEffort(plan.right, sound),
    }))
    .filter((stroke) => stroke.price >= WORTH_NAMING)
    .sort((a, b) => cheapestFirst(b, a));
  return {
    asked,
    dearer,
    price: effort(way) - effort(plan.right),
    terms: rightTermDifferences(plan.right, way),
    misfits,
    measures: measureOrder(events, options, first, end),
    order: options.slice(first, end).map(strokeLetters).join(''),
  };
};

/**
 * Patterns for the right hand of a passage side by side: the plan itself, then the patterns asked for, then known ones
 * that fit the passage without a misfit, cheapest first. Each is solved as a whole around the plan's left hand.
 */
export function* comparePatternsInSteps(
  plan: Plan,
  passage: Passage,
  typed: readonly Pattern[] = [],
): Steps<readonly RightWay[]> {
  const tryPattern = (pattern: Pattern): RightWay =>
    wayOf(plan, solvedWith(plan, { kind: 'pattern', ...passage, pattern }, passage), passage, {
      kind: 'pattern',
      pattern,
    });
  const own = wayOf(plan, plan.right, passage, { kind: 'plan' });
  const seen = new Set([own.order]);
  const isNew = ({ order }: RightWay): boolean => !seen.has(order) && seen.add(order) !== undefined;
  const asked = typed.map(tryPattern);
  for (const { order } of asked) seen.add(order);
  const tried: RightWay[] = [];
  const patterns = new Set([...KNOWN_PATTERNS, ...fingerOrders().filter((order) => order.startsWith('p'))]);
  for (const pattern of patterns) {
    if (typed.includes(pattern as Pattern)) continue;
    tried.push(tryPattern(pattern as Pattern));
    yield;
  }
  const known = tried
    .filter(({ misfits }) => misfits.length === 0)
    .sort(cheapestFirst)
    .filter(isNew);
  return [own, ...asked, ...known.slice(0, MOST_OFFERED)];
}

/** The same in one go. */
export const comparePatterns = (...asked: Parameters<typeof comparePatternsInSteps>): readonly RightWay[] =>
  finish(comparePatternsInSteps(...asked));

/** Truly different right hands for a passage: the schools and the best patterns, cheapest first. */
export function* otherRightWaysInSteps(plan: Plan, passage: Passage): Steps<readonly RightWay[]> {
  const schools = RIGHT_SCHOOLS.map((school) =>
    wayOf(plan, solvedWith(plan, { kind: 'school', ...passage, school }, passage), passage, {
      kind: 'school',
      school,
    }),
  );
  const [own, ...patterns] = yield* comparePatternsInSteps(plan, passage);
  const seen = new Set([own!.order]);
  return [...schools, ...patterns]
    .sort(cheapestFirst)
    .filter(({ order }) => !seen.has(order) && seen.add(order) !== undefined)
    .slice(0, MOST_OFFERED);
}

/** The same in one go. */
export const otherRightWays = (plan: Plan, passage: Passage): readonly RightWay[] =>
  finish(otherRightWaysInSteps(plan, passage));

/**
 * The other solution for the right hand of a passage: what plucks each notehead (the first of a sound) in the cheapest
 * school that plays it otherwise than the plan; undefined where all play it alike.
 */
export const otherRightHand = (
  plan: Plan,
  passage: Passage,
): ReadonlyMap<NoteIndex, StrokeFinger> | undefined => {
  const own = wayOf(plan, plan.right, passage, { kind: 'plan' }).order;
  const [best] = RIGHT_SCHOOLS.map((school) => {
    const right = solvedWith(plan, { kind: 'school', ...passage, school }, passage);
    return { right, way: wayOf(plan, right, passage, { kind: 'school', school }) };
  })
    .filter(({ way }) => way.order !== own)
    .sort((a, b) => cheapestFirst(a.way, b.way));
  return (
    best &&
    new Map(
      plan.left.sounds.flatMap(({ head, index }) => {
        const pluck = best.right.choices[index]?.pluck;
        return pluck === undefined ? [] : [[head, pluck] as const];
      }),
    )
  );
};

/** The fingers that could pluck a note, by price; empty where nothing is plucked. */
export const pluckChoices = (plan: Plan, note: NoteIndex): readonly PricedPluck[] => {
  const { fingering, left, right, score } = plan;
  const sound = left.piece.soundOf.get(note) ?? -1;
  if (sound < 0 || !right.choices[sound]) return [];
  const { id, fingering: source } = score.notes[left.sounds[sound]!.head]!;
  const choice = fingering.choices.get(id);
  const isFree = choice?.pluck == null && (choice?.pluck === null || source.pluck === undefined);
  if (isFree) return plan.memory.right.prices[sound]!;
  const { clock, right: memory, rightSetup } = plan.memory;
  const choices = new Map(fingering.choices).set(id, { ...choice, pluck: null });
  const freed = planRight(score, { ...fingering, choices }, left, rightSetup, clock, memory);
  return freed.memory.prices[sound]!;
};
