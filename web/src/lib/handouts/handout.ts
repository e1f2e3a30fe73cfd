import {
  indexById,
  type MarksAt,
  type NotePlan,
  type PlacedMark,
  type Score,
  type ShapeCard,
} from '@oculon/core';
import type { Lesson } from '../lesson/lesson.ts';
import type { PlanSounds } from '../sound/listening.svelte.ts';
import type { WalkView } from '../planner/api.ts';

/** How long a link opens its page, in days. */
export const LINK_DAYS = { least: 1, usual: 60, most: 365 } as const;
export const LONGEST_QUESTION = 500;

/** What a student's page shows, as it was when it was given. */
export interface HandoutContent {
  readonly title: string;
  readonly composer: string;
  readonly score: Omit<Score, 'indexOf'>;
  readonly notes: readonly NotePlan[];
  /** The marks at notes; all of them when missing. */
  readonly written: readonly (readonly [number, MarksAt])[] | undefined;
  readonly marks: readonly PlacedMark[];
  /** Letters of the hard bars. */
  readonly letters: readonly (readonly [number, string])[];
  readonly walk: readonly WalkView[];
  readonly cards: readonly ShapeCard[];
  /** What is heard of it; pages that were given before there was sound have none. */
  readonly sounds?: PlanSounds;
}

/** Something that is otherwise than in the edition before. */
export interface PageChange {
  readonly bar: number;
  readonly text: string;
}

/** A page as its link opens it. */
export interface OpenedHandout {
  /** All but the sounds, which have an address of their own. */
  readonly content: Omit<HandoutContent, 'sounds'>;
  readonly hasSounds: boolean;
  readonly lesson: Lesson;
  readonly recipient: string;
  readonly remarks: string;
  readonly teacher: string;
  /** ISO times. */
  readonly givenAt: string;
  /** What is new in it since the edition before. */
  readonly changes: readonly PageChange[];
  readonly endsAt: string;
}

/** Where the sounds of a page are. Its address tells the edition: what is kept of one is not heard with another. */
export const soundsAddress = (page: string, givenAt: string): string =>
  `${page}/sounds?given=${encodeURIComponent(givenAt)}`;

/** The score of a page with the places of its notes. */
export const scoreOf = ({ score }: Pick<HandoutContent, 'score'>): Score => ({
  ...score,
  indexOf: indexById(score.notes),
});
