import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { IS_WHOLE, PROGRAMS } from './programs.ts';
import { compareLine } from './solve-line.ts';

// HiGHS (npm `highs`), a general-purpose optimiser, on an integer program written from the notes and the cost table.
const pitch = fc.constantFrom(
  ...['F2', 'G2', 'Bb2', 'C3', 'Eb3', 'F3', 'F#3', 'A3', 'Bb3', 'C4', 'D4', 'F4', 'G4', 'A4', 'C5', 'D5'],
);
const note = fc.tuple(pitch, fc.constantFrom('4', '8', '16'));
const line = fc
  .array(note, { minLength: 2, maxLength: 4 })
  // A finger waits for a note that returns: no pitch comes twice.
  .filter((notes) => new Set(notes.map(([name]) => name)).size === notes.length);

/** Short tunes of our own without open strings. */
const TUNES = [
  'C4/8 D4/8 F4/8 G4/8',
  'F3/8 A3/8 C4/8 F4/8',
  'Bb3/4 C4/8 D4/8 Eb4/4',
  'A4/8 G4/8 F4/8 D4/8',
  'C5/16 Bb4/16 A4/16 G4/16',
  'F2/4 C3/4 F3/4',
  'G2/4 Bb2/8 C3/8 D4/4',
  'F4/4 C5/4 A4/4',
  'D4/8 F4/8 A4/8 D5/8',
  'Eb3/8 F3/8 G4/8 F4/8',
  'C4/4 C#4/4 D4/4 Eb4/4',
  'A4/8 C5/8 Bb4/8 G4/8',
  'F#3/8 A3/8 C#4/8 F#4/8',
  'Bb2/8 F3/8 Bb3/8 D4/8',
  'C3/4 Eb3/8 F3/8 Bb3/4',
  'G4/8 Eb4/8 C4/8 Bb3/8',
  'F4/16 G4/16 Ab4/16 Bb4/16',
  'D5/4 C5/8 A4/8 F4/4',
  'Ab3/8 C4/8 Eb4/8 Ab4/8',
  'C4/4 A4/4 F4/4 D4/4',
];

describe('the integer program of a line', () => {
  it(`has the optimum that the planner finds, on ${PROGRAMS} random lines`, async () => {
    await fc.assert(
      fc.asyncProperty(line, async (notes) => {
        const { planner, optimiser } = await compareLine(notes.map((each) => each.join('/')).join(' '));
        expect(planner).toBeCloseTo(optimiser, 6);
      }),
      { numRuns: PROGRAMS },
    );
  }, 240_000);

  it('has it on musical lines: all 20 with `npm run evaluate`, five here', async () => {
    for (const tune of TUNES.slice(0, IS_WHOLE ? TUNES.length : 5)) {
      const { planner, optimiser } = await compareLine(tune, 100);
      expect(planner).toBeCloseTo(optimiser, 6);
    }
  }, 120_000);
});
