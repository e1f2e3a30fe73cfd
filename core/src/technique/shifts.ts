import { fretOffset, millimetres, type Guitar, type Millimetres } from '../instrument/guitar.ts';
import type { HandAt, LeftPlan } from '../left/plan-left.ts';
import type { Clock } from '../score/clock.ts';

export const SHIFT_RIDES = ['open-string', 'rest', 'guide', 'repeat', 'bass', 'none'] as const;
/** What a change of position rides on. */
export type ShiftRide = (typeof SHIFT_RIDES)[number];

export interface Shift {
  /** Slice at which the hand has arrived. */
  readonly slice: number;
  readonly onset: number;
  readonly from: number;
  readonly to: number;
  readonly rides: ShiftRide;
  readonly distance: Millimetres;
  /** Time from the note before to the first note in the new position, in ms. */
  readonly window: number;
}

const rideOf = (plan: LeftPlan, before: HandAt, after: HandAt): ShiftRide => {
  const { sounds } = plan;
  const stopped = before.lying.filter((each) => each.finger > 0);
  const isGuide = stopped.some((each) =>
    after.lying.some(
      (other) => other.finger === each.finger && other.string === each.string && other.fret !== each.fret,
    ),
  );
  const ends = before.lying.map((each) => sounds[each.sound]!.end);
  if (Math.max(...ends, 0) < after.slice.onset) return 'rest';
  if (!stopped.some((each) => each.sounding)) return 'open-string';
  if (isGuide) return 'guide';
  const pitches = before.slice.struck.map((sound) => sounds[sound]!.midi);
  if (after.slice.struck.some((sound) => pitches.includes(sounds[sound]!.midi))) return 'repeat';
  const isLoneBass = before.slice.struck.length === 1 && before.lying.every((each) => each.string >= 4);
  return isLoneBass ? 'bass' : 'none';
};

/** Every change of position of a plan, in playing order. */
export const shiftsOf = (plan: LeftPlan, guitar: Guitar, clock: Clock): readonly Shift[] =>
  plan.hands.flatMap((after, index): Shift[] => {
    const before = plan.hands[index - 1];
    if (!before || before.position === 0 || before.position === after.position) return [];
    const offset = (position: number) => fretOffset(position + guitar.capo, guitar.scaleLength);
    return [
      {
        slice: after.slice.index,
        onset: after.slice.onset,
        from: before.position,
        to: after.position,
        rides: rideOf(plan, before, after),
        distance: millimetres(Math.abs(offset(after.position) - offset(before.position))),
        window: 1000 * (clock.seconds(after.slice.onset) - clock.seconds(before.slice.onset)),
      },
    ];
  });
