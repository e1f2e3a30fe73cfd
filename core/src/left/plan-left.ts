import type { Fingering } from '../fingering/fingering.ts';
import type { LeftFinger } from '../fingering/vocabulary.ts';
import type { Guitar } from '../instrument/guitar.ts';
import type { Clock } from '../score/clock.ts';
import type { NoteIndex, Score } from '../score/score.ts';
import type { Slice } from '../score/slices.ts';
import type { Sound } from '../score/sounds.ts';
import type { SearchBudget } from './search/advance.ts';
import type { LeftSchool, LeftWeights } from '../fingering/vocabulary.ts';
import { leftCosts, type LeftTerm } from './hand/costs.ts';
import { groundOf, type Ground } from './moments/piece-on-guitar.ts';
import { neckTables, type Hand } from './hand/hand.ts';
import { slotFinger, slotFret, slotSound, SLOTS } from './search/layer.ts';
import { isWithBarre, type Moment } from './moments/ways-at-moment.ts';
import { momentsOf, ruledIn, type Moments } from './moments/moments.ts';
import { pricesOf, type PricedPlacement } from './search/prices.ts';
import { bestPath, DEFAULT_BUDGET, search } from './search/search.ts';
import { accountsOf, type Accounted } from './search/accounts.ts';
import { stepTables, type StepTables } from './search/step-tables.ts';
import { Stepper } from './search/step.ts';

export interface LeftSetup {
  readonly guitar: Guitar;
  readonly hand: Hand;
  readonly school: LeftSchool;
  /** The teacher's own weights on top of the school's. */
  readonly weights?: LeftWeights;
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
  /** Sounds at which a rule of the passage had to give way. */
  readonly brokenRules: readonly {
    readonly sound: number;
    readonly kind: 'position' | 'stopped' | 'barre' | 'no-barre';
  }[];
  /** To go on from after a change. */
  readonly memory: LeftMemory;
}

/** What a later plan of the same piece can reuse. */
export interface LeftMemory extends Accounted {
  readonly setup: LeftSetup;
  readonly clock: Clock;
  readonly ground: Ground;
  readonly moments: Moments;
  readonly stepTables: StepTables;
  readonly hands: readonly HandAt[];
}

const stepTablesOf = ({ school, weights, hand, guitar }: LeftSetup): StepTables =>
  stepTables(leftCosts(school, weights), hand, neckTables(guitar));

