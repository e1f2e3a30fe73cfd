import type { Fingering } from '../fingering/fingering.ts';
import type { Clock } from '../score/clock.ts';
import type { Score } from '../score/score.ts';
import type { Sound } from '../score/sounds.ts';
import type { LeftTerm } from './hand/costs.ts';
import { leftCosts } from './hand/schools.ts';
import type { KnownDetours } from './detours.ts';
import { neckTables } from './hand/hand.ts';
import { keepWhatWas, type TakenBefore } from './keep-what-was.ts';
import {
  isSameTaking,
  type BrokenRule,
  type HandAt,
  type LeftChoice,
  type LeftPlan,
  type LeftSetup,
  type Lying,
} from './left-plan.ts';
import { momentsOf, type Moments } from './moments/moments.ts';
import { ruledIn } from './moments/passage-rules.ts';
import { pieceOnGuitar, type PieceOnGuitar } from './moments/piece-on-guitar.ts';
import { isWithBarre, type Moment } from './moments/ways-at-moment.ts';
import { accountsOf, type Accounted, type StepAccount } from './search/accounts.ts';
import { DEFAULT_BUDGET, type SearchBudget } from './search/budget.ts';
import { STRINGS } from './moments/option-table.ts';
import { FLAT, slotFinger, slotFret, slotSound, SLOTS } from './search/layer.ts';
import { pricesOf, type PricedPlacement } from './search/prices.ts';
import { bestPath, search, type PathStep, type SearchTables } from './search/search.ts';
import { stepTables, type StepTables } from './search/step-tables.ts';
import { Stepper } from './search/step.ts';

/** A plan with what planning the same piece again can go on from. */
export interface SolvedLeft extends LeftPlan {
  readonly memory: LeftMemory;
}

/** What a later plan of the same piece can reuse: the planners' own, nobody else reads it. */
export interface LeftMemory extends Accounted {
  readonly setup: LeftSetup;
  readonly clock: Clock;
  readonly piece: PieceOnGuitar;
  readonly moments: Moments;
  readonly stepTables: StepTables;
  readonly hands: readonly HandAt[];
  readonly detours: KnownDetours;
  /** By sound: the price of every way to take it, cheapest first; worked out when first asked for. */
  readonly prices: readonly (readonly PricedPlacement[])[];
}

export interface LeftOptions {
  readonly budget?: SearchBudget;
  readonly memory?: LeftMemory;
  /** Further plans of the piece for the same hand, from which it takes over what `memory` does not have. */
  readonly others?: readonly LeftMemory[];
  readonly onProgress?: (share: number) => void;
  /** By slice: the only position that the hand may take there, to try out where a shift could be made. */
  readonly positionAt?: ReadonlyMap<number, number>;
  /** How the piece was taken before: away from what is decided it stays so within a near tie. */
  readonly was?: TakenBefore;
}

const stepTablesOf = ({ school, weights, hand, guitar }: LeftSetup): StepTables =>
  stepTables(leftCosts(school, weights), hand, neckTables(guitar));

