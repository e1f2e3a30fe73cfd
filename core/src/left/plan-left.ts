import { locksOf, type Fingering, type Lock } from '../fingering/fingering.ts';
import type { LeftFinger } from '../fingering/vocabulary.ts';
import { harmonicPlacesOf, placesOf, type Guitar, type Place } from '../instrument/guitar.ts';
import { pulse } from '../music/meter.ts';
import type { Clock } from '../score/clock.ts';
import type { Score } from '../score/score.ts';
import { slicesOf, type Slice } from '../score/slices.ts';
import { soundsOf, type Sound } from '../score/sounds.ts';
import { leftCosts, type LeftSchool, type LeftTerm } from './costs.ts';
import { neckTables, type Hand } from './hand.ts';
import { slotFinger, slotFret, slotSound, SLOTS } from './layer.ts';
import { placeMoment, type Moment } from './moment.ts';
import { inferRinging } from './ringing.ts';
import type { SearchBudget } from './advance.ts';
import {
  accountFor,
  bestPath,
  DEFAULT_BUDGET,
  search,
  type SearchTables,
} from './search.ts';
import type { SoundTables } from './leaving.ts';
import { stepTables, type StepTables } from './step-tables.ts';
import { Stepper } from './step.ts';

export interface LeftSetup {
  readonly guitar: Guitar;
  readonly hand: Hand;
  readonly school: LeftSchool;
}

/** Where one sound is taken, with its costs by term. */
export interface LeftChoice {
  readonly string: number;
  readonly fret: number;
  readonly finger: LeftFinger;
  readonly barre: boolean;
  readonly cost: Readonly<Partial<Record<LeftTerm, number>>>;
}

/** A finger (or open string) that lies at a moment. */
export interface Lying {
  readonly sound: number;
  readonly string: number;
  readonly fret: number;
  readonly finger: number;
  readonly sounding: boolean;
}

/** The hand at one slice. Position 0 means that it has not been used yet. */
export interface HandAt {
  readonly slice: Slice;
  readonly position: number;
  readonly lying: readonly Lying[];
}

export interface LeftPlan {
  readonly sounds: readonly Sound[];
  /** By sound; undefined for a sound no hand could take. */
  readonly choices: readonly (LeftChoice | undefined)[];
  readonly hands: readonly HandAt[];
  readonly cost: number;
  readonly terms: Readonly<Partial<Record<LeftTerm, number>>>;
  /** False when the search ran out of its budget. */
  readonly exact: boolean;
  readonly brokenLocks: readonly number[];
  readonly unplayable: readonly number[];
  /** Held notes that had to be cut. */
  readonly cut: readonly number[];
  /** To go on from after a change. */
  readonly memory: LeftMemory;
}

/** What a later plan of the same piece can reuse. */
export interface LeftMemory {
  readonly score: Score;
  readonly setup: LeftSetup;
  readonly clock: Clock;
  readonly lockKeys: readonly string[];
  readonly tables: SearchTables;
  readonly stepTables: StepTables;
}

interface Prepared {
  readonly sounds: readonly Sound[];
  readonly slices: readonly Slice[];
  /** By sound: the sound of the same pitch struck with it that stands for both, or itself. */
  readonly twin: readonly number[];
}

/** Two voices striking one pitch at once sound on one string unless their strings are locked apart. */
const twinsOf = (
  sounds: readonly Sound[],
  slices: readonly Slice[],
  stringLock: (sound: number) => number | undefined,
): number[] => {
  const twin = sounds.map((_, index) => index);
  for (const { struck } of slices)
    for (const sound of struck) {
      const first = struck.find((other) => sounds[other]!.midi === sounds[sound]!.midi)!;
      const [a, b] = [stringLock(first), stringLock(sound)];
      if (a === undefined || b === undefined || a === b) twin[sound] = first;
    }
  return twin;
};

const placesFor = (score: Score, sound: Sound, guitar: Guitar): readonly Place[] => {
  const { harmonic } = score.notes[sound.head]!;
  const touched = harmonic === 'natural' ? harmonicPlacesOf(guitar, sound.midi) : [];
  return touched.length > 0 ? touched : placesOf(guitar, sound.midi);
};

type LockOf = (sound: number) => Lock | undefined;

