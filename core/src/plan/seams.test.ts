import { describe, expect, it } from 'vitest';
import { EMPTY_FINGERING, type Choice } from '../fingering/fingering.ts';
import type { NoteId } from '../score/score.ts';
import { exampleScore } from '../testing/planning.ts';
import { planPiece, setupFor, type Plan } from './plan.ts';

/** A tune that rises from G4, for which third position is the nearest on the page, and ends high. */
const voices = ['G4/2 B4/4 A4/4 | C5/4 B4/4 A4/4 C5/4 | D5/4 E5/4 F5/4 G5/4'];
const once = exampleScore({ voices, tempo: 120 });
const repeated = exampleScore({ voices, tempo: 120, repeats: [{ from: 1, to: 3 }] });
const taken = ({ notes }: Plan): readonly string[] =>
  notes.map(({ string, finger }) => `${string}/${finger}`);
/** Positions from the end of the piece back to its beginning. */
const wayBack = ({ left: { hands } }: Plan): number => Math.abs(hands.at(-1)!.position - hands[0]!.position);
const deciding = (id: NoteId, choice: Choice) => ({ ...EMPTY_FINGERING, choices: new Map([[id, choice]]) });

// Common practice, no published source: who repeats a section begins it where its end leaves the hand.
describe('what is repeated', () => {
  it('is fingered for the way back', () => {
    const [straight, back] = [planPiece(once), planPiece(repeated)];
    expect(wayBack(back)).toBeLessThan(wayBack(straight));
    expect(taken(back).slice(1)).toEqual(taken(straight).slice(1));
    // What it costs on the page is less than what it saves at every return.
    expect(back.left.cost).toBeGreaterThan(straight.left.cost);
  });

  it('stays as it is where the teacher has decided', () => {
    const straight = planPiece(once);
    const { string, finger } = straight.notes[0]!;
    const decided = planPiece(repeated, deciding(repeated.notes[0]!.id, { string, finger } as Choice));
    expect(taken(decided)).toEqual(taken(straight));
    expect(decided.notes[0]!.locked).toBe(true);
  });

  it('does not hang on what was planned before', () => {
    const setup = setupFor(repeated);
    const free = planPiece(repeated, EMPTY_FINGERING, setup);
    let { memory } = free;
    for (const { id, index } of repeated.notes) {
      if (!free.notes[index]!.finger) continue;
      const decided = deciding(id, { finger: free.notes[index]!.finger === 2 ? 3 : 2 });
      const again = planPiece(repeated, decided, setup, { memory });
      expect(taken(again)).toEqual(taken(planPiece(repeated, decided, setup)));
      memory = again.memory;
    }
    expect(taken(planPiece(repeated, EMPTY_FINGERING, setup, { memory }))).toEqual(taken(free));
  });
});
