import type { Plan } from '../plan/plan.ts';
import { placedNote } from './left-moments.ts';
import type { Moment } from './moment.ts';

/** Shortest rest before which a finger is told to lift, in quarters. Our own value. */
const SHORTEST_REST = 1;

/** When a note stops sounding in the hand, in ticks: where it lies no more, or where it is written to end. */
const endsAt = ({ left }: Plan, sound: number): number => {
  const { end, onset } = left.sounds[sound]!;
  const gone = left.hands.find(
    ({ slice, lying }) =>
      slice.onset > onset &&
      slice.onset < end &&
      !lying.some((each) => each.sound === sound && each.sounding),
  );
  return gone?.slice.onset ?? end;
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
  return left.sounds.flatMap(({ index, bar, onset, end }): Moment[] => {
    const note = placedNote(plan, index);
    const isCut = left.cut.includes(index) || isWanted(index);
    const until = endsAt(plan, index);
    if (!note || !isCut || told.has(index) || until >= end) return [];
    return [{ kind: 'cut', bar, onset, isNeeded: true, values: { note, until, isWanted: isWanted(index) } }];
  });
};

/** Stopped notes that end where a rest of their own voice begins: the finger that lifts makes the silence. */
export const liftMoments = (plan: Plan): readonly Moment[] => {
  const { left, score } = plan;
  return left.sounds.flatMap(({ index, bar, end, voice }): Moment[] => {
    const note = placedNote(plan, index);
    const at = score.bars.findLast(({ start }) => start <= end)!;
    const rest = at.voices
      .find(({ name }) => name === voice)
      ?.events.find(({ kind, onset }) => kind === 'rest' && onset === end);
    if (!note || note.fret === 0 || at.index !== bar || !rest) return [];
    if (rest.duration < SHORTEST_REST * score.ticksPerQuarter || endsAt(plan, index) < end) return [];
    return [{ kind: 'lift', bar, onset: end, isNeeded: false, values: { note } }];
  });
};