/** The step function of a piece, for checking a search against other ways to find the optimum. */
export const leftStepper = (score: Score, fingering: Fingering, setup: LeftSetup, clock: Clock): Stepper => {
  const piece = pieceOnGuitar(score, setup.guitar, clock);
  const { sounds } = momentsOf(piece, fingering, setup.hand, neckTables(setup.guitar));
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
  options: LeftOptions = {},
): SolvedLeft => {
  const memory = usable(options.memory, score, setup, clock);
  const others = (options.others ?? []).filter((each) => usable(each, score, setup, clock));
  const piece = memory?.piece ?? pieceOnGuitar(score, setup.guitar, clock);
  const { sounds } = piece;
  const made = momentsOf(
    piece,
    fingering,
    setup.hand,
    neckTables(setup.guitar),
    memory?.moments,
    others.map((each) => each.moments),
  );
  const moments = options.positionAt ? confined(made.moments, options.positionAt) : made.moments;

  const tablesOfSteps = memory?.stepTables ?? stepTablesOf(setup);
  const stepper = new Stepper(leftCosts(setup.school, setup.weights), tablesOfSteps, made.sounds);
  const earlier = [...(memory ? [memory] : []), ...others].map((each) => each.tables);
  const tables = search(stepper, moments, options.budget ?? DEFAULT_BUDGET, earlier, (done) =>
    options.onProgress?.(done / moments.length),
  );
  const cheapest = accounted(stepper, tables, bestPath(tables), memory);
  const bars = piece.slices.map(({ bar }) => bar);
  const known = [memory, ...others].flatMap((each) => each?.detours ?? []);
  const { path, detours } = options.was
    ? keepWhatWas(stepper, cheapest, bars, options.was, [...new Set(known)])
    : { path: cheapest.path, detours: known };
  const solved = path === cheapest.path ? cheapest : accounted(stepper, tables, path, cheapest);
  const { accounts } = solved;

  const { spent, terms, cut } = spendingOf(accounts, sounds);
  const hands = handsOf(piece, solved, memory);
  const choices = choicesOf(made, moments, path, spent, barredSounds(hands));
  let prices: readonly (readonly PricedPlacement[])[] | undefined;
  return {
    piece,
    setup,
    locks: made.locks,
    sounds,
    times: made.sounds,
    choices,
    hands,
    cost: accounts.reduce((sum, { cost }) => sum + cost, 0),
    terms,
    exact: tables.exact,
    brokenLocks: moments.flatMap((moment) => moment.brokenLocks),
    unplayable: moments.flatMap((moment) => moment.unplayable),
    cut,
    brokenRules: brokenRulesOf(piece, made, path, choices),
    memory: {
      ...solved,
      setup,
      clock,
      piece,
      moments: made,
      stepTables: tablesOfSteps,
      hands,
      detours,
      get prices() {
        return (prices ??= pricesBySound(setup, tablesOfSteps, made, cheapest, choices));
      },
    },
  };
};

/** A path through tables with what it costs. */
const accounted = (
  stepper: Stepper,
  tables: SearchTables,
  path: readonly PathStep[],
  earlier: Accounted | undefined,
): Accounted => ({ tables, path, accounts: accountsOf(stepper, tables, path, earlier) });

/**
 * The price of every way to take every sound of a planned piece, by sound: see `pricesOf`; what the plan takes costs nothing
 * more, also where it only is a near tie of the cheapest. The twin of a unison has the prices of the note that
 * stands for both.
 */
const pricesBySound = (
  { school, weights }: LeftSetup,
  tables: StepTables,
  { sounds, twin }: Moments,
  cheapest: Accounted,
  choices: readonly (LeftChoice | undefined)[],
): readonly (readonly PricedPlacement[])[] => {
  const stepper = new Stepper(leftCosts(school, weights), tables, sounds);
  const own = pricesOf(stepper, cheapest, twin.length);
  return twin.map((primary, sound) => {
    const taken = own[primary]!.findIndex((each) => isSameTaking(each, choices[sound]));
    if (taken < 0 || own[primary]![taken]!.price === 0) return own[primary]!;
    return [{ ...own[primary]![taken]!, price: 0 }, ...own[primary]!.filter((_, index) => index !== taken)];
  });
};

/** The memory of an earlier plan, when it was of the same piece for the same hand. */
const usable = (
  memory: LeftMemory | undefined,
  score: Score,
  setup: LeftSetup,
  clock: Clock,
): LeftMemory | undefined =>
  memory?.piece.score === score && memory.setup === setup && memory.clock === clock ? memory : undefined;

/** The moments with the hand confined to one position in some of them, wherever some finger is at home in it. */
const confined = (moments: readonly Moment[], positionAt: ReadonlyMap<number, number>): readonly Moment[] =>
  moments.map((moment, index) => {
    const position = positionAt.get(index);
    return position === undefined ? moment : { ...moment, positions: 1 << position };
  });

type Terms = Partial<Record<LeftTerm, number>>;

/** What was spent, by sound and by term, and which held notes had to be cut. */
const spendingOf = (accounts: readonly StepAccount[], sounds: readonly Sound[]) => {
  const spent: Terms[] = sounds.map(() => ({}));
  const terms: Terms = {};
  const cut = new Set<number>();
  for (const { entries } of accounts)
    for (const { term, sound, amount } of entries) {
      terms[term] = (terms[term] ?? 0) + amount;
      if (term === 'held note cut') cut.add(sound);
      if (sound >= 0) spent[sound]![term] = (spent[sound]![term] ?? 0) + amount;
    }
  return { spent, terms, cut: [...cut] };
};

