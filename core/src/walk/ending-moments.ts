import type { Plan } from '../plan/plan.ts';
import { placedNote } from './left-moments.ts';
import type { Moment } from './moment.ts';

/** Shortest rest before which a finger is told to lift, in quarters. Our own value. */
const SHORTEST_REST = 1;

/** When a note stops sounding in the hand, in ticks: where it lies no more, or where it is written to end. */
const endsAt = ({ left, score }: Plan, sound: number): number => {
  const { end, head } = left.sounds[sound]!;
  const struck = left.piece.sliceOf.get(score.notes[head]!.id)!;
  for (let index = struck + 1; index < left.hands.length; index += 1) {
    const { slice, lying } = left.hands[index]!;
    if (slice.onset >= end) return end;
    if (!lying.some((each) => each.sound === sound && each.sounding)) return slice.onset;
  }
  return end;
};

/** Notes that end before their time is over: no hand could hold them, or the teacher has them short. */
export const cutMoments = (plan: Plan): readonly Moment[] => {
  const { fingering, left, score, shifts } = plan;
  /** What is let go for a shift is told with the shift. */
  const told = new Set(
    shifts.flatMap(({ rides, cuts }) => (rides === 'none' && cuts[0] ? [cuts[0].sound] : [])),
  );
  const isWanted = (sound: number): boolean =>
    fingering.choices.get(score.notes[left.sounds[sound]!.head]!.id)?.remedy === 'short';
  const cut = new Set(left.cut);
  return left.sounds.flatMap(({ index, bar, onset, end }): Moment[] => {
    if (told.has(index) || !(cut.has(index) || isWanted(index))) return [];
    const note = placedNote(plan, index);
    const until = endsAt(plan, index);
    if (!note || until >= end) return [];
    return [{ kind: 'cut', bar, onset, isNeeded: true, values: { note, until, isWanted: isWanted(index) } }];
  });
};

/** Stopped notes that end where a rest of their own voice begins: the finger that lifts makes the silence. */
export const liftMoments = (plan: Plan): readonly Moment[] => {
  const { left, score } = plan;
  return left.sounds.flatMap(({ index, bar, end, voice }): Moment[] => {
    const note = placedNote(plan, index);
    const rest = score.bars[bar]!.voices.find(({ name }) => name === voice)?.events.find(
      ({ kind, onset }) => kind === 'rest' && onset === end,
    );
    if (!note || note.fret === 0 || !rest) return [];
    if (rest.duration < SHORTEST_REST * score.ticksPerQuarter || endsAt(plan, index) < end) return [];
    return [{ kind: 'lift', bar, onset: end, isNeeded: false, values: { note } }];
  });
};
