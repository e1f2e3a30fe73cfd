import type { LeftPlan } from '../../left/left-plan.ts';
import type { LeftTerm } from '../../left/hand/costs.ts';
import { STROKE_FINGERS, type StrokeFinger } from '../../fingering/vocabulary.ts';
import type { NoteId, Score } from '../../score/score.ts';
import type { Lock } from '../../fingering/fingering.ts';
import type { RightSchool } from '../../fingering/vocabulary.ts';
import { secondsBetween, type Clock } from '../../score/clock.ts';
import { RIGHT_COSTS } from '../search/costs.ts';
import { rolesOf, type Role } from './roles.ts';
import type { RightRules } from './setup.ts';

/** What a hand takes as one movement: an arpeggio, or the repeated notes of a tremolo. */
export type CellKind = 'arpeggio' | 'tremolo';

/** One note to pluck: its string and what is known of its voice. */
export interface PluckedNote {
  readonly sound: number;
  readonly string: number;
  readonly voice: Role;
  /** A tune above notes that fill the harmony in its bar: it keeps the ring finger. */
  readonly isOverInner: boolean;
  /** The same pitch was plucked on this string in the event before: tremolo and repeated notes. */
  readonly isRepeated: boolean;
  /** Its string was plucked before in the same broken chord. */
  readonly isReturn: boolean;
}

/** Fingers asked for: their ranks, and the price of leaving one out. */
export interface Wanted {
  readonly ranks: readonly number[];
  readonly cost: number;
}

/** Notes plucked at one moment, bass side first. */
export interface PluckEvent {
  readonly slice: number;
  readonly bar: number;
  /** Ticks from the start of the piece. */
  readonly onset: number;
  /** Seconds since the event before; infinite for the first. */
  readonly secondsBefore: number;
  /**
   * The same at the tempo at which it will be played in the end, in seconds: slow practice keeps the fingers of the tempo.
   */
  readonly paceBefore: number;
  readonly notes: readonly PluckedNote[];
  /** Allowed fingers for the notes, as ranks (0 p to 3 a) rising with the notes; never empty. */
  readonly options: readonly (readonly number[])[];
  readonly school: RightSchool;
  /** A single line begins here: the event before was none of its notes, or lies some time back. */
  readonly isLineStart: boolean;
  readonly mayDoubleThumb: boolean;
  /** Of what movement it is a part, if any: a chord broken over several strings is no line of its own. */
  readonly cell: CellKind | undefined;
  /** A slurred note sounded since the event before: the finger that played is free again. */
  readonly isAfterSlur: boolean;
  /** What a pattern or an established order asks for. */
  readonly wanted: Wanted | undefined;
  /** Factor by which the busy left hand weighs what is awkward. */
  readonly load: number;
  /** Notes below the first one that the thumb takes with it in one sweep, from the bass side. */
  readonly swept: readonly number[];
  /** Locks that no order of the fingers can keep were set aside. */
  readonly brokenLocks: readonly number[];
}

/** A single note that does not belong to the bass. */
export const isLine = (event: PluckEvent): boolean =>
  event.notes.length === 1 && event.notes[0]!.voice !== 'bass';

/** Of more notes than the hand has fingers, the thumb sweeps the lowest. */
const MOST_PLUCKED = 4;
/** It takes them all in one stroke. */
const SWEEPER: StrokeFinger = 'p';
/** Thumb or ring finger plucks an artificial harmonic; the index touches. Common practice, no published source. */
const BESIDE_TOUCHING_INDEX: readonly (readonly number[])[] = [[0], [3]];

/** All rising choices of `count` fingers out of p i m a. */
const risingChoices = (count: number, from = 0): number[][] =>
  count === 0
    ? [[]]
    : Array.from({ length: 4 - from }, (_, index) => from + index).flatMap((rank) =>
        risingChoices(count - 1, rank + 1).map((rest) => [rank, ...rest]),
      );

/** By how many notes: all ways to take them with different fingers. */
const RISING_CHOICES = Array.from({ length: MOST_PLUCKED + 1 }, (_, count) => risingChoices(count));
/** Least time between two events that is reckoned with, in seconds: a grace note. */
const LEAST_GAP = 0.05;

/** A quarter is thought of as no slower than this, in seconds. Our own value. */
const SLOWEST_QUARTER = 0.5;
/** Seconds after which a single line is felt to begin anew. Our own value. */
const LINE_PAUSE = 1;

/**
 * What the right hand has to pluck, from a left-hand plan. Notes tied or slurred into on their string and twins of a
 * unison are left out, and the slices in `strummed`; of more than four notes at once the thumb sweeps the lowest.
 */
