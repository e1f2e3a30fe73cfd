import type {
  Barre,
  BarDifficulty,
  Choice,
  ChoiceEffect,
  Essential,
  Finding,
  ImportProblem,
  NoteChoices,
  NoteId,
  NoteIndex,
  NotePlan,
  OtherWay,
  Passage,
  PassageRule,
  Pattern,
  PricedPlacement,
  PricedPluck,
  Repair,
  Result,
  RightSign,
  RightWay,
  RuleId,
  Score,
  Shift,
  WayOut,
} from '@oculon/core';
import type { SetupChoice } from './setup.ts';

/** What the sheet needs of a plan: plain data that a worker can hand over. */
export interface PlanView {
  /** By notehead, as in `score.notes`. */
  readonly notes: readonly NotePlan[];
  readonly shifts: readonly Shift[];
  readonly barres: readonly Barre[];
  readonly findings: readonly Finding[];
  readonly positions: readonly { readonly onset: number; readonly position: number }[];
  /** Noteheads that ring on past their written end, and until when, in ticks. */
  readonly ringing: readonly (readonly [NoteIndex, number])[];
  readonly difficulty: readonly BarDifficulty[];
  /** What the right hand does beside plucking, and what is to be damped. */
  readonly rightSigns: readonly RightSign[];
  readonly leftCost: number;
  readonly rightCost: number;
  readonly ms: number;
}

export interface OpenedPiece {
  readonly score: Score;
  readonly repairs: readonly Repair[];
}

/** The teacher's document as entries. */
export interface FingeringMessage {
  readonly choices: readonly (readonly [NoteId, Choice])[];
  readonly rules: readonly (readonly [RuleId, PassageRule])[];
}

/** Another way for a passage, as the sheet shows and takes it. */
export interface WayView extends Pick<OtherWay, 'price' | 'terms' | 'character' | 'rejoins'> {
  /** Left-hand choices in the passage that bring it about; what lies outside follows from them. */
  readonly choices: readonly (readonly [NoteId, Choice])[];
}

/** The planner as the page sees it. Everything heavy happens on the other side. */
export interface PlannerApi {
  /** A little score to get the engraving ready with. */
  exercise(): Score;
  open(bytes: Uint8Array, part: string | undefined): Result<OpenedPiece, ImportProblem>;
  plan(fingering: FingeringMessage, setup: SetupChoice, onProgress: (share: number) => void): PlanView;
  /** Ways to take a note, cheapest first, in the last plan. */
  choices(note: NoteIndex): NoteChoices;
  /** What taking a note in some way would bring about. */
  effect(note: NoteIndex, way: Pick<PricedPlacement, 'string' | 'finger'>): ChoiceEffect;
  /** The marks of the last plan from which a player can tell all others. */
  essential(): readonly (readonly [NoteIndex, Essential])[];
  /** What can be done about a note that cannot be played or held. */
  waysOut(note: NoteIndex): readonly WayOut[];
  /** Fingers that could pluck a note, by price. */
  pluckChoices(note: NoteIndex): readonly PricedPluck[];
  /** Patterns for the right hand of some bars side by side; the plan comes first, then those typed. */
  comparePatterns(passage: Passage, typed: readonly Pattern[]): readonly RightWay[];
  /** Other right hands for some bars, against the last plan. */
  otherRightWays(passage: Passage): readonly RightWay[];
  /** Notes of the last plan between whose ways taste decides. */
  nearTies(): readonly NoteIndex[];
  /** Other fingerings of some bars, against the last plan. */
  otherWays(passage: Passage, hold: boolean): readonly WayView[];
  /** The source with the fingering of the last plan merged in. */
  writeMusicXml(): Result<string, ImportProblem>;
  /** The last plan as `oculon.plan/1`. */
  writeJson(): string;
}
