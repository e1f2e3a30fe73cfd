import type {
  Choice,
  ChoicePreview,
  LeftFinger,
  PricedPlacement,
  PricedPluck,
  StringNumber,
} from '@oculon/core';
import { troubleText } from '../planner/asking.ts';
import { PAUSE, type CurrentPlan } from '../planner/current-plan.svelte.ts';
import type { Caret } from './caret.svelte.ts';

/** A priced choice for the note at the caret. */
export type PricedChoice =
  | { readonly hand: 'left'; readonly way: PricedPlacement }
  | { readonly hand: 'right'; readonly way: PricedPluck };

/** What taking it decides. */
export const decisionOf = (choice: PricedChoice): Choice =>
  choice.hand === 'left'
    ? { string: choice.way.string as StringNumber, finger: choice.way.finger }
    : { pluck: choice.way.pluck };

const keyOf = (choice: PricedChoice): string => JSON.stringify(decisionOf(choice));

/** Ways of the left hand whose consequences are worked out before anybody points at them, and those before any finger is. */
const AHEAD = 5;
const FIRST = 2;
const STOPPING: readonly LeftFinger[] = [1, 2, 3, 4];

/** What is worked out about a note before it is asked for: what a choice would bring about, or the plan that a finger makes. */
type Ahead = PricedChoice | { readonly hand: 'finger'; readonly finger: LeftFinger };

/** The priced choices at the caret, and what each of them would bring about. */
export class Choices {
  /** Ways to take the note, cheapest first; empty until they are known. */
  ways = $state.raw<readonly PricedPlacement[]>([]);
  plucks = $state.raw<readonly PricedPluck[]>([]);
  problem = $state('');
  #previews = $state.raw<ReadonlyMap<string, ChoicePreview>>(new Map());
  #pointed = $state.raw<PricedChoice>();
  /** What is still to be worked out, the most wanted first. */
  #wanted: Ahead[] = [];
  #working = false;
  readonly #caret: Caret;
  readonly #planned: CurrentPlan;

  constructor(caret: Caret, planned: CurrentPlan) {
    this.#caret = caret;
    this.#planned = planned;
  }

  /** All choices in the order in which they are walked over. */
  get all(): readonly PricedChoice[] {
    return [
      ...this.ways.map((way) => ({ hand: 'left', way }) as const),
      ...this.plucks.map((way) => ({ hand: 'right', way }) as const),
    ];
  }

  get pointed(): PricedChoice | undefined {
    return this.#pointed;
  }

  isPointed(choice: PricedChoice): boolean {
    return this.#pointed !== undefined && keyOf(this.#pointed) === keyOf(choice);
  }

  /** Whether the plan takes the note so. */
  isTaken({ hand, way }: PricedChoice): boolean {
    const { plan } = this.#caret;
    return hand === 'left'
      ? plan?.string === way.string && plan.finger === way.finger
      : plan?.pluck === way.pluck;
  }

  previewOf(choice: PricedChoice): ChoicePreview | undefined {
    return this.#previews.get(keyOf(choice));
  }

  /** What the choice that is pointed at would bring about; undefined when nothing is, or it is not known yet. */
  get shown(): ChoicePreview | undefined {
    return this.#pointed && this.previewOf(this.#pointed);
  }

  /** Points at a choice, to see on the sheet what it would bring about; at none to see the plan. */
  point(choice: PricedChoice | undefined): void {
    this.#pointed = choice;
    if (!choice || this.isTaken(choice) || this.previewOf(choice)) return;
    this.#wanted = [
      choice,
      ...this.#wanted.filter((each) => each.hand === 'finger' || keyOf(each) !== keyOf(choice)),
    ];
    void this.#work();
  }

  /** Points at the next choice or the one before; false when there is none. */
  pointBy(direction: 1 | -1, onlyAsk = false): boolean {
    const { all } = this;
    if (all.length === 0) return false;
    const at = all.findIndex((each) => this.isPointed(each));
    const from = at < 0 ? all.findIndex((each) => this.isTaken(each)) : at;
    const to = all[(from + direction + all.length) % all.length];
    if (!onlyAsk) this.point(to);
    return true;
  }

  /**
   * Finds the choices of a note under the plan at hand once the teacher has paused. The answer stops it.
   */
  find(note: number): () => void {
    this.#clear();
    let stopped = false;
    const timer = setTimeout(() => {
      void this.#ask(note, () => stopped).catch((error: unknown) => {
        if (!stopped)
          this.problem = troubleText(error, 'The prices could not be worked out. Load the page again.');
      });
    }, PAUSE);
    return () => {
      stopped = true;
      clearTimeout(timer);
      this.#clear();
    };
  }

  #clear(): void {
    this.ways = [];
    this.plucks = [];
    this.problem = '';
    this.#previews = new Map();
    this.#pointed = undefined;
    this.#wanted = [];
  }

  async #ask(note: number, isStale: () => boolean): Promise<void> {
    const { questions } = this.#planned;
    const { ways } = await questions.choices(note);
    if (isStale()) return;
    this.ways = ways;
    const plucks = await questions.pluckChoices(note);
    if (isStale()) return;
    this.plucks = plucks;
    const ahead = this.all
      .filter(({ hand }, index) => hand === 'right' || index < AHEAD)
      .filter((each) => !this.isTaken(each));
    this.#wanted = [...this.#wanted, ...ahead.slice(0, FIRST), ...this.#fingers(), ...ahead.slice(FIRST)];
    void this.#work();
  }

  /** The fingers that the note could be given by a key, those of cheaper ways first. */
  #fingers(): readonly Ahead[] {
    const fingers = new Set([...this.ways.map(({ finger }) => finger as LeftFinger), ...STOPPING]);
    return [...fingers]
      .filter((finger) => finger !== this.#caret.plan?.finger)
      .map((finger) => ({ hand: 'finger', finger }));
  }

  /** Works out one thing after the other, so that what the teacher does comes in between. */
  async #work(): Promise<void> {
    if (this.#working) return;
    this.#working = true;
    for (let next = this.#wanted.shift(); next; next = this.#wanted.shift()) {
      const { plan } = this.#planned;
      const note = this.#caret.index;
      try {
        if (next.hand === 'finger') {
          await this.#planned.questions.ahead(note, { finger: next.finger });
          continue;
        }
        const preview = await this.#planned.questions.preview(note, decisionOf(next));
        if (this.#planned.plan === plan && this.#caret.index === note)
          this.#previews = new Map(this.#previews).set(keyOf(next), preview);
      } catch (error) {
        // What was asked about another plan is asked again, when it is still wanted, about the one at hand.
        this.problem = troubleText(
          error,
          'What this would change could not be worked out. Load the page again.',
        );
      }
    }
    this.#working = false;
  }
}
