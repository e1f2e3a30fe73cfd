import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { EMPTY_FINGERING } from '../../fingering/fingering.ts';
import { STANDARD_GUITAR } from '../../instrument/guitar.ts';
import { clockOf } from '../../score/clock.ts';
import { exampleScore } from '../../testing/planning.ts';
import { handOf } from '../hand/hand.ts';
import type { LeftSetup } from '../left-plan.ts';
import type { Moment } from '../moments/ways-at-moment.ts';
import { leftStepper, planLeft } from '../plan-left.ts';
import { accountsOf } from './accounts.ts';
import { pricesOf } from './prices.ts';
import { bestPath, search, type SearchTables } from './search.ts';

const setup: LeftSetup = { guitar: STANDARD_GUITAR, hand: handOf('medium'), school: 'balanced' };

/** Moments are returns of others only where they share their ways: with ways of its own, every one is worked out. */
const asStrangers = (moments: readonly Moment[]): readonly Moment[] =>
  moments.map((moment) => ({ ...moment, options: { ...moment.options } }));

const plain = ({ layers }: SearchTables) =>
  layers.map(({ cost, option, parent, position, slots }) =>
    [cost, slots, position, parent, option].map(String),
  );

/** A phrase of two voices that is played so many times, and the search for it with returns and without. */
const searched = (tune: string, bass: string, times: number, tempo = 100) => {
  const voices = [tune, bass].map((voice) => Array.from({ length: times }, () => voice).join(' | '));
  const score = exampleScore({ voices });
  const clock = clockOf(score, tempo);
  const { moments } = planLeft(score, EMPTY_FINGERING, setup, clock).memory.tables;
  const stepper = leftStepper(score, EMPTY_FINGERING, setup, clock);
  const priced = (tables: SearchTables) => {
    const path = bestPath(tables);
    const accounts = accountsOf(stepper, tables, path);
    return pricesOf(stepper, { tables, path, accounts }, stepper.sounds.end.length);
  };
  const returned = search(stepper, moments);
  const anew = search(stepper, asStrangers(moments));
  return { returned, anew, prices: [priced(returned), priced(anew)] as const };
};

const pitch = fc.constantFrom('G3', 'A3', 'B3', 'C4', 'D4', 'E4', 'F#4', 'G4', 'A4', 'B4', 'C5');
const low = fc.constantFrom('E2', 'G2', 'A2', 'C3', 'D3', 'F#3');
const phrase = fc.tuple(
  fc.array(pitch, { minLength: 8, maxLength: 8 }),
  fc.array(low, { minLength: 2, maxLength: 2 }),
);

describe('moments that come back', () => {
  it('have the states, ways and prices that working them out would give', () => {
    fc.assert(
      fc.property(phrase, (notes) => {
        const [tune, bass] = notes;
        const { anew, prices, returned } = searched(
          tune.map((name) => `${name}/8`).join(' '),
          bass.map((name) => `${name}/2`).join(' '),
          5,
        );
        expect(plain(returned)).toEqual(plain(anew));
        expect(prices[0].map((ways) => ways.length)).toEqual(prices[1].map((ways) => ways.length));
        prices[0].forEach((ways, sound) =>
          ways.forEach((way, place) => {
            expect(way).toMatchObject({ ...prices[1][sound]![place]!, price: expect.any(Number) as number });
            expect(way.price).toBeCloseTo(prices[1][sound]![place]!.price, 7);
          }),
        );
      }),
      { numRuns: 12 },
    );
  }, 120_000);

  // Most tempi make no stretch of time a round number.
  it.each([84, 100, 112])('are not worked out again at %i quarters a minute', (tempo) => {
    const { anew, returned } = searched('C4/8 E4/8 D4/8 F4/8 E4/4 G4/4', 'C3/2 G2/2', 24, tempo);
    expect(anew.computed).toBe(anew.moments.length);
    expect(returned.computed).toBeLessThan(anew.computed / 2);
  });

  it('are worked out where a note lasts longer the second time', () => {
    const bars = [
      'C4/8 E4/8 D4/8 F4/8 E4/4 G4/4',
      'C4/8 E4/8 D4/8 F4/8 E4/4 G4/4',
      'C4/8 E4/8 D4/8 F4/8 E4/2',
    ];
    const score = exampleScore({ voices: [bars.join(' | '), 'C3/2 G2/2 | C3/2 G2/2 | C3/1'] });
    const clock = clockOf(score, 100);
    const { moments } = planLeft(score, EMPTY_FINGERING, setup, clock).memory.tables;
    const stepper = leftStepper(score, EMPTY_FINGERING, setup, clock);
    expect(plain(search(stepper, moments))).toEqual(plain(search(stepper, asStrangers(moments))));
  });
});