const prepare = (
  score: Score,
  fingering: Fingering,
  clock: Clock,
): { prepared: Prepared; lockOf: LockOf } => {
  const locks = locksOf(score, fingering);
  const sounds = soundsOf(score);
  const slices = slicesOf(sounds, clock);
  const lockOf: LockOf = (sound) => locks.get(score.notes[sounds[sound]!.head]!.id);
  return {
    prepared: { sounds, slices, twin: twinsOf(sounds, slices, (sound) => lockOf(sound)?.string) },
    lockOf,
  };
};

/** The step function of a piece, for checking a search against other ways to find the optimum. */
export const leftStepper = (
  score: Score,
  fingering: Fingering,
  setup: LeftSetup,
  clock: Clock,
): Stepper => {
  const costs = leftCosts(setup.school);
  return new Stepper(
    costs,
    stepTables(costs, setup.hand, neckTables(setup.guitar)),
    soundTables(score, prepare(score, fingering, clock).prepared),
  );
};

/**
 * Plans the left hand for a whole piece: string, fret and finger of every sound, at least cost under the model,
 * with held notes kept and locks honoured. Never fails: what no hand can do is reported in `unplayable`,
 * `brokenLocks` and `cut`. With `memory` of an earlier plan of the same score only what can change is
 * computed.
 */
export const planLeft = (
  score: Score,
  fingering: Fingering,
  setup: LeftSetup,
  clock: Clock,
  options: { budget?: SearchBudget; memory?: LeftMemory; onProgress?: (share: number) => void } = {},
): LeftPlan => {
  const { guitar, hand } = setup;
  const { prepared, lockOf } = prepare(score, fingering, clock);
  const { sounds, slices } = prepared;
  const neck = neckTables(guitar);
  const memory =
    options.memory?.score === score && options.memory.setup === setup && options.memory.clock === clock
      ? options.memory
      : undefined;

  const { moments, lockKeys } = momentsOf(score, prepared, lockOf, guitar, hand, neck, memory);
  const costs = leftCosts(setup.school);
  const tableOfSteps = memory?.stepTables ?? stepTables(costs, hand, neck);
  const stepper = new Stepper(
    costs,
    tableOfSteps,
    soundTables(score, prepared),
  );
  const tables = search(stepper, moments, options.budget ?? DEFAULT_BUDGET, memory?.tables, (done) =>
    options.onProgress?.(done / moments.length),
  );
  const path = bestPath(tables);

  const spent: Partial<Record<LeftTerm, number>>[] = sounds.map(() => ({}));
  const terms: Partial<Record<LeftTerm, number>> = {};
  const cut = new Set<number>();
  const cost = accountFor(stepper, tables, path, (term, sound, amount) => {
    terms[term] = (terms[term] ?? 0) + amount;
    if (term === 'held note cut') cut.add(sound);
    if (sound >= 0) spent[sound]![term] = (spent[sound]![term] ?? 0) + amount;
  });

  const choices: (LeftChoice | undefined)[] = sounds.map(() => undefined);
  path.forEach((step, index) => {
    const moment = moments[index]!;
    moment.options.assignments[step.option]!.placements.forEach(({ string, fret, finger }, place) => {
      const sound = moment.struck[place]!;
      choices[sound] = { string, fret, finger, barre: false, cost: spent[sound]! };
    });
  });
  prepared.twin.forEach((primary, sound) => {
    const choice = choices[primary];
    if (primary !== sound && choice) choices[sound] = { ...choice, cost: {} };
  });
  const hands = slices.map((slice, index): HandAt => {
    const step = path[index]!;
    const { slots } = tables.layers[index]!;
    const lying = Array.from({ length: SLOTS }, (_, k): Lying | undefined => {
      const slot = slots[step.state * SLOTS + k]!;
      if (slot === 0) return undefined;
      const sound = slotSound(slot);
      const sounding = Math.max(sounds[sound]!.end, sounds[sound]!.grace ? slice.onset : 0) > slice.onset;
      return { sound, string: k + 1, fret: slotFret(slot), finger: slotFinger(slot), sounding };
    }).filter((each) => each !== undefined);
    return { slice, position: step.position, lying };
  });
  markBarres(choices, hands);
  return {
    sounds,
    choices,
    hands,
    cost,
    terms,
    exact: tables.exact,
    brokenLocks: moments.flatMap((moment) => moment.brokenLocks),
    unplayable: moments.flatMap((moment) => moment.unplayable),
    cut: [...cut],
    memory: { score, setup, clock, lockKeys, tables, stepTables: tableOfSteps },
  };
};

