import type {
  Barre,
  BarDifficulty,
  Damping,
  Choice,
  ComparedReturn,
  Comparison,
  Correction,
  CorrectionProblem,
  Density,
  Fingering,
  Finding,
  FindingKey,
  Fix,
  HandAt,
  HandPoint,
  ImportProblem,
  Ladder,
  Mark,
  MarkDecision,
  MarkId,
  MarksAt,
  NoteId,
  NoteIndex,
  NotePlan,
  OtherWay,
  PassageRule,
  Phrase,
  Repair,
  Result,
  RightSign,
  RightWay,
  RuleId,
  Score,
  Setup,
  Shift,
  ShiftRide,
  Sounding,
  Spot,
  SpotDrill,
  Technique,
  WalkLine,
} from '@oculon/core';
import type { PlanSounds } from '../sound/listening.svelte.ts';
import type { Answer, PlanId } from './desk.ts';
import type { QuestionAnswer, QuestionArguments, QuestionName } from './questions.ts';

/** The left hand at a slice. */
export interface HandView extends Pick<HandAt, 'position' | 'lying' | 'flat'> {
  readonly onset: number;
}

/** What the sheet needs of a plan: plain data that a worker can hand over. */
export interface PlanView {
  readonly id: PlanId;
  /** By notehead, as in `score.notes`. */
  readonly notes: readonly NotePlan[];
  readonly shifts: readonly Shift[];
  /** Marks that follow from the plan. */
  readonly proposals: readonly Mark[];
  readonly findings: readonly Finding[];
  /** The left hand at each slice. */
  readonly positions: readonly HandView[];
  readonly barres: readonly Barre[];
  /** When each sound is really heard on its string. */
  readonly soundings: readonly Sounding[];
  readonly damping: readonly Damping[];
  /** Noteheads that ring on past their written end, and until when, in ticks. */
  readonly ringing: readonly (readonly [NoteIndex, number])[];
  readonly difficulty: readonly BarDifficulty[];
  /** What the right hand does beside plucking, and what is to be damped. */
  readonly rightSigns: readonly RightSign[];
  /** By sound: its onset in ticks, and its first notehead. */
  readonly sounds: readonly number[];
  readonly heads: readonly NoteIndex[];
  readonly leftCost: number;
  readonly rightCost: number;
  readonly ms: number;
}

/** What stands on the page at a density. */
export interface PageView {
  readonly density: Density;
  readonly notes: readonly (readonly [NoteIndex, MarksAt])[];
  /** Where a numeral tells the position. */
  readonly positions: readonly Mark[];
}

/** Some bars of a walk-through under their heading. */
export interface WalkView extends WalkLine {
  readonly heading: string;
}

/** A hard spot with its ladder, and the drills that it has notes for. */
export interface SpotView {
  readonly spot: Spot;
  readonly ladder: Ladder;
  readonly drills: readonly SpotDrill[];
}
/** A drill as a document. */
export interface SpotDrillView {
  readonly title: string;
  readonly source: string;
}

/** What the hands do, beyond where they lie: told once the plan stands. */
export interface MovementsView extends Pick<
  Technique,
  'guides' | 'held' | 'preparations' | 'blocks' | 'barreCare'
> {
  readonly phrases: readonly Phrase[];
  readonly returns: readonly ComparedReturn[];
  readonly fixes: readonly (readonly [FindingKey, Fix])[];
}

/** Another way to make one movement, with the choices that bring it about. */
export interface MovementWay {
  readonly price: number;
  readonly terms: OtherWay['terms'];
  readonly choices: readonly (readonly [NoteId, Choice])[];
}
export interface ShiftWay extends MovementWay {
  readonly onset: number;
  readonly isEarlier: boolean;
  readonly rides: ShiftRide;
}

export interface OpenedPiece {
  readonly score: Score;
  readonly marks: readonly (readonly [MarkId, Mark])[];
  readonly repairs: readonly Repair[];
}

/** The teacher's document as entries. */
export interface FingeringMessage {
  readonly choices: readonly (readonly [NoteId, Choice])[];
  readonly rules: readonly (readonly [RuleId, PassageRule])[];
  readonly marks: readonly (readonly [MarkId, MarkDecision])[];
}

/** What of a fingering the planner is told; its setup goes beside it. */
export const fingeringMessage = ({ choices, rules, marks }: Fingering): FingeringMessage => ({
  choices: [...choices],
  rules: [...rules],
  // Of the marks only slurs change what is played.
  marks: [...marks],
});

/** A version of a piece: what is decided in it, and for whom. */
export interface VersionMessage {
  readonly message: FingeringMessage;
  readonly setup: Setup;
}

/** Where two versions differ, why, and how hard their bars are. */
export interface VersionComparison extends Comparison {
  /** What grows (positive) or shrinks from the one to the other, in units of effort. */
  readonly terms: OtherWay['terms'];
  readonly rightTerms: RightWay['terms'];
  readonly difficulty: { readonly one: readonly BarDifficulty[]; readonly other: readonly BarDifficulty[] };
}

/** Another way for a passage, as the sheet shows and takes it. */
export interface WayView extends Pick<OtherWay, 'price' | 'terms' | 'character' | 'rejoins'> {
  /** Left-hand choices in the passage that bring it about; what lies outside follows from them. */
  readonly choices: readonly (readonly [NoteId, Choice])[];
}

/** What became of reading a piece. */
export type OpenAnswer = Result<OpenedPiece, ImportProblem>;

/** The planner as the page sees it. Everything heavy happens on the other side. */
export interface PlannerApi {
  /** A little score to get the engraving ready with. */
  exercise(): Score;
  open(bytes: Uint8Array, part: string | undefined): OpenAnswer;
  /** Plans the open piece for somebody who is about to ask for that plan. */
  planAhead(fingering: FingeringMessage, setup: Setup): void;
  plan(fingering: FingeringMessage, setup: Setup, onProgress: (share: number) => void): PlanView;
  /** Asks about a plan; `number` names the question, to take it back. */
  ask<Name extends QuestionName>(
    plan: PlanId,
    number: number,
    name: Name,
    args: QuestionArguments<Name>,
  ): Promise<Answer<QuestionAnswer<Name>>>;
  /** Takes a question back: it is left off at its next step. */
  withdraw(number: number): void;
  /** Where two versions of the open piece differ. */
  compare(one: VersionMessage, other: VersionMessage): VersionComparison;
  /** Where and why the last plan takes notes otherwise than another version of the open piece, made for another hand. */
  handPoints(there: VersionMessage): readonly HandPoint[];
  /** What is heard of another version of the open piece. */
  soundsOf(version: VersionMessage): Promise<PlanSounds>;
  /** The source with the fingering of the last plan merged in, on request with a staff of six lines, as UTF-8. */
  writeMusicXml(hasTablature: boolean): Promise<Result<Uint8Array, ImportProblem>>;
  /** The source with one note corrected, as UTF-8. The pitch of a correction is meant as the teacher reads the piece. */
  correct(
    note: NoteId,
    correction: Correction,
  ): Promise<Result<Uint8Array, ImportProblem | CorrectionProblem>>;
  /** The last plan as `oculon.plan/1`. */
  writeJson(): Promise<string>;
}
