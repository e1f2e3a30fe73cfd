import { KnownRests } from '../fingering/known-rests.ts';
import { NEAR_TIE } from '../fingering/near-tie.ts';
import { MEETS_AGAIN, type Detour, type Stretch } from '../fingering/felt-nearby.ts';
import type { Accounted } from './search/accounts.ts';
import { Advance } from './search/advance.ts';
import { DEFAULT_BUDGET } from './search/budget.ts';
import { layerOf, stateIn, type Layer } from './search/layer.ts';
import { remainingCosts } from './search/remaining-costs.ts';
import { pathTo, type PathStep } from './search/search.ts';
import type { Stepper } from './search/step.ts';

type Steps = readonly PathStep[];
type Found = Detour<Steps> | undefined;

/** What is known of a stretch of a solved piece and of the ways through it. */
interface KnownStretch {
  readonly first: number;
  readonly last: number;
  /** The layers from before the stretch to where its ways must have met the path again, and the states of the path in them. */
  readonly layers: readonly (Layer | undefined)[];
  readonly states: readonly number[];
  /** By moment: what remains from every state, where it can be had within a near tie. */
  readonly rests: readonly Float64Array[];
  /** By what is left to each moment: what was found, and up to which margin it was looked for. */
  readonly tries: Map<string, { readonly margin: number; readonly found: Found }>;
}

/** Stretches that a plan leaves to the next one: most decisions leave most of them as they were. */
const KEPT_STRETCHES = 64;

/** Looks for ways through a solved piece that take at some moments what they took before. */
export class Detours {
  private readonly advance: Advance;
  private readonly stepper: Stepper;
  private readonly solved: Accounted;
  private stretches: readonly KnownStretch[];
  private readonly rests = new KnownRests();

  /** `known` is what looking for detours in another plan of the piece has left. */
  constructor(stepper: Stepper, solved: Accounted, known: readonly KnownStretch[] = []) {
    this.advance = new Advance(stepper, DEFAULT_BUDGET);
    this.stepper = stepper;
    this.solved = solved;
    this.stretches = known;
  }

  /** What a later plan can go on from. */
  get known(): readonly KnownStretch[] {
    return this.stretches;
  }

  /**
   * The cheapest way from the state before a stretch back into the path after it; `only` names what is left to a moment.
   * Undefined when none costs at most `margin` more than the path.
   */
  through(stretch: Stretch, only: (index: number) => number | undefined, margin: number): Found {
    const known = this.stretch(stretch);
    const left = known.rests.map((_, place) => only(stretch.first + place) ?? '').join();
    const tried = known.tries.get(left);
    if (tried && (tried.margin >= margin || tried.found)) return tried.found;
    const found = this.search(stretch, known, only, margin);
    known.tries.set(left, { margin, found });
    return found;
  }

  /** What is known of a stretch, as long as neither its layers nor the path have changed. */
  private stretch({ first, end }: Stretch): KnownStretch {
    const { path, tables } = this.solved;
    const last = Math.min(path.length, end + MEETS_AGAIN) - 1;
    const places = Array.from({ length: last - first + 2 }, (_, place) => first - 1 + place);
    const same = this.stretches.find(
      (each) =>
        each.first === first &&
        each.last === last &&
        places.every(
          (index, place) =>
            each.layers[place] === tables.layers[index] && each.states[place] === (path[index]?.state ?? 0),
        ),
    );
    const known = same ?? {
      first,
      last,
      layers: places.map((index) => tables.layers[index]),
      states: places.map((index) => path[index]?.state ?? 0),
      rests: remainingCosts(this.stepper, this.solved, NEAR_TIE, first, last, this.rests),
      tries: new Map(),
    };
    this.stretches = [known, ...this.stretches.filter((each) => each !== known)].slice(0, KEPT_STRETCHES);
    return known;
  }

  private search(
    { first, end }: Stretch,
    { last, rests }: KnownStretch,
    only: (index: number) => number | undefined,
    margin: number,
  ): Found {
    const { accounts, path, tables } = this.solved;
    const start = first === 0 ? undefined : layerOf(tables.layers[first - 1]!, [path[first - 1]!.state]);
    const spent = (until: number): number =>
      accounts.slice(first, until).reduce((sum, { cost }) => sum + cost, 0);
    const most = (start?.cost[0] ?? 0) + spent(last + 1) + margin;
    const layers: Layer[] = [];
    for (let index = first; index <= last; index += 1) {
      const option = only(index);
      const moment = tables.moments[index]!;
      const narrowed = option === undefined ? moment : { ...moment, only: option };
      const { layer } = this.advance.step(index === first ? start : layers.at(-1), narrowed);
      const affordable = this.affordable(layer, index, rests[index - first]!, most);
      if (affordable.count === 0) return undefined;
      layers.push(affordable);
      if (index < end - 1) continue;
      const isLast = index === path.length - 1;
      const state = isLast ? 0 : stateIn(affordable, tables.layers[index]!, path[index]!.state);
      if (state < 0) continue;
      const way = this.inTables(pathTo(layers, index - first, state), layers, first);
      return way && { way, price: this.costOf(way, first) - spent(index + 1) };
    }
    return undefined;
  }

  /** The states of a layer from which the path can be met again for `most` in all. */
  private affordable(layer: Layer, index: number, rest: Float64Array, most: number): Layer {
    const known = this.solved.tables.layers[index]!;
    const states = Array.from({ length: layer.count }, (_, state) => state).filter((state) => {
      const same = stateIn(known, layer, state);
      return same >= 0 && layer.cost[state]! + rest[same]! <= most;
    });
    return layerOf(layer, states);
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

/** What looking for detours leaves to the next plan. */
export type KnownDetours = Detours['known'];
