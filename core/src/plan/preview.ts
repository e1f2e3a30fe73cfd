import { applyEdit, chooseEdit } from '../fingering/edits.ts';
import type { Choice } from '../fingering/fingering.ts';
import type { LeftTerm } from '../left/hand/costs.ts';
import { isSameFingering } from '../review/compare.ts';
import type { NoteIndex } from '../score/score.ts';
import type { Shift } from '../technique/shifts.ts';
import { termDifferences } from './other-ways.ts';
import { planPiece, type NotePlan, type Plan } from './plan.ts';
import { rightTermDifferences, type RightWay } from './right-ways.ts';

/** What deciding one note would bring about in the whole piece, nothing of it being decided yet. */
export interface ChoicePreview {
  /** Terms of the left hand that grow (positive) or shrink, in units of effort. */
  readonly terms: Readonly<Partial<Record<LeftTerm, number>>>;
  readonly rightTerms: RightWay['terms'];
  /** Noteheads that would be fingered otherwise, with how; the note itself among them when it is. */
  readonly notes: readonly (readonly [NoteIndex, Pick<NotePlan, 'string' | 'fret' | 'finger' | 'pluck'>])[];
  /** Shifts that the plan does not make now. */
  readonly appearing: readonly Shift[];
  /** Ticks at which a shift of the plan falls away. */
  readonly vanishing: readonly number[];
}

const isSameShift = (one: Shift, other: Shift): boolean =>
  one.onset === other.onset && one.from === other.from && one.to === other.to;

/** The plan that one more decision about a note would make; the plan itself is left as it is. */
export const planDeciding = (plan: Plan, note: NoteIndex, change: Choice): Plan => {
  const { memory, fingering, setup, score } = plan;
  const head = plan.left.sounds[plan.left.piece.soundOf.get(note) ?? -1]?.head;
  if (head === undefined) throw new RangeError(`note ${note} does not sound`);
  const decided = applyEdit(fingering, chooseEdit(fingering, score.notes[head]!.id, change));
  return planPiece(memory.source, decided, setup, { memory });
};

/** What becomes different where one more decision about a note makes `other` of a plan. */
export const previewBetween = (plan: Plan, other: Plan): ChoicePreview => ({
  terms: termDifferences(plan.left, other.left),
  rightTerms: rightTermDifferences(plan.right, other.right),
  notes: other.notes.flatMap((after, index) =>
    after.tied || isSameFingering(plan.notes[index]!, after)
      ? []
      : [
          [
            index,
            { string: after.string, fret: after.fret, finger: after.finger, pluck: after.pluck },
          ] as const,
        ],
  ),
  appearing: other.shifts.filter((shift) => !plan.shifts.some((each) => isSameShift(each, shift))),
  vanishing: plan.shifts
    .filter((shift) => !other.shifts.some((each) => isSameShift(each, shift)))
    .map(({ onset }) => onset),
});

/** What deciding one note would bring about. */
export const previewOf = (plan: Plan, note: NoteIndex, change: Choice): ChoicePreview =>
  previewBetween(plan, planDeciding(plan, note, change));
