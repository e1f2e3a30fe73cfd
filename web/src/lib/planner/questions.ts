import {
  carriedChoices,
  choicesFor,
  comparePatternsInSteps,
  compareReturns,
  CUT_FOR,
  DRILLS_FOR,
  fixesOf,
  markedPage,
  nearTies,
  otherRightWaysInSteps,
  otherWaysInSteps,
  passageReturns,
  phrasesOf,
  pluckChoices,
  previewOf,
  practised,
  shapeCards,
  shiftPlacesInSteps,
  signsOnPage,
  soundOf,
  spotDrillTitle,
  spotScore,
  spotSource,
  walkHeading,
  walkThrough,
  writeMidi,
  waysOut,
  wordingIn,
  withoutBarre,
  type Choice,
  type Density,
  type Depth,
  type Language,
  type NoteId,
  type NoteIndex,
  type NoteNames,
  type Passage,
  type Pattern,
  type Plan,
  type ShapeCard,
  type Spot,
  type SpotDrill,
  type Steps,
  type StringNumber,
  type WithoutBarre,
} from '@oculon/core';
import type { PlanSounds } from '../sound/listening.svelte.ts';
import type {
  MovementsView,
  MovementWay,
  PageView,
  ShiftWay,
  SpotDrillView,
  SpotView,
  WalkView,
  WayView,
} from './api.ts';

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
  preview: (plan: Plan, note: NoteIndex, change: Choice) => previewOf(plan, note, change),
  /** What stands on the page at a density: the marks at notes, and where a numeral tells the position. */
  page: (plan: Plan, density: Density): PageView => {
    const marked = markedPage(plan, density);
    return {
      density,
      notes: [...marked.page.at].map(([sound, marks]) => [plan.left.sounds[sound]!.head, marks]),
      positions: signsOnPage(plan, marked).filter(({ kind }) => kind === 'position'),
    };
  },
  /** The piece as a student is walked through it, each line with its heading; hard bars come in slow motion as well. */
  walk: (plan: Plan, depth: Depth, language: Language, noteNames: NoteNames): readonly WalkView[] => {
    const wording = wordingIn(language, noteNames);
    return walkThrough(wording, plan, depth, { withSlow: true }).map((line) => ({
      ...line,
      heading: walkHeading(wording, plan, line),
    }));
  },
  /** What is heard of the plan: as the strings ring, and with every note as long as it is written. */
  sounds: (plan: Plan): PlanSounds => ({
    planned: soundOf(plan),
    written: soundOf(plan, { asWritten: true }),
  }),
  midi: (plan: Plan, asWritten: boolean, once: boolean): Uint8Array => writeMidi(plan, { asWritten, once }),
  /** The shapes of the left hand in playing order. */
  shapes: (plan: Plan): readonly ShapeCard[] => shapeCards(plan),
  /** What of the piece is to be practised, with the drills that there are notes for. */
  spots: (plan: Plan): readonly SpotView[] =>
    practised(plan, '').spots.map(({ spot, ladder }) => ({
      spot,
      ladder,
      drills: DRILLS_FOR[spot.kind].filter(
        (drill) => spotScore(plan, spot, CUT_FOR[drill], '', ladder.rungs[0]!) !== undefined,
      ),
    })),
  /** A drill cut from the piece, as a document. */
  spotDrill: (
    plan: Plan,
    spot: Spot,
    drill: SpotDrill,
    tempo: number,
    language: Language,
    noteNames: NoteNames,
  ): SpotDrillView | undefined => {
    const title = spotDrillTitle(wordingIn(language, noteNames), plan.score, spot, drill);
    const source = spotSource(plan, spot, CUT_FOR[drill], title, tempo);
    return source === undefined ? undefined : { title, source };
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

export type QuestionName = keyof typeof QUESTIONS;
type Tail<Args extends readonly unknown[]> = Args extends readonly [unknown, ...infer Rest] ? Rest : never;
/** What a question takes beside the plan. */
export type QuestionArguments<Name extends QuestionName> = Tail<Parameters<(typeof QUESTIONS)[Name]>>;
type Outcome<T> = T extends Generator<void, infer Value, void> ? Value : T;
/** What a question is answered with. */
export type QuestionAnswer<Name extends QuestionName> = Outcome<ReturnType<(typeof QUESTIONS)[Name]>>;
