import { MEETS_AGAIN, type Detour, type Stretch } from '../fingering/felt-nearby.ts';
import type { Moment } from './moments/ways-at-moment.ts';
import type { Accounted } from './search/accounts.ts';
import { DEFAULT_BUDGET } from './search/budget.ts';
import { layerOf, stateIn, type Layer } from './search/layer.ts';
import { pathTo, search, type PathStep, type SearchTables } from './search/search.ts';
import type { Stepper } from './search/step.ts';

type Steps = readonly PathStep[];

/** A search through a stretch, with the state that it began from. */
interface Searched {
  readonly start: Layer | undefined;
  readonly tables: SearchTables;
}

/** Searches that are kept for the next plan: as many as there are tries for two or three stretches. */
const KEPT_SEARCHES = 32;

/** What the searches for detours of a plan leave to those of the next. */
export interface KnownDetours {
  /**
   * By the moment at which a stretch begins and the number of the try, the last one last. Most decisions leave most moments
   * of a stretch as they were, so that a search can go on from the one before.
   */
  readonly searched: ReadonlyMap<string, Searched>;
  /** Moments narrowed to one option: the same objects again tell the search that nothing has changed. */
  readonly narrowed: WeakMap<Moment, Map<number, Moment>>;
}

const NO_DETOURS: KnownDetours = { searched: new Map(), narrowed: new WeakMap() };

const isSameStart = (one: Layer | undefined, other: Layer | undefined): boolean =>
  one === other || (one !== undefined && other !== undefined && stateIn(one, other, 0) === 0);

/** Looks for ways through a solved piece that take at some moments what they took before. */
export class Detours {
  /** What a later plan can go on from. */
  readonly known: KnownDetours;

  private readonly searched: Map<string, Searched>;
  private readonly stepper: Stepper;
  private readonly solved: Accounted;

  constructor(stepper: Stepper, solved: Accounted, { searched, narrowed } = NO_DETOURS) {
    this.stepper = stepper;
    this.solved = solved;
    this.searched = new Map(searched);
    this.known = { searched: this.searched, narrowed };
  }

  /** The cheapest way from the state before a stretch back into the path after it; `only` names what is left to a moment. */
  through(
    { first, end }: Stretch,
    only: (index: number) => number | undefined,
    attempt: number,
  ): Detour<Steps> | undefined {
    const { accounts, path, tables } = this.solved;
    const moments = tables.moments
      .slice(first, end + MEETS_AGAIN)
      .map((moment, place) => this.narrowed(moment, only(first + place)));
    const { layers, ...found } = this.search(first, moments, attempt);
    // Where the hand cannot come into a position that is asked for, the rule would have to give way.
    if (found.moments.some((moment, place) => moment !== moments[place])) return undefined;
    for (let index = end - 1; index < first + moments.length; index += 1) {
      const layer = layers[index - first]!;
      const isLast = index === path.length - 1;
      const state = isLast ? 0 : stateIn(layer, tables.layers[index]!, path[index]!.state);
      if (state < 0 || layer.count === 0) continue;
      const way = this.inTables(pathTo(layers, index - first, state), layers, first);
      if (!way) return undefined;
      const spent = accounts.slice(first, index + 1).reduce((sum, { cost }) => sum + cost, 0);
      return { way, price: this.costOf(way, first) - spent };
    }
    return undefined;
  }

  private narrowed(moment: Moment, only: number | undefined): Moment {
    if (only === undefined) return moment;
    const { narrowed } = this.known;
    const known = narrowed.get(moment) ?? new Map<number, Moment>();
    narrowed.set(moment, known);
    const same = known.get(only) ?? { ...moment, only };
    known.set(only, same);
    return same;
  }

  /** All ways through some moments from the state before them, going on from the last search for them. */
  private search(first: number, moments: readonly Moment[], attempt: number): SearchTables {
    const { path, tables } = this.solved;
    const start = first === 0 ? undefined : layerOf(tables.layers[first - 1]!, [path[first - 1]!.state]);
    const key = `${first} ${attempt}`;
    const isKin = ([other, each]: readonly [string, Searched]): boolean =>
      other.startsWith(`${first} `) && isSameStart(each.start, start);
    const kin = [...this.searched].filter(isKin);
    const [, known] = kin.find(([other]) => other === key) ?? kin.at(-1) ?? [];
    const found = search(this.stepper, moments, DEFAULT_BUDGET, known?.tables, undefined, start);
    this.searched.delete(key);
    this.searched.set(key, { start, tables: found });
    const [oldest] = this.searched.keys();
    if (this.searched.size > KEPT_SEARCHES) this.searched.delete(oldest!);
    return found;
  }

  /** A way by the states of the tables of the piece; undefined when those have left one behind. */
  private inTables(steps: Steps, layers: readonly Layer[], first: number): Steps | undefined {
    const way: PathStep[] = [];
    for (const [place, step] of steps.entries()) {
      const state = stateIn(this.solved.tables.layers[first + place]!, layers[place]!, step.state);
      if (state < 0) return undefined;
      way.push({ ...step, state });
    }
    return way;
  }

  /** What a way costs that begins at a moment of the piece, in units of effort. */
  private costOf(way: Steps, first: number): number {
    const { stepper } = this;
    const { path, tables } = this.solved;
    let state = first === 0 ? 0 : path[first - 1]!.state;
    let cost = 0;
    for (const [place, step] of way.entries()) {
      stepper.prepare(tables.layers[first + place - 1], tables.moments[first + place]!, state);
      cost += stepper.frame(state, step.option, step.position) + stepper.costFrom(state);
      state = step.state;
    }
    return cost;
  }
}
