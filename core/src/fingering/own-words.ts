import * as z from 'zod/mini';
import type { Branded } from '../music/branded.ts';
import { humanText } from './human-text.ts';

/** Names a sentence of a walk-through in one plan and the next: what it is about, where, and what it says there. */
export type SentenceId = Branded<string, 'SentenceId'>;
/** A sentence in one of the languages. */
export type SentenceKey = Branded<string, 'SentenceKey'>;

/** Longest sentence of a teacher, in characters. */
export const LONGEST_SENTENCE = 400;

/** What a teacher says instead of a sentence of the walk-through, or beside them. */
export const ownWordsSchema = z.strictObject({
  /** Nothing when the sentence is left out. */
  text: humanText(0, LONGEST_SENTENCE),
  /** What the plan said there when it was written; nothing for a sentence that was added. */
  planned: z.string().check(z.maxLength(4000)),
  /** Where, counted from 0, so that it can be told when nothing is found there any more. */
  bar: z.int().check(z.minimum(0), z.maximum(100_000)),
  /** The walk-through in which it was written. */
  depth: z.enum(['brief', 'shapes', 'bars', 'slow']),
});
export type OwnWords = z.infer<typeof ownWordsSchema>;

/** FNV-1a of 32 bits (Fowler, Noll, Vo), from memory: short names for long facts; not for secrets. */
const fingerprint = (text: string): string => {
  let hash = 0x811c9dc5;
  for (let index = 0; index < text.length; index += 1)
    hash = Math.imul(hash ^ text.charCodeAt(index), 0x01000193);
  return (hash >>> 0).toString(36);
};

/** The name of a sentence: another one as soon as its facts differ, whatever the language. */
export const sentenceId = (kind: string, onset: number, facts: unknown): SentenceId =>
  `${kind}@${onset}:${fingerprint(JSON.stringify(facts) ?? '')}` as SentenceId;

/** The name of what a teacher adds to a bar that starts at a tick. */
export const addedId = (start: number): SentenceId => `added@${start}` as SentenceId;

export const sentenceKey = (language: string, id: SentenceId): SentenceKey =>
  `${language}/${id}` as SentenceKey;
