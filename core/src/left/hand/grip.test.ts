import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { LeftFinger } from '../../fingering/vocabulary.ts';
import { STANDARD_GUITAR } from '../../instrument/guitar.ts';
import { assignmentsOf } from './assignments.ts';
import { gripProblem, type Placement } from './grip.ts';
import { handOf, neckTables } from './hand.ts';

const hand = handOf('medium');
const neck = neckTables(STANDARD_GUITAR);
const at = (string: number, fret: number, finger: LeftFinger): Placement => ({ string, fret, finger });
const problem = (...placements: Placement[]) => gripProblem(placements, hand, neck);

// Hard rules of handbook §3: common practice, no published source.
describe('a grip', () => {
  it('takes one note a string', () => {
    expect(problem(at(4, 0, 0), at(4, 4, 3))).toMatch(/string 4/);
  });

  it('does not cross its fingers', () => {
    expect(problem(at(5, 3, 1), at(4, 2, 2))).toMatch(/cross/);
    expect(problem(at(5, 2, 1), at(4, 3, 2))).toBeUndefined();
  });

  it('stops one fret a finger, flat over neighbouring strings as a barre', () => {
    expect(problem(at(5, 3, 1), at(4, 2, 1))).toMatch(/two frets/);
    expect(problem(at(6, 1, 1), at(2, 1, 1), at(1, 1, 1))).toBeUndefined();
  });

  it('lets no open or lower note sound under a barre', () => {
    expect(problem(at(5, 2, 1), at(3, 0, 0), at(1, 2, 1))).toMatch(/covers/);
    expect(problem(at(6, 0, 0), at(5, 2, 1), at(1, 2, 1))).toBeUndefined();
  });

  it('lays small barres over four strings at most', () => {
    expect(problem(at(5, 2, 2), at(1, 2, 2))).toMatch(/so many strings/);
    expect(problem(at(4, 2, 2), at(1, 2, 2))).toBeUndefined();
  });

  it('lets 4 down inside a 3 that lies flat, but only on the next fret', () => {
    expect(problem(at(4, 5, 3), at(3, 6, 4), at(2, 5, 3))).toBeUndefined();
    expect(problem(at(4, 5, 3), at(3, 7, 4), at(2, 5, 3))).toMatch(/lie flat/);
    expect(problem(at(4, 5, 2), at(3, 7, 4), at(2, 5, 2))).toBeUndefined();
  });

  it('reaches in millimetres: what fails at the first fret fits at the ninth', () => {
    expect(problem(at(5, 1, 1), at(1, 6, 4))).toMatch(/cannot reach/);
    expect(problem(at(5, 9, 1), at(1, 14, 4))).toBeUndefined();
  });

  it('that closes stays possible when it moves up the neck', () => {
    const closed = fc
      .tuple(fc.integer({ min: 1, max: 8 }), fc.integer({ min: 0, max: 3 }), fc.integer({ min: 1, max: 4 }))
      .map(([fret, apart, up]) => ({ low: at(5, fret, 1), high: at(3, fret + apart, 4), up }));
    fc.assert(
      fc.property(closed, ({ low, high, up }) => {
        if (problem(low, high) !== undefined) return;
        expect(problem({ ...low, fret: low.fret + up }, { ...high, fret: high.fret + up })).toBeUndefined();
      }),
    );
  });
});

describe('assignments', () => {
  const places = (...each: [number, number][]) => each.map(([string, fret]) => ({ string, fret }));

  it('are all possible and all different', () => {
    const struck = [
      { places: places([5, 3], [6, 8]), lock: undefined },
      { places: places([4, 2], [5, 7]), lock: undefined },
      { places: places([2, 1], [3, 5]), lock: undefined },
    ];
    const found = assignmentsOf(struck, hand, neck);
    expect(found.length).toBeGreaterThan(5);
    for (const { placements } of found) expect(gripProblem(placements, hand, neck)).toBeUndefined();
    expect(new Set(found.map((each) => JSON.stringify(each))).size).toBe(found.length);
  });

  it('keep their locks, or are none', () => {
    const struck = [{ places: places([2, 1], [3, 5]), lock: { string: 3, finger: 4 } as const }];
    expect(assignmentsOf(struck, hand, neck)).toEqual([{ placements: [at(3, 5, 4)] }]);
    expect(assignmentsOf([{ places: places([2, 1]), lock: { finger: 0 } }], hand, neck)).toEqual([]);
  });
});
