import {
  addedId,
  barLabel,
  sentenceKey,
  strayWords,
  withOwnWords,
  type Depth,
  type Language,
  type OwnWords,
  type Score,
  type SentenceKey,
  type StrayWords,
  type WalkSentence,
} from '@oculon/core';
import type { Decisions } from '../document/decisions.svelte.ts';
import type { WalkView } from '../planner/api.ts';
import { LESSON_WORDS } from './lesson-words.ts';

/** A walk-through as the plan tells it, and in which words. */
export interface ToldWalk {
  readonly lines: readonly WalkView[];
  readonly depth: Depth;
  readonly language: Language;
}

/** A sentence that is being written. */
export interface SentenceDraft {
  readonly key: SentenceKey;
  readonly heading: string;
  /** What stands there now. */
  readonly text: string;
  readonly isOwn: boolean;
  readonly words: Omit<OwnWords, 'text'>;
}

/** The walk-through of a piece with the teacher's own words in it, and the writing of them. */
export class OwnWalk {
  told = $state.raw<ToldWalk>();
  draft = $state.raw<SentenceDraft>();
  readonly #decisions: Decisions;
  readonly #score: () => Score | undefined;

  constructor(decisions: Decisions, score: () => Score | undefined) {
    this.#decisions = decisions;
    this.#score = score;
  }

  readonly lines: readonly WalkView[] = $derived.by(() => {
    const [score, told] = [this.#score(), this.told];
    if (!score || !told) return [];
    const { lines, depth, language } = told;
    return withOwnWords(score, lines, this.#words, language, (bar, sentences) => ({
      from: bar,
      to: bar,
      depth,
      sentences,
      heading: `${LESSON_WORDS[language].bar} ${barLabel(score.bars[bar]!)}`,
    }));
  });

  /** Words whose moment is no longer as it was when they were written. */
  readonly stray: readonly StrayWords[] = $derived.by(() => {
    const [score, told] = [this.#score(), this.told];
    if (!score || !told) return [];
    return strayWords(score, told.lines, this.#words, told.language, told.depth);
  });

  /** Sentences of the plan that the teacher leaves out. */
  readonly leftOut: readonly StrayWords[] = $derived.by(() => {
    const { told } = this;
    if (!told) return [];
    return this.lines.flatMap(({ sentences }) =>
      sentences.flatMap(({ id, text }) => {
        const key = sentenceKey(told.language, id);
        const words = this.#words.get(key);
        return text === '' && words ? [{ key, words }] : [];
      }),
    );
  });

  get #words(): ReadonlyMap<SentenceKey, OwnWords> {
    return this.#decisions.fingering.words;
  }

  /** Begins to write a sentence in other words. */
  edit({ heading }: WalkView, { id, bar, text, planned }: WalkSentence): void {
    if (!this.told) return;
    const { depth, language } = this.told;
    this.draft = {
      key: sentenceKey(language, id),
      heading,
      text,
      isOwn: planned !== undefined,
      words: { planned: planned ?? text, bar, depth },
    };
  }

  /** Begins to write a sentence of a bar beside what is told there. */
  add({ heading, from }: Pick<WalkView, 'heading' | 'from'>): void {
    const score = this.#score();
    if (!this.told || !score) return;
    const { depth, language } = this.told;
    const key = sentenceKey(language, addedId(score.bars[from]!.start));
    const text = this.#words.get(key)?.text ?? '';
    this.draft = { key, heading, text, isOwn: text !== '', words: { planned: '', bar: from, depth } };
  }

  /** Ends the writing: with words, with none to leave the sentence out, or undefined to leave it to the plan. */
  say(text: string | undefined): void {
    const { draft } = this;
    this.draft = undefined;
    if (draft) this.#decisions.say([[draft.key, text === undefined ? null : { ...draft.words, text }]]);
  }

  /** Leaves a sentence to the plan again. */
  giveBack(key: SentenceKey): void {
    this.#decisions.say([[key, null]]);
  }
}
