import {
  addedId,
  sentenceKey,
  type OwnWords,
  type SentenceId,
  type SentenceKey,
} from '../fingering/own-words.ts';
import type { Score } from '../score/score.ts';
import type { Depth } from '../walk/telling.ts';
import type { Language } from './language.ts';
import type { WalkLine, WalkSentence } from './walkthrough.ts';

type Words = ReadonlyMap<SentenceKey, OwnWords>;

/** The bar and text that a teacher adds, and under what name. */
const added = (score: Score, words: Words, language: Language): readonly WalkSentence[] =>
  score.bars.flatMap(({ index, start }): WalkSentence[] => {
    const own = words.get(sentenceKey(language, addedId(start)));
    return own
      ? [{ id: addedId(start), kind: 'added', bar: index, onset: start, text: own.text, planned: '' }]
      : [];
  });

/**
 * A walk-through in which a teacher's own words stand where they wrote them: instead of a sentence that still says what it
 * said then, or at the end of a bar. A sentence that is left out has no text. `newLine` makes the line of a bar of which
 * nothing is told.
 */
export const withOwnWords = <Line extends WalkLine>(
  score: Score,
  lines: readonly Line[],
  words: Words,
  language: Language,
  newLine: (bar: number, sentences: readonly WalkSentence[]) => Line,
): readonly Line[] => {
  if (words.size === 0) return lines;
  const told = lines.map((line): Line => ({
    ...line,
    sentences: line.sentences.map((sentence): WalkSentence => {
      const own = words.get(sentenceKey(language, sentence.id));
      return own ? { ...sentence, text: own.text, planned: sentence.text } : sentence;
    }),
  }));
  for (const sentence of added(score, words, language)) {
    const at = told.findIndex(({ from, to }) => sentence.bar >= from && sentence.bar <= to);
    if (at >= 0) told[at] = { ...told[at]!, sentences: [...told[at]!.sentences, sentence] };
    else {
      const after = told.findIndex(({ from }) => from > sentence.bar);
      told.splice(after < 0 ? told.length : after, 0, newLine(sentence.bar, [sentence]));
    }
  }
  return told;
};

/** Words of a teacher for which there is no place in a walk-through any more. */
export interface StrayWords {
  readonly key: SentenceKey;
  readonly words: OwnWords;
}

/** A teacher's words, written in a walk-through of this depth and language, whose moment is no longer as it was. */
export const strayWords = (
  score: Score,
  lines: readonly WalkLine[],
  words: Words,
  language: Language,
  depth: Depth,
): readonly StrayWords[] => {
  const told = new Set<SentenceId>([
    ...lines.flatMap(({ sentences }) => sentences.map(({ id }) => id)),
    ...score.bars.map(({ start }) => addedId(start)),
  ]);
  const placed = new Set([...told].map((id) => sentenceKey(language, id)));
  return [...words]
    .filter(([key, own]) => key.startsWith(`${language}/`) && own.depth === depth && !placed.has(key))
    .map(([key, own]) => ({ key, words: own }))
    .sort((one, other) => one.words.bar - other.words.bar);
};