export const pluckEvents = (
  score: Score,
  plan: LeftPlan,
  locks: ReadonlyMap<NoteId, Lock>,
  clock: Clock,
  rules: RightRules,
  strummed: ReadonlySet<number> = new Set(),
): readonly PluckEvent[] => {
  const roles = rolesOf(plan);
  const events: PluckEvent[] = [];
  const lockOf = (sound: number): StrokeFinger | undefined =>
    locks.get(score.notes[plan.sounds[sound]!.head]!.id)?.pluck;
  const isSlurredInto = (sound: number, string: number): boolean => {
    const { slurredFrom } = score.notes[plan.sounds[sound]!.head]!;
    return (
      slurredFrom !== undefined && plan.choices[plan.piece.soundOf.get(slurredFrom.note)!]?.string === string
    );
  };
  let isAfterSlur = false;
  for (const { slice } of plan.hands) {
    if (strummed.has(slice.index)) continue;
    const before = events.at(-1);
    const taken = new Map<number, PluckedNote>();
    for (const sound of slice.struck) {
      const string = plan.choices[sound]?.string;
      if (string === undefined || taken.has(string)) continue;
      if (isSlurredInto(sound, string)) {
        isAfterSlur = true;
        continue;
      }
      const { midi } = plan.sounds[sound]!;
      taken.set(string, {
        sound,
        string,
        voice: roles.of[sound]!,
        isOverInner: roles.of[sound] === 'melody' && roles.hasInner.has(slice.bar),
        isReturn: false,
        isRepeated:
          before?.notes.some((other) => other.string === string && plan.sounds[other.sound]!.midi === midi) ??
          false,
      });
    }
    const fromBass = [...taken.values()].sort((a, b) => b.string - a.string);
    if (fromBass.length === 0) continue;
    const sweeps = Math.max(0, fromBass.length - MOST_PLUCKED);
    const notes = fromBass.slice(sweeps);
    const isTouched =
      notes.length === 1 && score.notes[plan.sounds[notes[0]!.sound]!.head]!.harmonic === 'artificial';
    const all = isTouched ? BESIDE_TOUCHING_INDEX : RISING_CHOICES[notes.length]!;
    const isLocked = notes.some(({ sound }) => lockOf(sound) !== undefined);
    const kept = isLocked
      ? all.filter((ranks) =>
          notes.every(({ sound }, index) => {
            const lock = lockOf(sound);
            return lock === undefined || STROKE_FINGERS[ranks[index]!] === lock;
          }),
        )
      : all;
    const { doubleThumb, school } = rules.in(slice.bar);
    const gap = before ? secondsBetween(clock, before.onset, slice.onset) : Infinity;
    const quarters = before ? (slice.onset - before.onset) / score.ticksPerQuarter : Infinity;
    const pace = Math.min(gap, quarters * SLOWEST_QUARTER);
    const isAlone = (some: readonly PluckedNote[] | undefined): boolean =>
      some?.length === 1 && some[0]!.voice !== 'bass';
    events.push({
      slice: slice.index,
      bar: slice.bar,
      onset: slice.onset,
      secondsBefore: gap === Infinity ? gap : Math.max(gap, LEAST_GAP),
      paceBefore: pace === Infinity ? pace : Math.max(pace, LEAST_GAP),
      notes,
      options: kept.length > 0 ? kept : all,
      school,
      isLineStart: isAlone(notes) && (!isAlone(before?.notes) || pace >= LINE_PAUSE),
      cell: undefined,
      mayDoubleThumb: doubleThumb,
      isAfterSlur,
      swept: fromBass.slice(0, sweeps).map(({ sound }) => sound),
      wanted: undefined,
      load: loadOf(slice.struck, plan),
      brokenLocks: [
        ...fromBass.slice(0, sweeps).filter(({ sound }) => (lockOf(sound) ?? SWEEPER) !== SWEEPER),
        ...(kept.length > 0 ? [] : notes.filter(({ sound }) => lockOf(sound))),
      ].map(({ sound }) => sound),
    });
    isAfterSlur = false;
  }
  return events;
};

/** Events with what is asked of some of them. */
export const withWanted = (
  events: readonly PluckEvent[],
  wanted: ReadonlyMap<number, Wanted>,
): readonly PluckEvent[] =>
  wanted.size === 0
    ? events
    : events.map((event, index) => {
        const own = wanted.get(index);
        return own ? { ...event, wanted: own } : event;
      });

/** How much the left hand's work at a moment weighs on the right: 1 and up. */
const loadOf = (struck: readonly number[], plan: LeftPlan): number => {
  let work = 0;
  for (const sound of struck) {
    const cost = plan.choices[sound]?.cost;
    for (const term in cost) work += cost[term as LeftTerm]!;
  }
  return Math.min(RIGHT_COSTS.leftLoadLimit, 1 + RIGHT_COSTS.leftLoad * work);
};
