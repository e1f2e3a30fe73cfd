import { describe, expect, it } from 'vitest';
import { EMPTY_FINGERING, type Choice } from '../fingering/fingering.ts';
import type { NoteId } from '../score/score.ts';
import { exampleScore } from '../testing/planning.ts';
import { planPiece, setupFor, type Plan } from './plan.ts';

/** A tune that begins in third position and ends where first position is as near on the page. */
const voices = ['G4/4 A4/4 A4/4 B4/4 | D5/4 B4/4 A4/4 F4/4 | E4/4 F4/4 G4/4 F4/4'];
const once = exampleScore({ voices, tempo: 120 });
const repeated = exampleScore({ voices, tempo: 120, repeats: [{ from: 1, to: 3 }] });
const taken = ({ notes }: Plan): readonly string[] =>
  notes.map(({ string, finger }) => `${string}/${finger}`);
const positionAtEnd = ({ left }: Plan): number => left.hands.at(-1)!.position;
const deciding = (id: NoteId, choice: Choice) => ({ ...EMPTY_FINGERING, choices: new Map([[id, choice]]) });

// Common practice, no published source: who repeats a section leaves its end in the position in which it begins.
describe('the end of what is repeated', () => {
  it('is fingered for the way back', () => {
    const [straight, back] = [planPiece(once), planPiece(repeated)];
    const start = back.left.hands[0]!.position;
    expect(Math.abs(positionAtEnd(straight) - start)).toBeGreaterThan(1);
    expect(positionAtEnd(back)).toBe(start);
    expect(back.jumps).toMatchObject([{ from: 2, to: 0, shift: undefined }]);
    // What it costs on the page is less than the shift it saves every time.
    expect(back.left.cost).toBeGreaterThan(straight.left.cost);
  });

  it('stays as it is where the teacher has decided', () => {
    const straight = planPiece(once);
    const last = repeated.notes.at(-1)!;
    const { string, finger } = straight.notes.at(-1)!;
    const decided = planPiece(repeated, deciding(last.id, { string, finger } as Choice));
    expect(taken(decided).at(-1)).toBe(taken(straight).at(-1));
    expect(decided.notes.at(-1)!.locked).toBe(true);
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
