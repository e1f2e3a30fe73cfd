import { EMPTY_FINGERING, type Choice, type Fingering } from '../fingering/fingering.ts';
import type { StringNumber } from '../instrument/guitar.ts';
import type { LeftFinger, StrokeFinger } from '../fingering/vocabulary.ts';
import { isLine } from '../right/events/events.ts';
import { RING } from '../right/events/ranks.ts';
import type { NoteId, NoteIndex } from '../score/score.ts';
import { finish, type Steps } from '../music/steps.ts';
import { planPiece, type Plan } from './plan.ts';

/** Which marks of a note are needed. */
export interface Essential {
  readonly finger: boolean;
  readonly string: boolean;
  readonly pluck: boolean;
}
type Needed = { -readonly [K in keyof Essential]: Essential[K] };

/** Rounds of planning with only the marks found so far, and adding what came out otherwise. */
const MOST_ROUNDS = 8;

/**
 * The marks that a player who knows the trade needs, by notehead: the first note of a position, every exception from
 * one finger per fret, unexpected strings, barres, the first of every right-hand pattern and where a line leaves its
 * alternation. What a plan with only these marks fixed would play otherwise is added, until it plays the same: so the
 * whole fingering follows from them. Where that takes too many rounds, every mark is one. Handbook §9.
 */
export function* essentialMarksInSteps(plan: Plan): Steps<ReadonlyMap<NoteIndex, Essential>> {
  const marks = new Map<NoteIndex, Needed>();
  const need = (note: NoteIndex, field: keyof Needed): void => {
    const own = marks.get(note) ?? { finger: false, string: false, pluck: false };
    own[field] = true;
    marks.set(note, own);
  };
  tradeMarks(plan, need);
  const { score, setup } = plan;
  let memory = plan.memory;
  for (let round = 0; round < MOST_ROUNDS; round += 1) {
    const replanned = planPiece(score, onlyThese(plan, marks), setup, { memory });
    memory = replanned.memory;
    let isSame = true;
    plan.notes.forEach((note, index) => {
      const other = replanned.notes[index]!;
      for (const field of ['finger', 'string', 'pluck'] as const) {
        if (note.tied || note[field] === undefined || note[field] === other[field]) continue;
        isSame = false;
        need(index, field);
      }
    });
    if (isSame) return marks;
    yield;
  }
  // Nothing less was found from which the plan follows: everything is written.
  plan.notes.forEach(({ tied, finger, string, pluck }, index) => {
    if (tied) return;
    if (finger !== undefined) need(index, 'finger');
    if (string !== undefined) need(index, 'string');
    if (pluck !== undefined) need(index, 'pluck');
  });
  return marks;
}

/** The same in one go. */
export const essentialMarks = (plan: Plan): ReadonlyMap<NoteIndex, Essential> =>
  finish(essentialMarksInSteps(plan));

/** A fingering that fixes only some marks of a plan; rules stay, what the source fixes elsewhere is set free. */
export const onlyThese = (
  { score, notes, fingering }: Plan,
  marks: ReadonlyMap<NoteIndex, Essential>,
): Fingering => {
  const choices = new Map<NoteId, Choice>();
  for (const { id, index } of score.notes) {
    const needed = marks.get(index);
    const { finger, string, pluck, tied } = notes[index]!;
    if (tied) continue;
    const remedy = fingering.choices.get(id)?.remedy;
    choices.set(id, {
      finger: needed?.finger ? (finger as LeftFinger) : null,
      string: needed?.string ? (string as StringNumber) : null,
      pluck: needed?.pluck ? (pluck as StrokeFinger) : null,
      ...(remedy && { remedy }),
    });
  }
  // Slurs that a teacher set are played, so they stay.
  return { ...EMPTY_FINGERING, choices, rules: fingering.rules, marks: fingering.marks };
};

/** Frets above the index that a hand reaches without leaving its position. */
const REACH = 3;
/** How far away an open string counts, in frets: further than a place in the position, nearer than any outside it. */
const OPEN_DISTANCE = 0.5;

/** What the trade writes, whatever a planner makes of it. */
const tradeMarks = (plan: Plan, need: (note: NoteIndex, field: keyof Needed) => void): void => {
  const { left, right } = plan;
  const { piece } = left;
  let position = 0;
  for (const { slice, position: now } of left.hands) {
    const isNew = now !== position && now > 0;
    for (const sound of slice.struck) {
      const choice = left.choices[sound];
      if (!choice) continue;
      const { head } = left.sounds[sound]!;
      const { fret, finger, string, barre } = choice;
      const expected = fret === 0 ? 0 : fret - now + 1;
      if (finger !== 0 && (isNew || barre || finger !== expected)) need(head, 'finger');
      // The place a player would take: the open string, else the one that lies nearest to the position.
      const distance = (place: { readonly fret: number }): number =>
        place.fret === 0 ? OPEN_DISTANCE : Math.max(0, now - place.fret, place.fret - (now + REACH));
      const nearest = piece.places[sound]!.reduce((a, b) => (distance(b) < distance(a) ? b : a));
      if (nearest.string !== string) need(head, finger === 0 ? 'finger' : 'string');
    }
    if (now > 0) position = now;
  }
  const headOf = (event: number): NoteIndex => left.sounds[right.events[event]!.notes.at(-1)!.sound]!.head;
  const seen = new Set<string>();
  const inCell = new Set<number>();
  for (const { first, end } of right.cells) {
    const order = right.options
      .slice(first, end)
      .map((option) => option.join(''))
      .join(' ');
    for (let event = first; event < end; event += 1) {
      inCell.add(event);
      if (!seen.has(order)) need(headOf(event), 'pluck');
    }
    seen.add(order);
  }
  right.events.forEach((event, index) => {
    if (inCell.has(index) || !isLine(event)) return;
    const [before, now] = [right.options[index - 1], right.options[index]!];
    const alternates = before?.length === 1 && before[0] !== now[0] && now[0]! !== RING && before[0] !== RING;
    if (event.isLineStart || !alternates) need(headOf(index), 'pluck');
  });
};
