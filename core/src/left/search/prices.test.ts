import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { EMPTY_FINGERING, type Fingering } from '../../fingering/fingering.ts';
import { LEFT_FINGERS } from '../../fingering/vocabulary.ts';
import { placesOf, STANDARD_GUITAR, type StringNumber } from '../../instrument/guitar.ts';
import { clockOf } from '../../score/clock.ts';
import type { Score } from '../../score/score.ts';
import { exampleScore } from '../../testing/planning.ts';
import { handOf } from '../hand/hand.ts';
import { planLeft, type SolvedLeft } from '../plan-left.ts';
import type { LeftSetup } from '../left-plan.ts';
import { PRICE_LIMIT } from './prices.ts';

const setup: LeftSetup = { guitar: STANDARD_GUITAR, hand: handOf('medium'), school: 'balanced' };
const TOLERANCE = 1e-6;
/** The search keeps a window, not everything: runs are repeatable so that a find can be looked into. */
const SEED = 20261124;

interface Way {
  readonly string: number;
  readonly finger: number;
}

/** What the whole piece costs more when one sound is taken in one way, by solving it anew. */
const solvedPrice = (score: Score, plan: SolvedLeft, sound: number, { string, finger }: Way): number => {
  const { id } = score.notes[plan.sounds[sound]!.head]!;
  const choice = { string: string as StringNumber, finger: finger as 0 | 1 | 2 | 3 | 4 };
  const fingering: Fingering = { ...EMPTY_FINGERING, choices: new Map([[id, choice]]) };
  const solved = planLeft(score, fingering, setup, plan.memory.clock);
  return solved.brokenLocks.length > 0 ? Infinity : solved.cost - plan.cost;
};

const waysFor = (midi: number): Way[] =>
  placesOf(STANDARD_GUITAR, midi as never).flatMap(({ string, fret }) =>
    LEFT_FINGERS.filter((finger) => (finger === 0) === (fret === 0)).map((finger) => ({ string, finger })),
  );

const check = (voices: readonly string[]): void => {
  const score = exampleScore({ voices });
  const plan = planLeft(score, EMPTY_FINGERING, setup, clockOf(score, 90));
  // Where notes have to be left out or cut anyway, a lock may leave out or cut them elsewhere: nothing to compare.
  if (plan.unplayable.length > 0 || plan.cut.length > 0) return;
  const prices = plan.memory.prices;
  for (const { index, midi } of plan.sounds)
    for (const way of waysFor(midi)) {
      const listed = prices[index]!.find(
        ({ string, finger }) => string === way.string && finger === way.finger,
      );
      const solved = solvedPrice(score, plan, index, way);
      if (listed) expect(listed.price).toBeCloseTo(solved, 6);
      else expect(solved).toBeGreaterThan(PRICE_LIMIT - TOLERANCE);
    }
};

const pitch = fc.constantFrom('E2', 'A2', 'C3', 'D3', 'F3', 'A3', 'B3', 'C4', 'E4', 'F#4', 'G4', 'A4', 'C5');
const low = fc.constantFrom('E2', 'G2', 'A2', 'C3', 'D3');
const line = fc
  .array(fc.tuple(pitch, fc.constantFrom('4', '8', '16')), { minLength: 2, maxLength: 7 })
  .map((notes) => notes.map(([name, length]) => `${name}/${length}`).join(' '));

describe('the price of a choice', () => {
  // The only proof of a price is to solve the piece again under it.
  it('is what solving the piece under it costs more, in random lines', () => {
    fc.assert(
      fc.property(line, (voice) => check([voice])),
      { numRuns: 20, seed: SEED },
    );
  }, 120_000);

  it('is so in two voices, where held notes bind the hand', () => {
    fc.assert(
      fc.property(line, low, (voice, bass) => check([voice, `${bass}/1.`])),
      { numRuns: 8, seed: SEED },
    );
  }, 120_000);

  it('is so in a ringing arpeggio', () => {
    check(['-/8 A3/8 C4/8 E4/8 C4/8 A3/8', 'A2/2.']);
    check(['-/8 D4/8 F#4/8 A4/8 F#4/8 D4/8', 'D3/2.']);
  }, 120_000);

  it('is nothing for what the plan takes, and the cheapest comes first', () => {
    const score = exampleScore({ voices: ['C4/4 E4/4 G4/4 C5/4', 'C3/1'] });
    const plan = planLeft(score, EMPTY_FINGERING, setup, clockOf(score, 90));
    plan.memory.prices.forEach((ways, sound) => {
      const { string, finger } = plan.choices[sound]!;
      expect(ways[0]!.price).toBeCloseTo(0, 9);
      expect(ways.find((way) => way.string === string && way.finger === finger)!.price).toBeCloseTo(0, 9);
    });
  });
});
