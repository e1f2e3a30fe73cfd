import { describe, expect, it } from 'vitest';
import { addedId, sentenceKey, type OwnWords, type SentenceKey } from '../fingering/own-words.ts';
import { EMPTY_FINGERING } from '../fingering/fingering.ts';
import { planPiece, DEFAULT_SETUP } from '../plan/plan.ts';
import { exampleScore } from '../testing/planning.ts';
import { strayWords, withOwnWords } from './own-sentences.ts';
import { walkThrough, type WalkLine, type WalkSentence } from './walkthrough.ts';
import { wordingIn } from './languages.ts';

const score = exampleScore({
  voices: ['C4/4 E4/4 G4/4 C5/4 | E5/4 G5/4 A5/4 G5/4 | E4/4 D4/4 C4/2', 'C3/1 | A2/1 | C3/1'],
  tempo: 80,
});
const plan = planPiece(score);
const told = (language: 'en' | 'es' = 'en', noteNames: 'letters' | 'solfege' = 'letters') =>
  walkThrough(wordingIn(language, noteNames), plan, 'bars');
const newLine = (bar: number, sentences: readonly WalkSentence[]): WalkLine => ({
  from: bar,
  to: bar,
  depth: 'bars',
  sentences,
});
const first = told()[0]!.sentences[0]!;
const own = (text: string, planned = first.text): OwnWords => ({ text, planned, bar: 0, depth: 'bars' });
const words = (...entries: (readonly [SentenceKey, OwnWords])[]) => new Map(entries);

describe('a teacher’s own words', () => {
  it('stand instead of the sentence, whatever the notes are called, and in that language only', () => {
    const mine = words([sentenceKey('en', first.id), own('Begin calmly.')]);
    for (const names of ['letters', 'solfege'] as const) {
      const [line] = withOwnWords(score, told('en', names), mine, 'en', newLine);
      expect(line!.sentences[0]).toMatchObject({ text: 'Begin calmly.' });
    }
    const [inSpanish] = withOwnWords(score, told('es'), mine, 'es', newLine);
    expect(inSpanish!.sentences[0]!.text).toBe(told('es')[0]!.sentences[0]!.text);
    expect(told('es')[0]!.sentences[0]!.id).toBe(first.id);
  });

  it('leave a sentence out, and add one to a bar of which nothing is told', () => {
    const silent = score.bars.find(
      ({ index }) => !told().some(({ from, to }) => index >= from && index <= to),
    );
    const bar = silent ?? score.bars[2]!;
    const mine = words(
      [sentenceKey('en', first.id), own('')],
      [sentenceKey('en', addedId(bar.start)), { ...own('Breathe.', ''), bar: bar.index }],
    );
    const lines = withOwnWords(score, told(), mine, 'en', newLine);
    expect(lines[0]!.sentences[0]!.text).toBe('');
    const there = lines.find(({ from, to }) => bar.index >= from && bar.index <= to)!;
    expect(there.sentences.at(-1)).toMatchObject({ kind: 'added', text: 'Breathe.' });
    expect(lines.map(({ from }) => from)).toEqual(lines.map(({ from }) => from).toSorted((a, b) => a - b));
    expect(strayWords(score, told(), mine, 'en', 'bars')).toEqual([]);
  });

  it('are listed when the plan no longer has their moment, and stand again when it has', () => {
    const key = sentenceKey('en', first.id);
    const mine = words([key, own('Begin calmly.')]);
    const other = planPiece(
      score,
      {
        ...EMPTY_FINGERING,
        choices: new Map([[score.notes[0]!.id, { string: 3, finger: 4 }]]),
      },
      DEFAULT_SETUP,
    );
    const lines = walkThrough(wordingIn('en'), other, 'bars');
    expect(lines[0]!.sentences.map(({ text }) => text)).not.toContain(first.text);
    expect(strayWords(score, lines, mine, 'en', 'bars')).toEqual([{ key, words: own('Begin calmly.') }]);
    expect(strayWords(score, lines, mine, 'en', 'brief')).toEqual([]);
    expect(
      withOwnWords(score, lines, mine, 'en', newLine)
        .flatMap(({ sentences }) => sentences)
        .map(({ text }) => text),
    ).not.toContain('Begin calmly.');
    expect(strayWords(score, told(), mine, 'en', 'bars')).toEqual([]);
  });

  it('find each sentence by a name of its own', () => {
    for (const depth of ['brief', 'shapes', 'bars', 'slow'] as const) {
      const ids = walkThrough(wordingIn('en'), plan, depth).flatMap(({ sentences }) =>
        sentences.map(({ id }) => id),
      );
      expect(new Set(ids).size).toBe(ids.length);
    }
  });
});