const momentsOf = (
  score: Score,
  { sounds, slices, twin }: Prepared,
  lockOf: LockOf,
  guitar: Guitar,
  hand: Hand,
  neck: ReturnType<typeof neckTables>,
  memory: LeftMemory | undefined,
): { moments: readonly Moment[]; lockKeys: readonly string[] } => {
  const placed = new Map<string, ReturnType<typeof placeMoment>>();
  const aloneIn = (slice: Slice | undefined, voice: string): number => {
    const own = slice?.struck.filter((sound) => sounds[sound]!.voice === voice) ?? [];
    return own.length === 1 ? own[0]! : -1;
  };
  const lockKeys: string[] = [];
  const moments = slices.map((slice, index): Moment => {
    const primaries = slice.struck.filter((sound) => twin[sound] === sound);
    const lockFor = (primary: number) => {
      const both = slice.struck.filter((sound) => twin[sound] === primary).map(lockOf);
      const merged = Object.assign({}, ...both.reverse());
      const { string, finger } = merged as { string?: number; finger?: number };
      return string === undefined && finger === undefined ? undefined : merged;
    };
    const struck = primaries.map((sound) => ({
      places: placesFor(score, sounds[sound]!, guitar),
      lock: lockFor(sound),
    }));
    const key = primaries
      .map((sound, place) => {
        const lock = struck[place]!.lock;
        return `${sounds[sound]!.midi}${score.notes[sounds[sound]!.head]!.harmonic ?? ''}/${lock?.string ?? ''}/${lock?.finger ?? ''}`;
      })
      .join(' ');
    lockKeys.push(key);
    if (memory && memory.lockKeys[index] === key) return memory.tables.moments[index]!;
    const known = placed.get(key) ?? placeMoment(struck, hand, neck);
    placed.set(key, known);
    const before = slices[index - 1];
    const beat = pulse(score.bars[slice.bar]!.meter, score.ticksPerQuarter);
    const placedSounds = known.placed.map((place) => primaries[place]!);
    return {
      onset: slice.onset,
      previousOnset: before?.onset ?? -1,
      secondsBefore: slice.secondsBefore,
      beatsBefore: before ? (slice.onset - before.onset) / beat : 0,
      struck: placedSounds,
      lineFrom: placedSounds.map((sound) => {
        const { voice } = sounds[sound]!;
        return aloneIn(slice, voice) === sound ? aloneIn(before, voice) : -1;
      }),
      struckBefore: before ? before.struck.length : 0,
      options: known.options,
      brokenLocks: known.brokenLocks.map((place) => primaries[place]!),
      unplayable: primaries.filter((_, place) => !known.placed.includes(place)),
    };
  });
  return { moments, lockKeys };
};

const soundTables = (score: Score, { sounds, twin }: Prepared): SoundTables => {
  const ring = inferRinging(sounds, score.bars);
  const soundOfNote = new Map(
    sounds.flatMap((sound) => sound.noteheads.map((note) => [note, sound.index] as const)),
  );
  const end = Float64Array.from(sounds, (sound) => sound.end);
  twin.forEach((primary, sound) => {
    end[primary] = Math.max(end[primary]!, end[sound]!);
  });
  return {
    onset: Float64Array.from(sounds, (sound) => sound.onset),
    end,
    ring: Float64Array.from(ring),
    slurredFrom: Int32Array.from(sounds, (sound) => {
      const from = score.notes[sound.head]!.slurredFrom;
      return from ? (soundOfNote.get(from.note) ?? -1) : -1;
    }),
  };
};

/** A choice belongs to a barre when its finger lies on other strings too while it sounds. */
const markBarres = (choices: (LeftChoice | undefined)[], hands: readonly HandAt[]): void => {
  for (const { lying } of hands)
    for (const one of lying)
      if (
        one.finger > 0 &&
        lying.some((other) => other.finger === one.finger && other.string !== one.string)
      ) {
        const choice = choices[one.sound];
        if (choice && !choice.barre) choices[one.sound] = { ...choice, barre: true };
      }
};
