import {
  carriedChoices,
  choicesFor,
  comparePatternsInSteps,
  compareReturns,
  fixesOf,
  markedPage,
  nearTies,
  otherRightWaysInSteps,
  otherWaysInSteps,
  passageReturns,
  phrasesOf,
  pluckChoices,
  planDeciding,
  previewBetween,
  shiftPlacesInSteps,
  signsOnPage,
  waysOut,
  withoutBarre,
  type Choice,
  type ChoicePreview,
  type Density,
  type NoteId,
  type NoteIndex,
  type Passage,
  type Pattern,
  type Plan,
  type Steps,
  type StringNumber,
  type WithoutBarre,
} from '@oculon/core';
import type { LATER_QUESTIONS } from './later-questions.ts';
import { plansAhead } from './plans-ahead.ts';
import type { MovementsView, MovementWay, PageView, ShiftWay, WayView } from './api.ts';

type Changed = { readonly plan: Plan['left']; readonly changed: readonly number[] };

/** The decisions that bring a way about. */
const choicesFrom = ({ score, left }: Plan, way: Changed) =>
  way.changed.flatMap((sound): [NoteId, Choice][] => {
    const choice = way.plan.choices[sound];
    const { id } = score.notes[left.sounds[sound]!.head]!;
    return choice ? [[id, { string: choice.string as StringNumber, finger: choice.finger }]] : [];
  });

const movementWay = (plan: Plan, way: WithoutBarre): MovementWay => ({
  price: way.price,
  terms: way.terms,
  choices: choicesFrom(plan, way),
});

/** What can be asked about a plan. Long questions are answered in steps. */
export const QUESTIONS = {
  /** Ways to take a note, cheapest first. */
  choices: (plan: Plan, note: NoteIndex) => choicesFor(plan, note),
  /** What deciding a note would bring about. */
  preview: (plan: Plan, note: NoteIndex, change: Choice): ChoicePreview => {
    const decided = planDeciding(plan, note, change);
    plansAhead.keep(decided);
    return previewBetween(plan, decided);
  },
  /** Plans ahead what a decision about a note would make, so that it is there when it is made. */
  ahead: (plan: Plan, note: NoteIndex, change: Choice): void => {
    if (plansAhead.keeps(plan)) plansAhead.keep(planDeciding(plan, note, change));
  },
  /** What stands on the page at a density: the marks at notes, and where a numeral tells the position. */
  page: (plan: Plan, density: Density): PageView => {
    const marked = markedPage(plan, density);
    return {
      density,
      notes: [...marked.page.at].map(([sound, marks]) => [plan.left.sounds[sound]!.head, marks]),
      positions: signsOnPage(plan, marked).filter(({ kind }) => kind === 'position'),
    };
  },
  /** What can be done about a note that cannot be played or held. */
  waysOut: (plan: Plan, note: NoteIndex) => waysOut(plan, note),
  /** Fingers that could pluck a note, by price. */
  pluckChoices: (plan: Plan, note: NoteIndex) => pluckChoices(plan, note),
  /** Patterns for the right hand of some bars side by side; the plan comes first, then those typed. */
  comparePatterns: (plan: Plan, passage: Passage, typed: readonly Pattern[]) =>
    comparePatternsInSteps(plan, passage, typed),
  /** Other right hands for some bars. */
  otherRightWays: (plan: Plan, passage: Passage) => otherRightWaysInSteps(plan, passage),
  /** Notes between whose ways taste decides. */
  nearTies: (plan: Plan) => nearTies(plan),
  /** Other fingerings of some bars. */
  *otherWays(plan: Plan, passage: Passage, hold: boolean): Steps<readonly WayView[]> {
    const ways = yield* otherWaysInSteps(plan, passage, { hold });
    return ways.map((way): WayView => {
      const { price, terms, character, rejoins } = way;
      return { price, terms, character, rejoins, choices: choicesFrom(plan, way) };
    });
  },
  /** Movements of both hands, harmony and form. */
  movements: (plan: Plan): MovementsView => {
    const { guides, held, preparations, blocks, barreCare } = plan.technique;
    return {
      guides,
      held,
      preparations,
      blocks,
      barreCare,
      phrases: phrasesOf(plan.score, plan.left.sounds),
      returns: compareReturns(plan),
      fixes: [...fixesOf(plan)],
    };
  },
  /** Other moments for a shift, by the slice at which the hand arrives. */
  *shiftWays(plan: Plan, slice: number): Steps<readonly ShiftWay[]> {
    const places = yield* shiftPlacesInSteps(plan, { slice });
    return places.map((way) => ({
      onset: plan.left.hands[way.slice]!.slice.onset,
      isEarlier: way.isEarlier,
      rides: way.rides,
      ...movementWay(plan, way),
    }));
  },
  /** The music of a barre without it; undefined when it cannot be held. */
  withoutBarre: (plan: Plan, onset: number, until: number): MovementWay | undefined => {
    const way = withoutBarre(plan, { onset, until });
    return way && movementWay(plan, way);
  },
  /** The choices that carry a fingering to a passage that returns. */
  carry: (plan: Plan, from: number): readonly (readonly [NoteId, Choice])[] => {
    const found = passageReturns(plan.score, plan.left.sounds).find((each) => each.from === from);
    return found ? carriedChoices(plan, found) : [];
  },
};

type Questions = typeof QUESTIONS & typeof LATER_QUESTIONS;
export type QuestionName = keyof Questions;
type Tail<Args extends readonly unknown[]> = Args extends readonly [unknown, ...infer Rest] ? Rest : never;
/** What a question takes beside the plan. */
export type QuestionArguments<Name extends QuestionName> = Tail<Parameters<Questions[Name]>>;
type Outcome<T> = T extends Generator<void, infer Value, void> ? Value : T;
/** What a question is answered with. */
export type QuestionAnswer<Name extends QuestionName> = Outcome<ReturnType<Questions[Name]>>;

type Asked = (plan: Plan, ...args: readonly unknown[]) => unknown;

/** How a question is answered; those that come later have to be fetched. */
export const questionNamed = async (name: QuestionName): Promise<Asked> => {
  if (name in QUESTIONS) return QUESTIONS[name as keyof typeof QUESTIONS] as Asked;
  const { LATER_QUESTIONS: later } = await import('./later-questions.ts');
  return later[name as keyof typeof later] as Asked;
};
