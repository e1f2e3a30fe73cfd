import type {
  DrillName,
  GoalState,
  Language,
  LogEntry,
  NoteNames,
  NotePlan,
  PlacedMark,
  PractisedPiece,
  Score,
  SpotCut,
  SpotDrill,
  SpotWish,
  Standings,
} from '@oculon/core';
import type { PlanSounds } from '../sound/listening.svelte.ts';

/** A spot of a piece with its ladder, and the drills there are notes for. */
export type PractisedSpot = PractisedPiece['spots'][number] & { readonly drills: readonly SpotDrill[] };

/** What is practised of a piece, without the music. */
export interface Practised {
  readonly title: string;
  readonly composer: string;
  /** How many bars it has, and their printed numbers. */
  readonly labels: readonly string[];
  /** Quarters a minute. */
  readonly target: number;
  /** Printed numbers of the bars of each spot, by its id. */
  readonly bars: Readonly<Record<string, string>>;
  readonly spots: readonly PractisedSpot[];
}

/** Some music as it is practised: drawn and heard without a planner. */
export interface PracticeSheet {
  readonly title: string;
  readonly score: Omit<Score, 'indexOf'>;
  readonly notes: readonly NotePlan[];
  readonly marks: readonly PlacedMark[];
  readonly sounds: PlanSounds;
}

/** The music of a goal: the piece, its spots in the ways in which they are practised, and what warms up for them. */
export interface GoalSheets {
  readonly piece: PracticeSheet;
  readonly spots: Readonly<Record<string, Readonly<Partial<Record<SpotCut, PracticeSheet>>>>>;
  readonly warmUps: Readonly<Partial<Record<DrillName, PracticeSheet>>>;
}

/** A piece that a student works at. */
export interface GoalView {
  readonly id: string;
  readonly state: GoalState;
  /** As `2026-12-24`. */
  readonly until: string;
  readonly practised: Practised;
  readonly wishes: Readonly<Partial<Record<string, SpotWish>>>;
  /** When its music was cut from the version, as an ISO time. */
  readonly cutAt: string;
}

/** What a student practises, and how they are spoken to. */
export interface CourseView {
  readonly student: string;
  readonly language: Language;
  readonly noteNames: NoteNames;
  /** On a day of practice. */
  readonly minutes: number;
  readonly weekdays: readonly number[];
  readonly goals: readonly GoalView[];
}

/** An entry of the log as it stands, with what became of it. */
export interface LoggedEntry extends LogEntry {
  readonly byTeacher: boolean;
  readonly isCorrected: boolean;
}

/** What a student's link opens. */
export interface OpenedCourse {
  readonly course: CourseView;
  readonly teacher: string;
  /** Of the last weeks, in the order of their days; corrected ones as they stand now. */
  readonly entries: readonly LoggedEntry[];
  /** How it stood before them. */
  readonly before: Standings;
  /** When this was read, as an ISO time by the server's clock. */
  readonly asOf: string;
}
