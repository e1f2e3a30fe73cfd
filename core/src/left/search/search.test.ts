import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { EMPTY_FINGERING, type Fingering } from '../../fingering/fingering.ts';
import { STANDARD_GUITAR } from '../../instrument/guitar.ts';
import { clockOf } from '../../score/clock.ts';
import type { Score } from '../../score/score.ts';
import { decide, exampleScore } from '../../testing/planning.ts';
import { handOf } from '../hand/hand.ts';
import { gripProblem } from '../hand/grip.ts';
import { neckTables } from '../hand/hand.ts';
import { StateTable, type Layer } from './layer.ts';
import type { Moment } from '../moments/ways-at-moment.ts';
import { leftStepper, planLeft } from '../plan-left.ts';
import type { LeftSetup } from '../left-plan.ts';
import type { Stepper } from './step.ts';

/** A short neck keeps the number of ways small enough to try them all. */
const setup: LeftSetup = {
  guitar: { ...STANDARD_GUITAR, frets: 7 },
  hand: handOf('medium'),
  school: 'balanced',
};

const POSITIONS = Array.from({ length: 30 }, (_, index) => index + 1);

/** A layer with the one state that a step led to. */
const only = (position: number, slots: ArrayLike<number>): Layer => {
  const table = new StateTable();
  table.offer(position, slots, 0, 0, 0, 0);
  return table.layer([0]);
};

/** The cheapest of all ways, each followed to its end on its own: no states are merged and none are left out. */
const bruteForce = (
  stepper: Stepper,
  moments: readonly Moment[],
  index: number,
  before: Layer | undefined,
  reached: number,
  best: number,
): number => {
  const moment = moments[index];
  if (!moment) return Math.min(best, reached);
  stepper.prepare(before, moment);
  const from = stepper.positionOf(0);
  const ways: { cost: number; cuts: number; next: Layer }[] = [];
  for (let option = 0; option < moment.options.count; option += 1) {
    const isHome = (position: number) => ((stepper.homesOf(option) >> position) & 1) === 1;
    const positions = stepper.isOpen(option)
      ? [from]
      : POSITIONS.filter((position) => isHome(position) || position === from);
    for (const position of positions) {
      const shared = stepper.frame(0, option, position);
      const { cuts } = stepper;
      const cost = shared + stepper.costFrom(0);
      if (cost === Infinity) continue;
      stepper.settle(0);
      ways.push({ cost, cuts, next: only(position, stepper.next) });
    }
  }
  const keeping = ways.filter((way) => way.cuts === 0);
  let least = best;
  for (const { cost, next } of keeping.length > 0 ? keeping : ways)
    if (reached + cost < least) least = bruteForce(stepper, moments, index + 1, next, reached + cost, least);
  return least;
};

const pitch = fc.constantFrom(
  'E2',
  'G2',
  'A2',
  'C3',
  'D3',
  'F3',
  'G#3',
  'A3',
  'B3',
  'C4',
  'D4',
  'F#4',
  'G4',
  'A4',
);
const low = fc.constantFrom('E2', 'F2', 'G2', 'A2', 'B2', 'C3', 'D3');
const melody = fc.array(fc.tuple(pitch, fc.constantFrom('4', '8', '8.')), { minLength: 2, maxLength: 4 });
const voices = fc.oneof(
  melody.map((notes) => [notes.map(([name, length]) => `${name}/${length}`).join(' ')]),
  fc
    .tuple(melody, low)
    .map(([notes, bass]) => [notes.map(([name, length]) => `${name}/${length}`).join(' '), `${bass}/2.`]),
);

const compare = (score: Score, fingering: Fingering): void => {
  const clock = clockOf(score, 100);
  const plan = planLeft(score, fingering, setup, clock);
  const { moments } = plan.memory.tables;
  const stepper = leftStepper(score, fingering, setup, clock);
  expect(plan.cost).toBeCloseTo(bruteForce(stepper, moments, 0, undefined, 0, plan.cost + 1e-6), 6);
};

describe('the search', () => {
  it('finds what trying every way finds, on random music of one and two voices', () => {
    fc.assert(
      fc.property(voices, (each) => compare(exampleScore({ voices: each }), EMPTY_FINGERING)),
      { numRuns: 60 },
    );
  }, 120_000);

  it('finds it under locks too', () => {
    const score = exampleScore({ voices: ['C4/4 E4/4 D4/8 F4/8', 'A2/2.'] });
    compare(score, decide(score, ['D4', 0, { finger: 4 }]));
    compare(score, decide(score, ['E4', 0, { string: 2 }], ['C4', 0, { finger: 2 }]));
  });

  it('leaves out nothing that could still win: with and without its window the cost is the same', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(pitch, fc.constantFrom('4', '8')), { minLength: 8, maxLength: 14 }),
        low,
        (notes, bass) => {
          const score = exampleScore({
            voices: [notes.map(([name, length]) => `${name}/${length}`).join(' '), `${bass}/1`],
          });
          const clock = clockOf(score, 100);
          const windowed = planLeft(score, EMPTY_FINGERING, setup, clock);
          const whole = planLeft(score, EMPTY_FINGERING, setup, clock, {
            budget: { window: Infinity, windowInPosition: Infinity, maxStates: 1e6 },
          });
          expect(windowed.cost).toBeCloseTo(whole.cost, 6);
        },
      ),
      { numRuns: 15 },
    );
  }, 120_000);

  it('never places an impossible grip', () => {
    const neck = neckTables(setup.guitar);
    fc.assert(
      fc.property(voices, (each) => {
        const score = exampleScore({ voices: each });
        const plan = planLeft(score, EMPTY_FINGERING, setup, clockOf(score, 100));
        for (const { lying } of plan.hands) {
          const sounding = lying.filter((one) => one.sounding);
          expect(gripProblem(sounding as never, setup.hand, neck)).toBeUndefined();
        }
      }),
      { numRuns: 60 },
    );
  });

  it('goes on from an earlier plan to the same result as from the start', () => {
    const score = exampleScore({
      voices: [
        'C4/4 D4/4 E4/4 F4/4 | G4/4 F4/4 E4/4 D4/4 | C4/4 E4/4 G4/4 E4/4 | C4/1',
        'C3/1 | G2/1 | C3/1 | C3/1',
      ],
    });
    const clock = clockOf(score, 100);
    const first = planLeft(score, EMPTY_FINGERING, setup, clock);
    let memory = first.memory;
    for (const [name, at, choice] of [
      ['F4', 0, { finger: 4 }],
      ['E4', 1, { string: 2 }],
      ['F4', 0, {}],
    ] as const) {
      const fingering = decide(score, [name, at, choice]);
      const continued = planLeft(score, fingering, setup, clock, { memory });
      const fresh = planLeft(score, fingering, setup, clock);
      expect(continued.cost).toBeCloseTo(fresh.cost, 9);
      expect(continued.choices.map((each) => [each?.string, each?.finger])).toEqual(
        fresh.choices.map((each) => [each?.string, each?.finger]),
      );
      memory = continued.memory;
    }
    expect(
      planLeft(score, EMPTY_FINGERING, setup, clock, { memory: first.memory }).memory.tables.computed,
    ).toBe(0);
  });
});
