import { findingSaid } from '../../src/testing/words.ts';
import { describe, expect, it } from 'vitest';
import { readMusicXml } from '../../src/formats/musicxml/read.ts';
import { pitchName, sharpSpelling } from '../../src/music/pitch.ts';
import { planPiece } from '../../src/plan/plan.ts';
import { at, guitarXml, noteXml, notes, OCTAVE_CLEF } from '../../src/testing/files.ts';
import { mutatedFile } from './mutate.ts';
import { tryFile } from './try-file.ts';

/** What mutated files have found, each as small as it gets. */
describe('found by mutated files', () => {
  it.each([
    [19, 1, false],
    [28, 1, false],
    [50, 0, false],
    [30, 1, true],
  ])(
    '%d notes at once are told to be more than a hand plays, at once',
    (count, step, withPlaces) => {
      const chord = Array.from({ length: count }, (_, index) => {
        const pitch = pitchName(sharpSpelling(45 + index * step));
        return withPlaces
          ? at(pitch, 1 + (index % 6), 3, { chord: index > 0 })
          : noteXml({ pitch, chord: index > 0 });
      }).join('');
      const read = readMusicXml(guitarXml(OCTAVE_CLEF, notes('E4', 'F4') + chord + notes('G4')));
      if (!read.ok) throw new Error(read.error.code);
      const { findings } = planPiece(read.value.score);
      const unplayable = findings.filter(({ code }) => code === 'unplayable-note');
      if (step > 0)
        expect(findingSaid(unplayable[0]!)).toMatch(/more notes are struck at once than there are strings/);
      expect(unplayable.every(({ bar }) => bar === 0)).toBe(true);
    },
    5000,
  );

  it('the same seed is the same file', () => {
    for (const seed of [1, 2, 3]) expect(mutatedFile(seed)).toEqual(mutatedFile(seed));
  });

  it('a handful of them is read, planned and written, or refused with a message', () => {
    const outcomes = Array.from({ length: 120 }, (_, seed) => tryFile(mutatedFile(seed + 1)));
    expect(new Set(outcomes)).toEqual(new Set(['planned', 'refused']));
  });
});
