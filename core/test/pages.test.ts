import { describe, expect, it } from 'vitest';
import { readMusicXml } from '../src/formats/musicxml/read.ts';
import { DENSITIES, markedPage } from '../src/page/density.ts';
import { planPiece, type Plan } from '../src/plan/plan.ts';
import { exampleScore } from '../src/testing/planning.ts';
import { DEPTHS } from '../src/walk/telling.ts';
import { walkThrough } from '../src/wording/walkthrough.ts';
import { wordingIn } from '../src/wording/languages.ts';
import { CORPUS } from './fuzz/corpus.ts';
import { generatedXml } from './golden/pieces.ts';

/** Generated pieces that are read here; all of them are planned by the golden plans. */
const GENERATED = 24;

const planOf = (xml: string): Plan => {
  const read = readMusicXml(xml);
  if (!read.ok) throw new Error(read.error.code);
  return planPiece(read.value.score);
};

describe('pieces of every shape', () => {
  it.each([
    ['files of other programs', CORPUS],
    ['generated pieces', Array.from({ length: GENERATED }, (_, number) => generatedXml(number))],
  ] as const)('are read back from each density and told at each depth: %s', (_, files) => {
    for (const xml of files) {
      const plan = planOf(xml);
      for (const density of DENSITIES) expect(markedPage(plan, density).reads).toBe(true);
      for (const language of ['en', 'es'] as const)
        for (const depth of DEPTHS)
          for (const { sentences } of walkThrough(wordingIn(language), plan, depth))
            for (const { text } of sentences) expect(text).not.toMatch(/undefined|NaN|[{}]/);
    }
  });

  it('may be one note', () => {
    for (const voices of [['E4/1'], ['F4/1'], ['-/2 C4/2']]) {
      const plan = planPiece(exampleScore({ voices, tempo: 90 }));
      for (const density of DENSITIES) expect(markedPage(plan, density).reads).toBe(true);
      for (const depth of DEPTHS) expect(() => walkThrough(wordingIn('en'), plan, depth)).not.toThrow();
    }
  });
});
