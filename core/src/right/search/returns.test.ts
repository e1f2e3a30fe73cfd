import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { EMPTY_FINGERING } from '../../fingering/fingering.ts';
import { exampleMeter } from '../../testing/notation.ts';
import { exampleScore } from '../../testing/planning.ts';
import { planPiece } from '../../plan/plan.ts';
import type { PluckEvent } from '../events/events.ts';
import { pluckPrices } from './prices.ts';
import { searchPlucks, type RightTables } from './search.ts';

/** Events that all came after other times, which no cost asks for: none is a return of another. */
const asStrangers = (events: readonly PluckEvent[]): readonly PluckEvent[] =>
  events.map((event, index) => ({ ...event, secondsBefore: 1 + index }));

const plain = ({ layers }: RightTables) =>
  layers.map(({ cost, option, parent, state }) => [cost, state, parent, option].map(String));

/** The shares of the layers that are told by others: they have their ways in common with them. */
const toldBy = ({ layers }: RightTables): number =>
  1 - new Set(layers.map(({ option }) => option)).size / layers.length;

const pitch = fc.constantFrom('G3', 'A3', 'B3', 'C4', 'D4', 'E4', 'G4');
const bar = fc.tuple(fc.array(pitch, { minLength: 6, maxLength: 6 }), fc.constantFrom('E2', 'A2', 'D3'));

const eventsOf = (notes: readonly string[], bass: string): readonly PluckEvent[] => {
  const tune = notes.map((name) => `${name}/8`).join(' ');
  const voices = [tune, `${bass}/2.`].map((voice) => Array.from({ length: 6 }, () => voice).join(' | '));
  return planPiece(exampleScore({ meter: exampleMeter('3/4'), voices }), EMPTY_FINGERING).right.events;
};

describe('events that come back', () => {
  it('have the states, ways and prices that working them out would give', () => {
    fc.assert(
      fc.property(bar, ([notes, bass]) => {
        const events = eventsOf(notes, bass);
        const [returned, anew] = [searchPlucks(events), searchPlucks(asStrangers(events))];
        expect(plain(returned)).toEqual(plain(anew));
        const [prices, others] = [returned, anew].map((tables) => pluckPrices(tables, 100)) as [
          ReturnType<typeof pluckPrices>,
          ReturnType<typeof pluckPrices>,
        ];
        prices.forEach((ways, sound) => {
          expect(ways.map(({ pluck }) => pluck)).toEqual(others[sound]!.map(({ pluck }) => pluck));
          ways.forEach(({ price }, place) => expect(price).toBeCloseTo(others[sound]![place]!.price, 7));
        });
      }),
      // Two ways that cost the same, and came in another order by the noise of sums.
      { numRuns: 25, examples: [[[['C4', 'B3', 'G4', 'G4', 'B3', 'B3'], 'E2']]] },
    );
  }, 120_000);

  it('are not worked out again', () => {
    const events = eventsOf(['C4', 'E4', 'G4', 'E4', 'C4', 'E4'], 'A2');
    expect(toldBy(searchPlucks(events))).toBeGreaterThan(0.3);
    expect(toldBy(searchPlucks(asStrangers(events)))).toBe(0);
  });
});
