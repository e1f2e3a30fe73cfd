import { describe, expect, it } from 'vitest';
import { EMPTY_FINGERING } from '../fingering/fingering.ts';
import type { StringNumber } from '../instrument/guitar.ts';
import { planLeft } from '../left/plan-left.ts';
import { decide, exampleScore } from '../testing/planning.ts';
import { choicesFor, nearTies } from './choices.ts';
import { planPiece, setupFor } from './plan.ts';

const MOTIVE = 'C4/8 E4/8 D4/8 F4/8 E4/8 D4/8 C4/8 D4/8';
const score = exampleScore({ voices: [`${MOTIVE} | E4/4 G4/4 F4/4 E4/4 | ${MOTIVE}`] });
const setup = setupFor(score);

describe('the ways of a note', () => {
  it('are all there in a bar that comes back, though its fingering follows the first', () => {
    const fingering = decide(score, ['D4', 0, { finger: 4 }]);
    const plan = planPiece(score, fingering, setup);
    const later = score.notes.filter((note) => note.bar === 2)[2]!;
    expect(plan.notes[later.index]!.finger).toBe(4);
    const { ways } = choicesFor(plan, later.index);
    expect(new Set(ways.map((way) => way.finger)).size).toBeGreaterThan(2);
  });

  it('cost what solving the piece without likeness under them costs more', () => {
    const plan = planPiece(score, EMPTY_FINGERING, setup);
    const { ways } = choicesFor(plan, 2);
    const { clock, leftSetup } = plan.memory;
    for (const { string, finger, price } of ways) {
      const choice = { string: string as StringNumber, finger };
      const choices = new Map([[score.notes[2]!.id, choice]]);
      const solved = planLeft(score, { ...EMPTY_FINGERING, choices }, leftSetup, clock);
      const free = planLeft(score, EMPTY_FINGERING, leftSetup, clock);
      expect(price).toBeCloseTo(solved.cost - free.cost, 6);
    }
  });

  it('are there for a decided note, counted from leaving it to the planner', () => {
    const free = planPiece(score, EMPTY_FINGERING, setup);
    const decided = planPiece(score, decide(score, ['D4', 0, { finger: 4 }]), setup);
    expect(choicesFor(decided, 2).ways).toEqual(choicesFor(free, 2).ways);
  });

  it('are near ties in a likened bar where they are in the first', () => {
    const thirds = 'D4+F4/4 C4+E4/4 D4+F4/4 C4+E4/4';
    const piece = exampleScore({ voices: [`${thirds} | E4/1 | ${thirds}`] });
    const plan = planPiece(piece, decide(piece, ['D4', 0, { finger: 4 }]), setupFor(piece));
    const ties = nearTies(plan);
    const start = (bar: number) => piece.notes.findIndex((note) => note.bar === bar);
    const inBar = (bar: number) =>
      ties.filter((note) => piece.notes[note]!.bar === bar).map((note) => note - start(bar));
    expect(inBar(0).length).toBeGreaterThan(0);
    expect(inBar(2)).toEqual(inBar(0));
  });
});