/** The hand at every slice of a path; slices at which nothing changed are those of the earlier plan. */
const handsOf = (
  { sounds, slices, touched }: PieceOnGuitar,
  { tables, path }: Accounted,
  memory: LeftMemory | undefined,
): readonly HandAt[] => {
  const placementsAt = (index: number) =>
    tables.moments[index]!.options.assignments[path[index]!.option]!.placements;
  return slices.map((slice, index): HandAt => {
    const step = path[index]!;
    const layer = tables.layers[index]!;
    if (memory?.tables.layers[index] === layer && memory.path[index]!.state === step.state)
      return memory.hands[index]!;
    const lying = Array.from({ length: STRINGS }, (_, k): Lying | undefined => {
      const slot = layer.slots[step.state * SLOTS + k]!;
      if (slot === 0) return undefined;
      const sound = slotSound(slot);
      const sounding = Math.max(sounds[sound]!.end, sounds[sound]!.grace ? slice.onset : 0) > slice.onset;
      // A string is touched for its harmonic only while it is struck.
      const touch = touched[sound] === 1 && slice.struck.includes(sound);
      const { fret, finger } = (touch && placementsAt(index).find(({ string }) => string === k + 1)) || {
        fret: slotFret(slot),
        finger: slotFinger(slot),
      };
      return { sound, string: k + 1, fret, finger, sounding };
    }).filter((each) => each !== undefined);
    return { slice, position: step.position, lying, flat: layer.slots[step.state * SLOTS + FLAT]! };
  });
};

/** Sounds whose finger lies on other strings too while they sound. */
const barredSounds = (hands: readonly HandAt[]): ReadonlySet<number> => {
  const barred = new Set<number>();
  for (const { lying } of hands)
    for (const one of lying)
      if (one.finger > 0 && lying.some((other) => other.finger === one.finger && other.string !== one.string))
        barred.add(one.sound);
  return barred;
};

/** Where every sound is taken; both notes of a unison alike. */
const choicesOf = (
  { twin }: Moments,
  moments: readonly Moment[],
  path: readonly PathStep[],
  spent: readonly Terms[],
  barred: ReadonlySet<number>,
): readonly (LeftChoice | undefined)[] => {
  const choices: (LeftChoice | undefined)[] = twin.map(() => undefined);
  path.forEach((step, index) => {
    const moment = moments[index]!;
    moment.options.assignments[step.option]!.placements.forEach(({ string, fret, finger }, place) => {
      const sound = moment.struck[place]!;
      choices[sound] = { string, fret, finger, barre: barred.has(sound), cost: spent[sound]! };
    });
  });
  twin.forEach((primary, sound) => {
    const choice = choices[primary];
    if (primary !== sound && choice) choices[sound] = { ...choice, barre: barred.has(sound), cost: {} };
  });
  return choices;
};

/** The sounds at which a rule had to give way. */
const brokenRulesOf = (
  { slices }: PieceOnGuitar,
  { rules }: Moments,
  path: readonly PathStep[],
  choices: readonly (LeftChoice | undefined)[],
): readonly BrokenRule[] =>
  slices.flatMap(({ bar, struck }, index): BrokenRule[] => {
    const { positions, stopped, barre, noBarre } = ruledIn(rules, bar);
    const isStopped = struck.some((sound) => (choices[sound]?.finger ?? 0) !== 0);
    const isAway = isStopped && ((positions >> path[index]!.position) & 1) === 0;
    const open = stopped ? struck.filter((sound) => choices[sound]?.finger === 0) : [];
    const beside = struck.filter((sound) => {
      const choice = choices[sound];
      return choice && barre !== undefined && !isWithBarre(choice.finger, choice.fret, barre);
    });
    const flat = noBarre ? struck.filter((sound) => choices[sound]?.barre) : [];
    return [
      ...(isAway ? [{ sound: struck[0]!, kind: 'position' as const }] : []),
      ...open.map((sound) => ({ sound, kind: 'stopped' as const })),
      ...beside.map((sound) => ({ sound, kind: 'barre' as const })),
      ...flat.map((sound) => ({ sound, kind: 'no-barre' as const })),
    ];
  });
