import { fretOffset, millimetres, type Millimetres } from '../instrument/guitar.ts';
import type { HandAt, LeftPlan } from '../left/left-plan.ts';
import type { Clock } from '../score/clock.ts';

export const SHIFT_RIDES = ['open-string', 'rest', 'staccato', 'guide', 'repeat', 'bass', 'none'] as const;
/** What a change of position rides on. */
export type ShiftRide = (typeof SHIFT_RIDES)[number];

/** A note that a shift cuts short, and by how much, in ms. */
export interface CutNote {
  readonly sound: number;
  readonly ms: number;
}

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
  /** Time from when nothing stopped sounds any more (or from the note before) to the first note there, in ms. */
  readonly free: number;
  /** Speed that the free time asks of the hand, in mm a second. */
  readonly speed: number;
  /** How long before the first note in the new position the hand must leave to be there in time, in ms. */
  readonly travel: number;
  /** Stopped notes that end early for it; a guide slides and cuts nothing. */
  readonly cuts: readonly CutNote[];
}

/** How a hand travels without hurry. Our own values, common practice, no published source. */
export const TRAVEL = {
  /** Along the neck, in mm a second. */
  speed: 700,
  /** Lifting and setting the fingers, in ms. */
  settling: 40,
} as const;

const STACCATO: ReadonlySet<string> = new Set(['staccato', 'staccatissimo', 'spiccato']);

const isGuided = (before: HandAt, after: HandAt): boolean =>
  before.lying.some(
    (each) =>
      each.finger > 0 &&
      after.lying.some(
        (other) => other.finger === each.finger && other.string === each.string && other.fret !== each.fret,
      ),
  );

/** Whether some finger lies where it lay. */
const keepsFinger = (before: HandAt, after: HandAt): boolean =>
  before.lying.some(
    (each) =>
      each.finger > 0 &&
      after.lying.some(
        (other) => other.finger === each.finger && other.string === each.string && other.fret === each.fret,
      ),
  );

const movesIndex = (before: HandAt, after: HandAt): boolean =>
  before.lying.some(
    (each) =>
      each.finger === 1 && after.lying.some((other) => other.finger === 1 && other.fret !== each.fret),
  );

/** Whether the hand only leans by a fret round a finger that stays, and takes its index nowhere: handbook §1, pivot. */
const turnsRoundFinger = (before: HandAt, after: HandAt): boolean =>
  Math.abs(after.position - before.position) === 1 &&
  keepsFinger(before, after) &&
  !movesIndex(before, after);

const rideOf = (plan: LeftPlan, before: HandAt, after: HandAt): ShiftRide => {
  const { piece, sounds } = plan;
  const stopped = before.lying.filter((each) => each.finger > 0);
  const ends = before.lying.map((each) => sounds[each.sound]!.end);
  if (Math.max(...ends, 0) < after.slice.onset) return 'rest';
  if (!stopped.some((each) => each.sounding)) return 'open-string';
  if (isGuided(before, after)) return 'guide';
  const isShort = (sound: number): boolean =>
    piece.score.notes[sounds[sound]!.head]!.articulations.some((each) => STACCATO.has(each));
  if (before.slice.struck.length > 0 && before.slice.struck.every(isShort)) return 'staccato';
  const pitches = before.slice.struck.map((sound) => sounds[sound]!.midi);
  if (after.slice.struck.some((sound) => pitches.includes(sounds[sound]!.midi))) return 'repeat';
  const isLoneBass = before.slice.struck.length === 1 && before.lying.every((each) => each.string >= 4);
  return isLoneBass ? 'bass' : 'none';
};

/** Every change of position of a plan, in playing order; a hand that turns round a finger by a fret changes none. */
export const shiftsOf = (plan: LeftPlan, clock: Clock): readonly Shift[] => {
  const { end } = plan.times;
  const { guitar } = plan.setup;
  return plan.hands.flatMap((after, index): Shift[] => {
    const before = plan.hands[index - 1];
    if (!before || before.position === 0 || before.position === after.position) return [];
    if (turnsRoundFinger(before, after)) return [];
    const offset = (position: number) => fretOffset(position + guitar.capo, guitar.scaleLength);
    const distance = millimetres(Math.abs(offset(after.position) - offset(before.position)));
    const msBefore = (tick: number): number =>
      1000 * (clock.seconds(after.slice.onset) - clock.seconds(Math.min(tick, after.slice.onset)));
    const window = msBefore(before.slice.onset);
    /** Stopped notes of the old position whose fingers do not stay where they are. */
    const leaving = before.lying.filter(
      (each) =>
        each.finger > 0 &&
        !after.lying.some((other) => other.finger === each.finger && other.fret === each.fret),
    );
    const sounding = leaving.filter((each) => end[each.sound]! > before.slice.onset);
    const lastEnd = Math.max(before.slice.onset, ...sounding.map((each) => end[each.sound]!));
    const free = msBefore(lastEnd);
    const travel = (1000 * distance) / TRAVEL.speed + TRAVEL.settling;
    const slides = isGuided(before, after);
    const isGuide = (finger: number, string: number): boolean =>
      slides && after.lying.some((other) => other.finger === finger && other.string === string);
    return [
      {
        slice: after.slice.index,
        onset: after.slice.onset,
        from: before.position,
        to: after.position,
        rides: rideOf(plan, before, after),
        distance,
        window,
        free,
        // Where nothing gives time, the hand takes it from the note before.
        speed: (1000 * distance) / (free > 0 ? free : window),
        travel,
        cuts: sounding.flatMap(({ sound, finger, string }): CutNote[] => {
          const ms = travel - msBefore(end[sound]!);
          return ms > 0 && !isGuide(finger, string) ? [{ sound, ms }] : [];
        }),
      },
    ];
  });
};
