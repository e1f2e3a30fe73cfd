import { describe, expect, it } from 'vitest';
import { EMPTY_FINGERING } from '../src/fingering/fingering.ts';
import { markedPage } from '../src/page/density.ts';
import { choiceOf, struckNotes } from '../src/testing/planning.ts';
import { DEPTHS } from '../src/walk/telling.ts';
import { walkThrough } from '../src/wording/walkthrough.ts';
import { wordingIn } from '../src/wording/languages.ts';
import { judgeTextured, planTextured, type Tally, type TexturedVerdict } from './judge-textured.ts';
import { playedNotes, TEXTURES } from './passages/textures/texture.ts';
import { IS_WHOLE } from './programs.ts';
import { TEXTURED, TEXTURED_REPORTED, TEXTURED_TUNED_ON } from './textured.ts';

// Accepted fingerings are common practice, no published source.
const verdicts = new Map(TEXTURED.map((passage) => [passage, judgeTextured(passage)]));
const share = (passages: typeof TEXTURED, tally: (verdict: TexturedVerdict) => Tally): number => {
  const tallies = passages.map((passage) => tally(verdicts.get(passage)!));
  return (
    tallies.reduce((sum, { agreeing }) => sum + agreeing, 0) / tallies.reduce((sum, { of }) => sum + of, 0)
  );
};

describe('passages in the textures that players know', () => {
  it('are many, of every texture, under names of their own, and half of their notes lie high', () => {
    expect(TEXTURED.length).toBeGreaterThanOrEqual(120);
    expect(new Set(TEXTURED.map(({ name }) => name)).size).toBe(TEXTURED.length);
    expect(new Set(TEXTURED.map(({ texture }) => texture))).toEqual(new Set(TEXTURES));
    const notes = [...verdicts.values()].reduce((sum, { left }) => sum + left.of, 0);
    const high = [...verdicts.values()].reduce((sum, { upper }) => sum + upper.of, 0);
    expect(high / notes).toBeGreaterThan(0.5);
  });

  it.each([
    ['tuned on', TEXTURED_TUNED_ON],
    ['not tuned on', TEXTURED_REPORTED],
  ])('come out within the accepted set: those %s', (_, passages) => {
    expect(share(passages, ({ left }) => left)).toBeGreaterThan(0.92);
    expect(share(passages, ({ upper }) => upper)).toBeGreaterThan(0.9);
    expect(share(passages, ({ right }) => right)).toBeGreaterThan(0.95);
  });

  it('are read back whole from their essential marks, and can be told in words', () => {
    const wording = wordingIn('en');
    for (const passage of TEXTURED) {
      const { plan } = verdicts.get(passage)!;
      expect(markedPage(plan, 'essential').reads, passage.name).toBe(true);
      for (const depth of DEPTHS)
        for (const { sentences } of walkThrough(wording, plan, depth))
          for (const { text } of sentences) expect(text).toMatch(/^[\p{Lu}\dpima][^{}]*\.$/u);
    }
  });

  it('accept only what a hand can play', () => {
    for (const passage of TEXTURED.filter((_, index) => IS_WHOLE || index % 4 === 0)) {
      const notes = struckNotes(verdicts.get(passage)!.plan);
      for (const answer of [passage.played, ...(passage.also ?? [])]) {
        const choices = new Map(
          playedNotes(answer).map(({ left }, index) => [notes[index]!.id, choiceOf(left.split('|')[0]!)]),
        );
        const { left } = planTextured(passage, undefined, { ...EMPTY_FINGERING, choices });
        expect(left.unplayable, passage.name).toEqual([]);
      }
    }
  });
});
