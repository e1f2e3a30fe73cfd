import { chooseEdit, applyEdits } from '../fingering/edits.ts';
import type { Choice, Fingering } from '../fingering/fingering.ts';
import type { FindingCode } from '../review/finding.ts';
import { noteById, type NoteId, type Score } from '../score/score.ts';
import { planPiece, type Plan, type PlanSetup } from './plan.ts';

/** Rounds of leaving decisions to the planner: each frees what the one before brought to light. */
const MOST_ROUNDS = 6;
/** Findings that tell that a hand cannot do what is decided there. */
const BEYOND_THE_HAND: ReadonlySet<FindingCode> = new Set([
  'wide-stretch',
  'unplayable-note',
  'lock-not-kept',
  'held-note-cut',
]);

/** Decisions as changes of notes; a field left undefined goes to the planner, null sets free what the source fixes. */
export type ChoiceChanges = readonly (readonly [NoteId, Choice])[];

/** A note's left hand given to the planner, whoever fixed it. */
const givenUp = (score: Score, id: NoteId): Choice => {
  const { string, finger } = noteById(score, id)?.fingering ?? {};
  return {
    string: string === undefined ? undefined : null,
    finger: finger === undefined ? undefined : null,
  };
};

/** A fingering with some notes decided otherwise. */
export const withChoices = (fingering: Fingering, changes: ChoiceChanges): Fingering =>
  changes.reduce((at, [id, change]) => applyEdits(at, [chooseEdit(at, id, change)]), fingering);

/** Slices in which the hand cannot do what is wanted, and the sounds that take part. */
const troubles = (plan: Plan): ReadonlyMap<number, ReadonlySet<number>> => {
  const { score, left, findings } = plan;
  const found = new Map<number, ReadonlySet<number>>();
  for (const finding of findings) {
    const onset = noteById(score, finding.note)?.onset;
    const hand = left.hands.find(({ slice }) => slice.onset === onset);
    if (!hand || !BEYOND_THE_HAND.has(finding.code)) continue;
    const fingers =
      finding.code === 'wide-stretch' ? [finding.values.lower, finding.values.higher] : undefined;
    const lying = hand.lying.filter(({ finger }) => fingers?.includes(finger) ?? true);
    found.set(
      hand.slice.index,
      new Set([
        ...(found.get(hand.slice.index) ?? []),
        ...lying.map(({ sound }) => sound),
        ...(fingers ? [] : hand.slice.struck),
      ]),
    );
  }
  return found;
};

/** The notes that lie or are struck so many slices around one. */
const around = (plan: Plan, slice: number, reach: number): readonly NoteId[] => {
  const hands = plan.left.hands.slice(Math.max(0, slice - reach), slice + reach + 1);
  const sounds = new Set(
    hands.flatMap((hand) => [...hand.slice.struck, ...hand.lying.map(({ sound }) => sound)]),
  );
  return [...sounds].map((sound) => idOf(plan, sound));
};

/** What is fixed for a note's left hand, by the teacher or else by the source. */
const fixedLeft = (score: Score, fingering: Fingering, id: NoteId): Pick<Choice, 'string' | 'finger'> => {
  const choice = fingering.choices.get(id);
  const source = noteById(score, id)?.fingering;
  return {
    string: choice?.string === undefined ? (source?.string as Choice['string']) : choice.string,
    finger: choice?.finger === undefined ? (source?.finger as Choice['finger']) : choice.finger,
  };
};
const isFixed = (score: Score, fingering: Fingering, id: NoteId): boolean =>
  Object.values(fixedLeft(score, fingering, id)).some((value) => value !== undefined && value !== null);

/**
 * What of a teacher's decisions has to be left to the planner for another hand: those that take part in a stretch, a hold
 * or a note that this hand cannot do, and as many around it as it takes to help. Everything else stays as it is decided.
 */
export const choicesBeyondHand = (score: Score, fingering: Fingering, setup: PlanSetup): ChoiceChanges => {
  /** Notes left to the planner, and the slices for whose sake. */
  const freed = new Map<NoteId, Set<number>>();
  const free = (id: NoteId, slice: number): void => {
    if (isFixed(score, fingering, id)) freed.set(id, (freed.get(id) ?? new Set()).add(slice));
  };
  let plan = planPiece(score, fingering, setup);
  const first = troubles(plan);
  for (let round = 0; round < MOST_ROUNDS; round += 1) {
    const found = troubles(plan);
    const before = freed.size;
    for (const [slice, sounds] of found)
      if (round === 0) for (const sound of sounds) free(idOf(plan, sound), slice);
      else for (const id of around(plan, slice, round - 1)) free(id, slice);
    if (found.size === 0) break;
    if (freed.size === before && round > 0) continue;
    const changes = [...freed.keys()].map((id) => [id, givenUp(score, id)] as const);
    plan = planPiece(score, withChoices(fingering, changes), setup, { memory: plan.memory });
  }
  const left = troubles(plan);
  const takenAlike = (id: NoteId): boolean => {
    const note = plan.notes[noteById(score, id)?.index ?? -1];
    const { string, finger } = fixedLeft(score, fingering, id);
    return (string ?? note?.string) === note?.string && (finger ?? note?.finger) === note?.finger;
  };
  const hasHelped = (slices: ReadonlySet<number>): boolean =>
    [...slices].some((slice) => first.has(slice) && !left.has(slice));
  return [...freed]
    .filter(([id, slices]) => hasHelped(slices) && !takenAlike(id))
    .map(([id]) => [id, givenUp(score, id)]);
};

const idOf = ({ score, left }: Plan, sound: number): NoteId => score.notes[left.sounds[sound]!.head]!.id;
