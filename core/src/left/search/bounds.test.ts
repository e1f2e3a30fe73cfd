import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { EMPTY_FINGERING } from '../../fingering/fingering.ts';
import { STANDARD_GUITAR } from '../../instrument/guitar.ts';
import { clockOf } from '../../score/clock.ts';
import { exampleScore } from '../../testing/planning.ts';
import { cutsHeld } from './conflicts.ts';
import { LEFT_SCHOOLS } from '../../fingering/vocabulary.ts';
import { leftCosts } from '../hand/schools.ts';
import { handOf, neckTables } from '../hand/hand.ts';
import { momentsOf } from '../moments/moments.ts';
import { planLeft, type SolvedLeft } from '../plan-left.ts';
import type { LeftSetup } from '../left-plan.ts';
import { stepTables } from './step-tables.ts';
import { Stepper } from './step.ts';

const guitar = { ...STANDARD_GUITAR, frets: 9 };
const pitch = fc.constantFrom('C3', 'E3', 'G3', 'A3', 'B3', 'D4', 'F4', 'G#4', 'A4');
const length = fc.constantFrom('8', '4', '4.', '2');
const token = fc.oneof(
  { weight: 6, arbitrary: fc.tuple(pitch, length).map(([name, each]) => `${name}/${each}`) },
  { weight: 2, arbitrary: length.map((each) => `D3+A3+F4/${each}`) },
  { weight: 1, arbitrary: length.map((each) => `-/${each}`) },
);
const voices = fc
  .tuple(fc.array(token, { minLength: 3, maxLength: 6 }), fc.constantFrom('F2/1', 'A2/2 G2/2', 'B2/1'))
  .map(([melody, bass]) => [melody.join(' '), bass]);

/** Every state of every layer with every option and position: what the bounds said, and what the step then cost. */
const eachStep = (
  plan: SolvedLeft,
  setup: LeftSetup,
  visit: (step: {
    readonly bound: number;
    readonly cost: number;
    readonly cuts: number;
    readonly surelyCuts: boolean;
    readonly mayStay: boolean;
    readonly isSaidToStay: boolean;
  }) => void,
): void => {
  const { piece, tables } = plan.memory;
  const { hand } = setup;
  const costs = leftCosts(setup.school);
  const neck = neckTables(setup.guitar);
  const { sounds } = momentsOf(piece, EMPTY_FINGERING, hand, neck);
  const stepper = new Stepper(costs, stepTables(costs, hand, neck), sounds);
  tables.moments.slice(1).forEach((moment, index) => {
    const layer = tables.layers[index]!;
    stepper.prepare(layer, moment);
    // Some states are enough: a layer holds many that are alike.
    for (let state = 0; state < layer.count; state += 1 + Math.floor(layer.count / 12))
      for (let option = 0; option < moment.options.count; option += 1) {
        if (stepper.isOpen(option)) continue;
        const homes = stepper.homesOf(option);
        const stays = stepper.staysOf(state, option);
        const from = stepper.positionOf(state);
        for (let position = 1; position < 12; position += 1) {
          const isHome = ((homes >> position) & 1) === 1;
          if (!isHome && position !== from) continue;
          const bound =
            stepper.bounds.struck(option, position) + stepper.bounds.movement(state, option, position);
          const surelyCuts = cutsHeld(stepper.leaving, moment.options, state, option);
          const shared = stepper.frame(state, option, position);
          const isSaidToStay = isHome || ((stays >> position) & 1) === 1;
          visit({
            bound,
            cost: shared + stepper.costFrom(state),
            cuts: stepper.cuts,
            surelyCuts,
            mayStay: stepper.mayStay(),
            isSaidToStay,
          });
        }
      }
  });
};

describe('what is known of a step before it is framed', () => {
  it('never says too much: bounds lie below the cost, sure cuts cut, and a hand that may stay is let stay', () => {
    let steps = 0;
    let tight = 0;
    let cutting = 0;
    fc.assert(
      fc.property(
        voices,
        fc.constantFrom(...LEFT_SCHOOLS),
        fc.constantFrom(50, 160),
        (each, school, tempo) => {
          const setup: LeftSetup = { guitar, hand: handOf('medium'), school };
          const score = exampleScore({ voices: each });
          const plan = planLeft(score, EMPTY_FINGERING, setup, clockOf(score, tempo));
          eachStep(plan, setup, ({ bound, cost, cuts, surelyCuts, mayStay, isSaidToStay }) => {
            steps += 1;
            expect(bound).toBeLessThanOrEqual(cost + 1e-9);
            if (cost - bound < 0.5) tight += 1;
            if (surelyCuts) {
              cutting += 1;
              expect(cuts).toBeGreaterThan(0);
            }
            if (mayStay) expect(isSaidToStay).toBe(true);
          });
        },
      ),
      { numRuns: 40 },
    );
    // The checks have met what they are for.
    expect(steps).toBeGreaterThan(5000);
    expect(tight).toBeGreaterThan(steps / 20);
    expect(cutting).toBeGreaterThan(steps / 30);
  }, 60_000);
});
