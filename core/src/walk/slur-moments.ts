import type { Plan } from '../plan/plan.ts';
import { placedNote } from './left-moments.ts';
import type { Moment } from './moment.ts';

/** Notes that the left hand sounds by itself. */
export const slurMoments = (plan: Plan): readonly Moment[] => {
  const { score, left } = plan;
  return left.sounds.flatMap(({ index, head, bar, onset }): Moment[] => {
    const { slurredFrom } = score.notes[head]!;
    const before = slurredFrom && left.piece.soundOf.get(slurredFrom.note);
    const [from, to] = [before === undefined ? undefined : placedNote(plan, before), placedNote(plan, index)];
    if (!from || !to || from.string !== to.string || right(plan, index)) return [];
    const rising = left.sounds[index]!.midi > left.sounds[from.sound]!.midi;
    return [{ kind: 'slur', bar, onset, isNeeded: false, values: { from, to, rising } }];
  });
};

const right = (plan: Plan, sound: number): boolean => plan.right.choices[sound] !== undefined;
