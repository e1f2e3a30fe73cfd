import { cheapestFirst } from '../fingering/cheapest-first.ts';
import type { RuleId } from '../fingering/rules.ts';
import type { LeftTerm } from '../left/hand/costs.ts';
import { planLeft } from '../left/plan-left.ts';
import { takenOtherwise, type LeftPlan } from '../left/left-plan.ts';
import { barresOf, type Barre } from '../technique/barres.ts';
import { shiftsOf, type Shift, type ShiftRide } from '../technique/shifts.ts';
import { finish, type Steps } from '../music/steps.ts';
import { isWorse, withoutLikeness } from './alike.ts';
import { termDifferences } from './other-ways.ts';
import type { Plan } from './plan.ts';

/** Another moment for a change of position, and what it costs more than the plan's own. */
export interface ShiftPlace {
  /** Slice at which the hand would have arrived. */
  readonly slice: number;
  readonly isEarlier: boolean;
  readonly rides: ShiftRide;
  /** Over the whole piece, in units of effort. */
  readonly price: number;
  readonly terms: Readonly<Partial<Record<LeftTerm, number>>>;
  /** What brings it about, and nothing more. */
  readonly plan: LeftPlan;
  /** Sounds that are taken otherwise. */
  readonly changed: readonly number[];
}

/** A place dearer than this is no advice, in units of effort: about two shifts. */
const MOST_PRICE = 7;
/** How far to look, in slices before and after. */
const FURTHEST = 8;
const MOST_PLACES = 4;

/**
 * Earlier and later moments at which a shift could be made, cheapest first: the hand is kept in the old position up to
 * the moment before and in the new one from there to where the plan's own shift has arrived, and the whole piece is
 * solved again. Empty when no other moment is worth a thought.
 */
export function* shiftPlacesInSteps(
  { score, fingering: own, alike, left, shifts, memory }: Plan,
  shift: Pick<Shift, 'slice'>,
): Steps<readonly ShiftPlace[]> {
  const index = shifts.findIndex((each) => each.slice === shift.slice);
  if (index < 0) throw new RangeError(`there is no shift at slice ${shift.slice}`);
  const { slice, from, to } = shifts[index]!;
  const first = Math.max((shifts[index - 1]?.slice ?? 0) + 1, slice - FURTHEST);
  const last = Math.min((shifts[index + 1]?.slice ?? left.hands.length) - 1, slice + FURTHEST);
  const tryAt = (place: number): readonly ShiftPlace[] => {
    const positionAt = new Map<number, number>();
    for (let at = Math.min(first - 1, place - 1); at <= Math.max(place, slice); at += 1)
      if (at >= 0) positionAt.set(at, at < place ? from : to);
    const bars = new Set([...positionAt.keys()].map((at) => left.hands[at]!.slice.bar));
    const wanted = withoutLikeness(score, own, alike, bars);
    const other = planLeft(score, wanted, left.setup, memory.clock, { memory: memory.left, positionAt });
    const price = other.cost - left.cost;
    const made = shiftsOf(other, memory.clock).find((each) => each.slice === place);
    if (isWorse(other, left) || price > MOST_PRICE || made?.to !== to) return [];
    return [
      {
        slice: place,
        isEarlier: place < slice,
        rides: made.rides,
        price,
        terms: termDifferences(left, other),
        plan: other,
        changed: takenOtherwise(left, other),
      },
    ];
  };
  const places: ShiftPlace[] = [];
  for (let place = first; place <= last; place += 1) {
    if (place === slice) continue;
    places.push(...tryAt(place));
    yield;
  }
  return places.sort(cheapestFirst).slice(0, MOST_PLACES);
}

/** The same in one go. */
export const shiftPlaces = (...asked: Parameters<typeof shiftPlacesInSteps>): readonly ShiftPlace[] =>
  finish(shiftPlacesInSteps(...asked));

/** The same music without a barre: the stretch, the other strings or the open strings that take its place. */
export interface WithoutBarre {
  readonly price: number;
  readonly terms: Readonly<Partial<Record<LeftTerm, number>>>;
  readonly plan: LeftPlan;
  readonly changed: readonly number[];
}

const TRIAL = 'without-barre' as RuleId;

/** What leaving out a barre would cost over the whole piece; undefined when its notes cannot be held without one. */
export const withoutBarre = (
  { score, fingering: own, alike, left, memory }: Plan,
  barre: Pick<Barre, 'onset' | 'until'>,
): WithoutBarre | undefined => {
  const bars = left.hands
    .filter(({ slice }) => slice.onset >= barre.onset && slice.onset < barre.until)
    .map(({ slice }) => slice.bar);
  const [from, to] = [Math.min(...bars), Math.max(...bars)];
  const fingering = withoutLikeness(score, own, alike, new Set(bars));
  const rules = new Map(fingering.rules).set(TRIAL, { kind: 'no-barre', from, to });
  const other = planLeft(score, { ...fingering, rules }, left.setup, memory.clock, { memory: memory.left });
  const isThere = barresOf(other).some((each) => each.onset < barre.until && each.until > barre.onset);
  return isThere || isWorse(other, left)
    ? undefined
    : {
        price: other.cost - left.cost,
        terms: termDifferences(left, other),
        plan: other,
        changed: takenOtherwise(left, other),
      };
};
