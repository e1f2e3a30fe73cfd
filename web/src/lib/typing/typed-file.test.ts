import { buildScore, readMusicXml, writeNewMusicXml } from '@oculon/core';
import fc from 'fast-check';
import { expect, it } from 'vitest';
import { typedIn, withTyped } from './typed-file.ts';
import { typedPiece } from './typed-piece.ts';

const TEXT = 'X:1\nT:Air & <Weir>\nM:3/4\nL:1/4\nK:C\nC D E | F3 |]\n';

it('a file carries the text it was typed as, and is read like any other', () => {
  for (const composer of ['', 'C:M. O.\n']) {
    const text = TEXT.replace('M:3/4', `${composer}M:3/4`);
    const xml = withTyped(writeNewMusicXml(buildScore(typedPiece(text).draft!)), text);
    expect(typedIn(xml)).toBe(text);
    const read = readMusicXml(xml);
    expect(read.ok && read.value.score.title).toBe('Air & <Weir>');
    expect(read.ok && read.value.repairs).toEqual([]);
  }
  expect(typedIn(writeNewMusicXml(buildScore(typedPiece(TEXT).draft!)))).toBeUndefined();
});

it('any text that can be written comes back as it was', () => {
  const xml = writeNewMusicXml(buildScore(typedPiece(TEXT).draft!));
  const texts = fc.string({ unit: 'grapheme' }).filter((text) => !/\p{Cc}/u.test(text));
  fc.assert(
    fc.property(texts, (text) => {
      expect(typedIn(withTyped(xml, text))).toBe(text);
    }),
  );
  expect(typedIn(withTyped(xml, 'a\u0000b\nc'))).toBe('ab\nc');
});