/** The step function of a piece, for checking a search against other ways to find the optimum. */
export const leftStepper = (score: Score, fingering: Fingering, setup: LeftSetup, clock: Clock): Stepper => {
  const ground = groundOf(score, setup.guitar, clock);
  const { sounds } = momentsOf(ground, fingering, setup.hand, neckTables(setup.guitar));
  return new Stepper(leftCosts(setup.school, setup.weights), stepTablesOf(setup), sounds);
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
  options: {
    budget?: SearchBudget;
    memory?: LeftMemory;
    onProgress?: (share: number) => void;
    /** By slice: the only position that the hand may take there, to try out where a shift could be made. */
    positionAt?: ReadonlyMap<number, number>;
  } = {},
): LeftPlan => {
  const memory =
    options.memory?.ground.score === score && options.memory.setup === setup && options.memory.clock === clock
      ? options.memory
      : undefined;
  const ground = memory?.ground ?? groundOf(score, setup.guitar, clock);
  const { sounds, slices } = ground;
  const made = momentsOf(ground, fingering, setup.hand, neckTables(setup.guitar), memory?.moments);
  const moments = options.positionAt ? confined(made.moments, options.positionAt) : made.moments;
  const tablesOfSteps = memory?.stepTables ?? stepTablesOf(setup);
  const stepper = new Stepper(leftCosts(setup.school, setup.weights), tablesOfSteps, made.sounds);
  const tables = search(stepper, moments, options.budget ?? DEFAULT_BUDGET, memory?.tables, (done) =>
    options.onProgress?.(done / moments.length),
  );
  const path = bestPath(tables);

  const spent: Partial<Record<LeftTerm, number>>[] = sounds.map(() => ({}));
  const terms: Partial<Record<LeftTerm, number>> = {};
  const cut = new Set<number>();
  const accounts = accountsOf(stepper, tables, path, memory);
  for (const { entries } of accounts)
    for (const { term, sound, amount } of entries) {
      terms[term] = (terms[term] ?? 0) + amount;
      if (term === 'held note cut') cut.add(sound);
      if (sound >= 0) spent[sound]![term] = (spent[sound]![term] ?? 0) + amount;
    }

  const choices: (LeftChoice | undefined)[] = sounds.map(() => undefined);
  path.forEach((step, index) => {
    const moment = moments[index]!;
    moment.options.assignments[step.option]!.placements.forEach(({ string, fret, finger }, place) => {
      const sound = moment.struck[place]!;
      choices[sound] = { string, fret, finger, barre: false, cost: spent[sound]! };
    });
  });
  made.twin.forEach((primary, sound) => {
    const choice = choices[primary];
    if (primary !== sound && choice) choices[sound] = { ...choice, cost: {} };
  });
  const hands = slices.map((slice, index): HandAt => {
    const step = path[index]!;
    const layer = tables.layers[index]!;
    if (memory?.tables.layers[index] === layer && memory.path[index]!.state === step.state)
      return memory.hands[index]!;
    const lying = Array.from({ length: SLOTS }, (_, k): Lying | undefined => {
      const slot = layer.slots[step.state * SLOTS + k]!;
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
    cost: accounts.reduce((sum, { cost }) => sum + cost, 0),
    terms,
    exact: tables.exact,
    brokenLocks: moments.flatMap((moment) => moment.brokenLocks),
    unplayable: moments.flatMap((moment) => moment.unplayable),
    cut: [...cut],
    brokenRules: slices.flatMap(({ bar, struck }, index) => {
      const { positions, stopped, barre, noBarre } = ruledIn(made.rules, bar);
      const isStopped = struck.some((sound) => (choices[sound]?.finger ?? 0) !== 0);
      const isAway = isStopped && ((positions >> path[index]!.position) & 1) === 0;
      const open = stopped ? struck.filter((sound) => choices[sound]?.finger === 0) : [];
      const beside = struck.filter((sound) => {
        const choice = choices[sound];
        return choice && barre !== undefined && !isWithBarre(choice.finger, choice.fret, barre);
      });
      return [
        ...(isAway ? [{ sound: struck[0]!, kind: 'position' as const }] : []),
        ...open.map((sound) => ({ sound, kind: 'stopped' as const })),
        ...beside.map((sound) => ({ sound, kind: 'barre' as const })),
        ...(noBarre ? struck.filter((sound) => choices[sound]?.barre) : []).map((sound) => ({
          sound,
          kind: 'no-barre' as const,
        })),
      ];
    }),
    memory: { setup, clock, ground, moments: made, tables, stepTables: tablesOfSteps, path, accounts, hands },
  };
};

/** The moments with the hand confined to one position in some of them, wherever some finger is at home in it. */
const confined = (moments: readonly Moment[], positionAt: ReadonlyMap<number, number>): readonly Moment[] =>
  moments.map((moment, index) => {
    const position = positionAt.get(index);
    return position === undefined ? moment : { ...moment, positions: 1 << position };
  });

/** Last noteheads of sounds that ring on past their written end, with the tick until which they may. */
export const ringsOn = ({ memory, sounds }: LeftPlan): readonly (readonly [NoteIndex, number])[] => {
  const { end, ring } = memory.moments.sounds;
  return sounds.flatMap(({ index, noteheads }) =>
    ring[index]! > end[index]! ? [[noteheads.at(-1)!, ring[index]!] as const] : [],
  );
};

/** Prices of whole plans, worked out once for each. */
const knownPrices = new WeakMap<LeftPlan, readonly (readonly PricedPlacement[])[]>();

/**
 * The price of every way to take every sound of a planned piece, by sound: see `pricesOf`. The twin of a unison has
 * the prices of the note that stands for both.
 */
export const leftPrices = (plan: LeftPlan): readonly (readonly PricedPlacement[])[] => {
  const known = knownPrices.get(plan);
  if (known) return known;
  const { accounts, moments, path, setup, stepTables, tables } = plan.memory;
  const stepper = new Stepper(leftCosts(setup.school, setup.weights), stepTables, moments.sounds);
  const own = pricesOf(stepper, { tables, path, accounts }, plan.sounds.length);
  const prices = plan.sounds.map(({ index }) => own[moments.twin[index]!]!);
  knownPrices.set(plan, prices);
  return prices;
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
