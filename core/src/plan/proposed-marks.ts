import { markId } from '../fingering/mark-id.ts';
import type { Mark, MarkDecision, MarkId, MarkOf } from '../fingering/marks.ts';
import type { StringNumber } from '../instrument/guitar.ts';
import type { Barre } from '../technique/barres.ts';
import { anchorOf } from '../score/anchor.ts';
import type { NoteId, NoteIndex, Score } from '../score/score.ts';
import type { Plan } from './plan.ts';

/** Who wants a mark. */
export type MarkOrigin = 'planned' | 'source' | 'teacher';

/** A mark with who wants it. What only the plan proposes is shown where it was asked for, and drawn lighter. */
export interface PlacedMark {
  readonly id: MarkId;
  readonly mark: Mark;
  readonly by: MarkOrigin;
}

/** The last notehead that begins before a tick, as an anchor; one of the given voice where it has any from `from` on. */
const lastBefore = (score: Score, tick: number, from: NoteIndex): NoteIndex => {
  const { voice } = score.notes[from]!;
  let last = from;
  for (let at = from; at < score.notes.length && score.notes[at]!.onset < tick; at += 1)
    if (score.notes[at]!.voice === voice && !score.notes[at]!.grace) last = at;
  return anchorOf(score, last);
};

/** The position in which the hand lies at a slice, from there until it leaves it. */
export const positionMark = ({ score, performance: { left } }: Plan, slice: number): MarkOf<'position'> => {
  const { position } = left.hands[slice]!;
  let next = slice;
  while (left.hands[next]?.position === position) next += 1;
  const from = anchorOf(score, left.sounds[left.hands[slice]!.slice.struck[0]!]!.head);
  const to = lastBefore(score, left.hands[next]?.slice.onset ?? Infinity, from);
  return { kind: 'position', from: score.notes[from]!.id, to: score.notes[to]!.id, position };
};

/** Whether a barre of the index says where the hand is: it lies there when the hand arrives, or is laid in the same bar. */
const isToldByBarre = ({ performance: { left }, barres }: Plan, slice: number): boolean => {
  const { slice: here, position } = left.hands[slice]!;
  const tells = ({ finger, fret, onset, until }: Barre): boolean => {
    if (finger !== 1 || fret !== position || until <= here.onset) return false;
    if (onset <= here.onset) return true;
    const laid = left.hands.find((hand) => hand.slice.onset >= onset)!;
    return (
      laid.slice.bar === here.bar &&
      left.hands.slice(slice, laid.slice.index).every((hand) => hand.position === position)
    );
  };
  return barres.some(tells);
};

/** Slices at which a numeral tells the position: where the hand arrives, unless a barre tells it. */
export const positionsToldAt = (plan: Plan): readonly number[] => {
  let position = 0;
  return plan.performance.left.hands.flatMap((hand, slice) => {
    if (hand.position === 0 || hand.position === position) return [];
    position = hand.position;
    return isToldByBarre(plan, slice) ? [] : [slice];
  });
};

/** Marks that follow from a plan: what a teacher may accept, change or take away. */
export const proposedMarks = (plan: Plan): readonly Mark[] => {
  const { score, performance, damping, technique } = plan;
  const { left, right, planting, strokes: advice } = performance;
  const id = (note: NoteIndex): NoteId => score.notes[note]!.id;
  const headOf = (sound: number): NoteIndex => left.sounds[sound]!.head;
  const struckAt = (slice: number): NoteIndex => anchorOf(score, headOf(left.hands[slice]!.slice.struck[0]!));
  const sliceOf = new Map(left.hands.map(({ slice }) => [slice.onset, slice.index]));

  const barres = technique.barres.map(({ onset, until, fret, kind, finger }): Mark => {
    const from = struckAt(sliceOf.get(onset)!);
    const to = id(lastBefore(score, until, from));
    return { kind: 'barre', from: id(from), to, fret, extent: kind, finger: finger as 1 | 2 | 3 | 4 };
  });
  const positions = positionsToldAt(plan).map((slice): Mark => positionMark(plan, slice));
  const guides = technique.guides.map(({ from, to, isHeard }): Mark => ({
    kind: 'guide',
    from: id(headOf(from)),
    to: id(headOf(to)),
    heard: isHeard,
  }));
  const holds = technique.held.map(({ from, to }): Mark => ({
    kind: 'hold',
    from: id(headOf(from)),
    to: id(headOf(to)),
  }));
  const damps = damping.map(({ sound, slice, string, why }): Mark => ({
    kind: 'damp',
    from: id(anchorOf(score, why === 'rest' ? headOf(sound) : headOf(left.hands[slice]!.slice.struck[0]!))),
    string: string as StringNumber,
  }));
  const plants = planting.flatMap(({ event, plants: set }): Mark[] => {
    const fingers = ['p', 'i', 'm', 'a'].filter((finger) => set.some((each) => each.finger === finger));
    const note = headOf(right.events[event]!.notes.at(-1)!.sound);
    return fingers.length === 0 ? [] : [{ kind: 'plant', from: id(note), fingers: fingers.join('') }];
  });
  const slurs = technique.slurSuggestions.map(({ from, to, kind }): Mark => ({
    kind: 'slur',
    from: id(headOf(from)),
    to: id(headOf(to)),
    as: kind,
  }));
  const strokes = advice.map(({ sound, stroke }): Mark => ({
    kind: 'stroke',
    from: id(headOf(sound)),
    stroke,
  }));
  return [...barres, ...positions, ...guides, ...holds, ...damps, ...plants, ...slurs, ...strokes];
};

/**
 * The marks of a piece: those of the source and the plan's proposals, as the teacher has changed them, and the teacher's
 * own. A mark of the source stands before a proposal for the same place.
 */
export const placedMarks = (
  proposals: readonly Mark[],
  source: ReadonlyMap<MarkId, Mark>,
  decisions: ReadonlyMap<MarkId, MarkDecision>,
): readonly PlacedMark[] => {
  const placed = new Map<MarkId, PlacedMark>();
  for (const mark of proposals) placed.set(markId(mark), { id: markId(mark), mark, by: 'planned' });
  for (const [id, mark] of source) placed.set(id, { id, mark, by: 'source' });
  for (const [id, mark] of decisions)
    if (mark.kind === 'removed') placed.delete(id);
    else placed.set(id, { id, mark, by: 'teacher' });
  return [...placed.values()];
};
