import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { PROGRAMS } from './programs.ts';
import { RIGHT_COSTS } from '../src/right/search/costs.ts';
import type { PluckEvent } from '../src/right/events/events.ts';
import { costOfPlucks } from '../src/right/cost-of-plucks.ts';
import { bestPlucks, searchPlucks } from '../src/right/search/search.ts';
import { pluckProgram, type SinglePluck } from './right-program.ts';
import { solveProgram } from './solve-line.ts';

// HiGHS (npm `highs`), a general-purpose optimiser, on an integer program written from the plucks and the cost table.
const eventOf = (pluck: SinglePluck, index: number): PluckEvent => ({
  slice: index,
  bar: 0,
  onset: index,
  secondsBefore: index === 0 ? Infinity : pluck.secondsBefore,
  paceBefore: index === 0 ? Infinity : pluck.secondsBefore,
  notes: [
    {
      sound: index,
      string: pluck.string,
      voice: pluck.voice,
      isOverInner: false,
      isRepeated: pluck.isRepeated,
      isReturn: pluck.isReturn,
    },
  ],
  options: [[0], [1], [2], [3]],
  school: 'free',
  isLineStart: false,
  mayDoubleThumb: true,
  isAfterSlur: false,
  // Repeated notes of these lines are those of a tremolo.
  cell: pluck.isRepeated ? 'tremolo' : undefined,
  wanted: undefined,
  load: pluck.load,
  swept: [],
  brokenLocks: [],
});

const compare = async (plucks: readonly SinglePluck[]): Promise<void> => {
  const events = plucks.map(eventOf);
  const ours = costOfPlucks(events, bestPlucks(searchPlucks(events)));
  const timed = plucks.map((pluck, index) => ({
    ...pluck,
    secondsBefore: index === 0 ? Infinity : pluck.secondsBefore,
  }));
  const { value } = await solveProgram(pluckProgram(timed, RIGHT_COSTS), ours);
  // The optimiser keeps each row to 1e-6: over some tens of rows the value may be off by a little more.
  expect(ours).toBeCloseTo(value, 4);
};

const pluck: fc.Arbitrary<SinglePluck> = fc.record({
  string: fc.integer({ min: 1, max: 6 }),
  secondsBefore: fc.constantFrom(0.1, 0.2, 0.3, 0.5, 0.8),
  voice: fc.constantFrom('bass' as const, 'melody' as const, 'only' as const),
  isRepeated: fc.constant(false),
  isReturn: fc.boolean(),
  load: fc.constantFrom(1, 1.4, 2),
});
/** A repeated note lies on the string before. */
const line = fc
  .tuple(fc.array(pluck, { minLength: 2, maxLength: 7 }), fc.infiniteStream(fc.boolean()))
  .map(([plucks, repeats]) => {
    const made: SinglePluck[] = [];
    for (const each of plucks) {
      const before = made.at(-1);
      made.push(before && repeats.next().value ? { ...each, string: before.string, isRepeated: true } : each);
    }
    return made;
  });

/** Strings of short lines and arpeggios of our own. */
const TUNES = [
  '3 2 1 2 3 2 1 2',
  '5 3 2 1 2 3',
  '6 3 2 1 2 3',
  '4 3 2 1 2 3 2 1',
  '1 1 1 1 1 1',
  '1 1 2 2 3 3',
  '3 3 2 2 1 1',
  '5 1 1 1 5 1 1 1',
  '2 1 2 1 2 1',
  '1 2 1 2 1 2',
  '6 5 4 3 2 1',
  '1 2 3 4 5 6',
  '4 2 3 1 4 2 3 1',
  '5 2 3 2 1 2 3 2',
  '2 2 1 2 2 1',
  '3 1 2 3 1 2',
  '6 4 3 2 3 4',
  '5 4 5 4 3 2',
  '2 3 2 1 1 2',
  '4 3 4 3 2 3',
];

describe('the integer program of a right hand', () => {
  it(`has the optimum that the planner finds, on ${PROGRAMS} random lines`, async () => {
    await fc.assert(fc.asyncProperty(line, compare), { numRuns: PROGRAMS });
  }, 240_000);

  it('has it where the presolve of the optimiser loses it', async () => {
    const repeated = { string: 4, isRepeated: true, isReturn: false, load: 1 };
    await compare([
      { ...repeated, isRepeated: false, secondsBefore: 0.1, voice: 'melody' },
      { ...repeated, secondsBefore: 0.2, voice: 'only' },
      { ...repeated, secondsBefore: 0.3, voice: 'melody' },
      { ...repeated, secondsBefore: 0.3, voice: 'only' },
    ]);
  });

  it('has it on 20 musical lines', async () => {
    for (const tune of TUNES)
      for (const secondsBefore of [0.15, 0.4])
        await compare(
          tune.split(' ').map((string) => ({
            string: Number(string),
            secondsBefore,
            voice: Number(string) >= 4 ? 'bass' : 'melody',
            isRepeated: false,
            isReturn: false,
            load: 1,
          })),
        );
  }, 120_000);
});
