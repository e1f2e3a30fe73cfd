import { createRequire } from 'node:module';
import loadHighs, { type Highs } from 'highs';
import { EMPTY_FINGERING, type Fingering } from '../src/fingering/fingering.ts';
import type { RuleId } from '../src/fingering/rules.ts';
import { STANDARD_GUITAR } from '../src/instrument/guitar.ts';
import { leftCosts } from '../src/left/hand/schools.ts';
import { handOf, neckTables } from '../src/left/hand/hand.ts';
import type { LeftSetup } from '../src/left/left-plan.ts';
import { planLeft } from '../src/left/plan-left.ts';
import { clockOf } from '../src/score/clock.ts';
import { exampleScore } from '../src/testing/planning.ts';
import { lineProgram } from './integer-program.ts';

let highs: Promise<Highs> | undefined;
/** The optimiser, loaded once. */
export const optimiser = (): Promise<Highs> => {
  const path = createRequire(import.meta.url).resolve('highs/runtime');
  highs ??= loadHighs({ locateFile: () => path });
  return highs;
};

/** Strings ① to ③. */
const TREBLES = 3;
/** Costs below this are one and the same: the optimiser keeps each row to 1e-6. */
const TOLERANCE = 1e-4;

/**
 * The least value of a program, and the ms it took. `found` is the cost of a solution that is known. The presolve of
 * HiGHS (npm `highs` 1.15) has been seen to lose the optimum of small programs: where it ends above what is known, the
 * program is solved again without it.
 */
export const solveProgram = async (
  program: string,
  found = Infinity,
): Promise<{ readonly value: number; readonly ms: number }> => {
  const solver = await optimiser();
  const started = performance.now();
  const solve = (presolve: 'choose' | 'off'): number => {
    const solution = solver.solve(program, {
      output_flag: false,
      mip_rel_gap: 0,
      mip_abs_gap: 1e-9,
      presolve,
    });
    if (solution.Status !== 'Optimal') throw new Error(`the optimiser ended with ${solution.Status}`);
    return solution.ObjectiveValue;
  };
  const value = solve('choose');
  const ms = performance.now() - started;
  return { value: value > found + TOLERANCE ? solve('off') : value, ms };
};

/** The optimum of both sides for one line, with the ms that each took. */
export interface LineComparison {
  readonly planner: number;
  readonly optimiser: number;
  readonly plannerMs: number;
  readonly optimiserMs: number;
}

const setup: LeftSetup = { guitar: STANDARD_GUITAR, hand: handOf('medium'), school: 'balanced' };
/** Nothing open and nothing ringing: the terms the integer program has. */
const REDUCED: Fingering = {
  ...EMPTY_FINGERING,
  rules: new Map([
    ['stopped' as RuleId, { kind: 'stopped' as const, from: 0, to: 999 }],
    ['written' as RuleId, { kind: 'ringing' as const, from: 0, to: 999, rings: false }],
  ]),
};

/** Solves one line, given in the example notation, with the planner and with the general-purpose optimiser. */
export const compareLine = async (voice: string, tempo = 90): Promise<LineComparison> => {
  const score = exampleScore({ voices: [voice] });
  const clock = clockOf(score, tempo);
  const started = performance.now();
  const plan = planLeft(score, REDUCED, setup, clock);
  const plannerMs = performance.now() - started;
  const { piece } = plan.memory;
  const notes = piece.slices.map(({ struck, secondsBefore }, index) => ({
    places: piece.places[struck[0]!]!.filter((place) => place.fret > 0),
    hasOpenBass: piece.places[struck[0]!]!.some(({ fret, string }) => fret === 0 && string > TREBLES),
    secondsBefore,
    beatsBefore: piece.beatsBefore[index]!,
    isOpening: piece.isOpening[index]!,
    isTuneBeyondFirst: piece.isTuneBeyondFirst[index]!,
    rise:
      index === 0
        ? 0
        : piece.sounds[struck[0]!]!.midi - piece.sounds[piece.slices[index - 1]!.struck[0]!]!.midi,
  }));
  const program = lineProgram(notes, leftCosts(setup.school), neckTables(setup.guitar));
  const { value, ms } = await solveProgram(program, plan.cost);
  return { planner: plan.cost, optimiser: value, plannerMs, optimiserMs: ms };
};
