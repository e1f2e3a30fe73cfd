import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { RIGHT_SCHOOLS, STROKE_FINGERS } from '../../fingering/vocabulary.ts';
import type { PluckEvent } from '../events/events.ts';
import { costOfPlucks } from '../cost-of-plucks.ts';
import { pluckPrices } from './prices.ts';
import { bestPlucks, RIGHT_PRICE_LIMIT, searchPlucks, type RightBudget } from './search.ts';

const choices = (count: number, from = 0): number[][] =>
  count === 0
    ? [[]]
    : [0, 1, 2, 3]
        .filter((rank) => rank >= from)
        .flatMap((rank) => choices(count - 1, rank + 1).map((rest) => [rank, ...rest]));

const event: fc.Arbitrary<PluckEvent> = fc
  .record({
    strings: fc.uniqueArray(fc.integer({ min: 1, max: 6 }), { minLength: 1, maxLength: 3 }),
    paceBefore: fc.constantFrom(0.1, 0.2, 0.35, 0.8),
    voice: fc.constantFrom('bass' as const, 'inner' as const, 'melody' as const, 'only' as const),
    isOverInner: fc.boolean(),
    isRepeated: fc.boolean(),
    isReturn: fc.boolean(),
    load: fc.constantFrom(1, 1.5, 2),
    school: fc.constantFrom(...RIGHT_SCHOOLS),
    isLineStart: fc.boolean(),
    cell: fc.constantFrom(undefined, 'arpeggio' as const, 'tremolo' as const),
    isAfterSlur: fc.boolean(),
    mayDoubleThumb: fc.boolean(),
    rank: fc.option(fc.nat(3)),
  })
  .map(({ strings, voice, isOverInner, isRepeated, isReturn, rank, ...rest }) => ({
    ...rest,
    secondsBefore: rest.paceBefore,
    slice: 0,
    bar: 0,
    onset: 0,
    brokenLocks: [],
    swept: [],
    wanted: rank === null ? undefined : { ranks: [rank], cost: 1 },
    notes: strings
      .sort((a, b) => b - a)
      .map((string, sound) => ({
        sound,
        string,
        voice,
        isOverInner,
        isRepeated,
        isReturn,
      })),
    options: choices(strings.length),
  }));

const plucks = (events: readonly PluckEvent[], budget?: RightBudget) =>
  bestPlucks(searchPlucks(events, undefined, budget));
const NOTHING_LEFT_OUT: RightBudget = { window: Infinity, slack: Infinity };

const everyWay = (events: readonly PluckEvent[]): number[][][] =>
  events.reduce<number[][][]>(
    (ways, each) => ways.flatMap((way) => each.options.map((option) => [...way, [...option]])),
    [[]],
  );

/** Sounds numbered through the events, as in a piece. */
const numbered = (events: readonly PluckEvent[]): readonly PluckEvent[] =>
  events.map((each, index) => ({
    ...each,
    notes: each.notes.map((note) => ({ ...note, sound: index * 6 + note.sound })),
  }));

describe('the search', () => {
  it('finds what trying every way finds', () => {
    fc.assert(
      fc.property(fc.array(event, { minLength: 1, maxLength: 5 }), (events) => {
        const least = Math.min(...everyWay(events).map((options) => costOfPlucks(events, options)));
        expect(costOfPlucks(events, plucks(events))).toBeCloseTo(least, 9);
      }),
      { numRuns: 120 },
    );
  });

  it('leaves out nothing that could still win: with and without its window the cost is the same', () => {
    fc.assert(
      fc.property(fc.array(event, { minLength: 10, maxLength: 30 }), (events) => {
        const windowed = costOfPlucks(events, plucks(events));
        expect(windowed).toBeCloseTo(costOfPlucks(events, plucks(events, NOTHING_LEFT_OUT)), 9);
      }),
      { numRuns: 30 },
    );
  });

  it('goes on from an earlier search to the same result as from the start', () => {
    fc.assert(
      fc.property(fc.array(event, { minLength: 6, maxLength: 20 }), event, fc.nat(), (events, other, at) => {
        const changed = events.with(at % events.length, other);
        const continued = bestPlucks(searchPlucks(changed, searchPlucks(events)));
        expect(costOfPlucks(changed, continued)).toBeCloseTo(costOfPlucks(changed, plucks(changed)), 9);
      }),
    );
  });

  it('never puts one finger on two notes of a chord, and ranks rise with the strings', () => {
    fc.assert(
      fc.property(fc.array(event, { minLength: 1, maxLength: 12 }), (events) => {
        for (const option of plucks(events))
          option.forEach((rank, index) => {
            if (index > 0) expect(rank).toBeGreaterThan(option[index - 1]!);
          });
      }),
    );
  });

  it('names for every finger what solving again with it costs, and leaves out only what is dearer', () => {
    fc.assert(
      fc.property(fc.array(event, { minLength: 2, maxLength: 9 }), fc.nat(), (made, at) => {
        const events = numbered(made);
        const index = at % events.length;
        const prices = pluckPrices(searchPlucks(events), events.length * 6);
        const best = costOfPlucks(events, plucks(events));
        events[index]!.notes.forEach(({ sound }, place) => {
          for (const rank of [0, 1, 2, 3]) {
            const options = events[index]!.options.filter((option) => option[place] === rank);
            if (options.length === 0) continue;
            const forced = events.with(index, { ...events[index]!, options });
            const price = costOfPlucks(forced, plucks(forced, NOTHING_LEFT_OUT)) - best;
            const listed = prices[sound]!.find(({ pluck }) => pluck === STROKE_FINGERS[rank]);
            if (listed) expect(listed.price).toBeCloseTo(price, 6);
            else expect(price).toBeGreaterThan(RIGHT_PRICE_LIMIT - 1e-6);
          }
        });
      }),
      { numRuns: 150 },
    );
  });

  it('strict i–m never repeats a finger in a quick line, and uses no other', () => {
    const quick = fc
      .tuple(
        event,
        fc.integer({ min: 1, max: 6 }),
        fc.constantFrom('strict-im' as const, 'strict-mi' as const),
      )
      .map(([each, string, school]) => ({
        ...each,
        school,
        paceBefore: 0.2,
        isAfterSlur: false,
        wanted: undefined,
        notes: [{ ...each.notes[0]!, string, voice: 'only' as const, isRepeated: false }],
        options: choices(1),
      }));
    fc.assert(
      fc.property(fc.array(quick, { minLength: 2, maxLength: 16 }), (events) => {
        const order = plucks(events).map(([rank]) => rank!);
        order.forEach((rank, index) => {
          expect([1, 2]).toContain(rank);
          if (index > 0) expect(rank).not.toBe(order[index - 1]);
        });
      }),
    );
  });
});
