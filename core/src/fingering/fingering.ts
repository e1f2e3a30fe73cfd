import * as z from 'zod/mini';
import type { Branded } from '../music/branded.ts';
import type { NoteId, Score } from '../score/score.ts';
import { STRINGS, type StringNumber } from '../instrument/guitar.ts';
import type { MarkDecision, MarkId } from './marks.ts';
import type { OwnWords, SentenceKey } from './own-words.ts';
import type { PassageRule, RuleId } from './rules.ts';
import type { Setup } from './setup.ts';
import {
  LEFT_FINGERS,
  REMEDIES,
  STROKE_FINGERS,
  type LeftFinger,
  type Remedy,
  type StrokeFinger,
} from './vocabulary.ts';

/**
 * What a teacher decided about one note. A missing field is left to the source and the planner;
 * `null` sets free what the source had fixed.
 */
export const choiceSchema = z.strictObject({
  string: z.optional(z.nullable(z.union(STRINGS.map((string) => z.literal(string))))),
  finger: z.optional(z.nullable(z.union(LEFT_FINGERS.map((finger) => z.literal(finger))))),
  pluck: z.optional(z.nullable(z.enum(STROKE_FINGERS))),
  remedy: z.optional(z.nullable(z.enum(REMEDIES))),
});
export type Choice = z.infer<typeof choiceSchema>;
export const CHOICE_FIELDS = ['string', 'finger', 'pluck', 'remedy'] as const;
export type ChoiceField = (typeof CHOICE_FIELDS)[number];

/** Names a finding of one plan and the next: its code and the note it stands at. */
export type FindingKey = Branded<string, 'FindingKey'>;

/** The teacher's document: choices, rules, findings put aside, marks, words, setup; empty at first. Immutable. */
export interface Fingering {
  readonly choices: ReadonlyMap<NoteId, Choice>;
  readonly rules: ReadonlyMap<RuleId, PassageRule>;
  /** Findings that the teacher has put aside, with the reason. */
  readonly dismissed: ReadonlyMap<FindingKey, string>;
  /** Marks that the teacher has set, changed or taken away. */
  readonly marks: ReadonlyMap<MarkId, MarkDecision>;
  /** What the teacher says in words of their own. */
  readonly words: ReadonlyMap<SentenceKey, OwnWords>;
  /** For whom and on what, as far as it is decided. */
  readonly setup: Setup;
}

export const EMPTY_FINGERING: Fingering = {
  choices: new Map(),
  rules: new Map(),
  dismissed: new Map(),
  marks: new Map(),
  words: new Map(),
  setup: {},
};

/** What the planner must respect for one note. */
export interface Lock {
  readonly string?: StringNumber;
  /** Where a harmonic is touched or stopped; of other notes the pitch tells. */
  readonly fret?: number;
  readonly finger?: LeftFinger;
  readonly pluck?: StrokeFinger;
  readonly remedy?: Remedy;
}

const isMember = <T>(values: readonly T[], value: unknown): value is T => values.includes(value as T);

/** The locks of a piece, by note id: what the source says, overruled by the teacher. */
export const locksOf = (score: Score, fingering: Fingering): ReadonlyMap<NoteId, Lock> => {
  const locks = new Map<NoteId, Lock>();
  for (const note of score.notes) {
    const source = note.fingering;
    const choice = fingering.choices.get(note.id);
    const string = choice?.string === undefined ? source.string : choice.string;
    const finger = choice?.finger === undefined ? source.finger : choice.finger;
    const pluck = choice?.pluck === undefined ? source.pluck : choice.pluck;
    const lock: Lock = {
      ...(isMember(STRINGS, string) && { string }),
      ...(source.fret !== undefined && string === source.string && { fret: source.fret }),
      ...(isMember(LEFT_FINGERS, finger) && { finger }),
      ...(isMember(STROKE_FINGERS, pluck) && { pluck }),
      ...(choice?.remedy && { remedy: choice.remedy }),
    };
    if (Object.keys(lock).length > 0) locks.set(note.id, lock);
  }
  return locks;
};
