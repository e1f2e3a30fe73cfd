import type { Choice } from '../fingering/fingering.ts';
import { isSameTaking } from '../left/left-plan.ts';
import { takingOf, type TakenDifferently } from '../review/compare.ts';
import { noteById, type NoteId } from '../score/score.ts';
import { withChoices, type ChoiceChanges } from './other-hand.ts';
import { planPiece, type Plan } from './plan.ts';

/** Sounds between two that differ which still belong to the same point. */
const SAME_POINT = 2;
/** What is cheaper than this is no reason, in units of effort. */
const NO_REASON = 0.1;

/** Why another hand takes some notes otherwise. */
export type HandReason =
  /** More than is comfortable for it, in mm. */
  | { readonly kind: 'stretch'; readonly lower: number; readonly higher: number; readonly mm: number }
  /** It cannot be done, or not held, together with what surrounds it. */
  | { readonly kind: 'cannot' }
  /** It is that much harder, in units of effort. */
  | { readonly kind: 'harder'; readonly price: number }
  /** It goes with what differs around it. */
  | { readonly kind: 'goes-along' };

/** Neighbouring notes that a version for another hand takes otherwise than the one it was made from. */
export interface HandPoint {
  readonly notes: readonly TakenDifferently[];
  readonly why: HandReason;
  /** What fixes the notes as this hand takes them, and what fixes them as in the version before. */
  readonly asHere: ChoiceChanges;
  readonly asThere: ChoiceChanges;
  /** Whether the notes are fixed as this hand takes them. */
  readonly isFixed: boolean;
}

/** The left hand's way of a note as a choice. */
const wayOf = (plan: Plan, sound: number): readonly [NoteId, Choice] | undefined => {
  const choice = plan.left.choices[sound];
  const note = plan.score.notes[plan.left.sounds[sound]!.head]!;
  return choice && [note.id, { string: choice.string, finger: choice.finger } as Choice];
};

/** Runs of sounds that two plans take otherwise. */
const runsOf = (here: Plan, there: Plan): readonly (readonly number[])[] => {
  const runs: number[][] = [];
  for (const { index } of here.left.sounds) {
    if (isSameTaking(here.left.choices[index], there.left.choices[index])) continue;
    const last = runs.at(-1);
    if (last && index - last.at(-1)! <= SAME_POINT) last.push(index);
    else runs.push([index]);
  }
  return runs;
};

/**
 * Where and why the version for another hand takes notes otherwise than the version it was made from, in playing order.
 * Throws `RangeError` for plans of two pieces.
 */
export const handPoints = (here: Plan, there: Plan): readonly HandPoint[] => {
  if (here.left.sounds.length !== there.left.sounds.length)
    throw new RangeError(`pieces of ${here.left.sounds.length} and ${there.left.sounds.length} sounds`);
  const runs = runsOf(here, there);
  if (runs.length === 0) return [];
  const ways = (plan: Plan, run: readonly number[]): ChoiceChanges =>
    run.flatMap((sound) => {
      const way = wayOf(plan, sound);
      return way ? [way] : [];
    });
  /** This hand made to take everything as it was taken before. */
  const forced = planPiece(here.score, withChoices(here.fingering, ways(there, runs.flat())), here.setup);
  return runs.map((run): HandPoint => {
    const asHere = ways(here, run);
    return {
      notes: run.map((sound) => ({
        note: here.left.sounds[sound]!.head,
        bar: here.left.sounds[sound]!.bar,
        one: takingOf(there.performance, sound),
        other: takingOf(here.performance, sound),
      })),
      why: reasonOf(here, there, forced, run),
      asHere,
      asThere: ways(there, run),
      isFixed: asHere.every(([id]) => {
        const choice = here.fingering.choices.get(id);
        return choice?.string !== undefined && choice.finger !== undefined;
      }),
    };
  });
};

const reasonOf = (here: Plan, there: Plan, forced: Plan, run: readonly number[]): HandReason => {
  const { left, score } = forced;
  const from = left.sounds[run[0]!]!.onset;
  const to = left.sounds[run.at(-1)!]!.onset;
  const own = forced.findings.filter(({ note }) => {
    const onset = noteById(score, note)?.onset ?? -1;
    return onset >= from && onset <= to;
  });
  const stretches = own.flatMap((each) => (each.code === 'wide-stretch' ? [each.values] : []));
  const [widest] = stretches.toSorted((a, b) => b.mm - a.mm);
  if (widest) return { kind: 'stretch', ...widest };
  const CANNOT = ['unplayable-note', 'lock-not-kept', 'held-note-cut'];
  if (own.some(({ code }) => CANNOT.includes(code))) return { kind: 'cannot' };
  const prices = run.map((sound) => {
    const way = there.left.choices[sound];
    const option = here.memory.left.prices[sound]!.find(
      (each) => each.string === way?.string && each.finger === way.finger,
    );
    return option?.price ?? 0;
  });
  const price = Math.max(...prices);
  return price > NO_REASON ? { kind: 'harder', price } : { kind: 'goes-along' };
};
