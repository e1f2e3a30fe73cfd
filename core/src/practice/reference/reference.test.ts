import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { HARMONIC_NODES, millimetres, SCALE_LENGTHS } from '../../instrument/guitar.ts';
import { handOf } from '../../left/hand/hand.ts';
import { harmonicWays, nodesOf } from './harmonics.ts';
import {
  comfortableFrom,
  fretMeasures,
  reachFromFrets,
  stretchBetween,
  stretchOnInstruments,
} from './neck.ts';
import { tensionAfter } from './strings.ts';
import { noteMs, sameFingerMs } from './time.ts';

const NECK = { scaleLength: millimetres(650), capo: 0, frets: 19 };

describe('the neck', () => {
  it('has its twelfth fret at half the string, its seventh near a third, its fifth near a quarter', () => {
    const offsets = fretMeasures(NECK).map(({ offset }) => offset);
    expect(offsets[11]).toBeCloseTo(325, 9);
    // The rule of eighteen in its exact form: each wire takes 1/17.817 of what is left (equal temperament).
    expect(offsets[0]).toBeCloseTo(650 / 17.817, 2);
    expect(Math.abs(offsets[6]! - 650 / 3)).toBeLessThan(0.5);
    expect(Math.abs(offsets[4]! - 650 / 4)).toBeLessThan(0.7);
  });

  it('has spaces that add up to its wires, with a capo as without', () => {
    fc.assert(
      fc.property(fc.integer({ min: 400, max: 700 }), fc.integer({ min: 0, max: 12 }), (scale, capo) => {
        const frets = fretMeasures({ scaleLength: millimetres(scale), capo, frets: 19 });
        expect(frets).toHaveLength(19 - capo);
        let sum = 0;
        for (const { offset, width } of frets) {
          sum += width;
          expect(offset).toBeCloseTo(sum, 6);
        }
        // A capo makes a neck of the rest of the string: in proportion the same.
        const rest = scale * 2 ** (-capo / 12);
        const plain = fretMeasures({ scaleLength: millimetres(rest), capo: 0, frets: 19 - capo });
        frets.forEach(({ offset }, index) => expect(offset).toBeCloseTo(plain[index]!.offset, 6));
      }),
    );
  });

  it('opens under the same span over more frets the higher it is', () => {
    const reach = reachFromFrets(NECK, 100).map((each) => each.reach);
    for (let fret = 1; fret + 4 < 15; fret += 1)
      expect(reach[fret]!).toBeGreaterThanOrEqual(reach[fret - 1]!);
    for (const { fret, reach: frets } of reachFromFrets(NECK, 100))
      if (frets > 0) expect(stretchBetween(NECK, fret, fret + frets)).toBeLessThanOrEqual(100);
  });

  it('is easier to span on a smaller instrument, and further up', () => {
    const medium = handOf('medium');
    const all = stretchOnInstruments(medium, '1-4', 1, 5);
    expect(all.map(({ scaleLength }) => scaleLength)).toEqual([...SCALE_LENGTHS]);
    all.forEach(({ mm }, index) => index > 0 && expect(mm).toBeLessThan(all[index - 1]!.mm));
    const ease = (lower: number) =>
      stretchOnInstruments(medium, '1-4', lower, lower + 4).map((each) => each.ease);
    expect(ease(1)[0]).toBe('possible');
    // Somewhere on the neck the largest instrument strains the hand and the smallest does not.
    expect(Array.from({ length: 8 }, (_, at) => ease(at + 1))).toContainEqual(
      expect.arrayContaining(['possible', 'comfortable']),
    );
    for (let lower = 1; lower < 9; lower += 1)
      expect(
        ease(lower).toSorted((a, b) => Number(a === 'comfortable') - Number(b === 'comfortable')),
      ).toEqual(ease(lower));
    const four = comfortableFrom(medium, '1-4', 4, NECK)!;
    expect(stretchBetween(NECK, four, four + 4)).toBeLessThanOrEqual(medium.spans['1-4'].comfortable);
    expect(stretchBetween(NECK, four - 1, four + 3)).toBeGreaterThan(medium.spans['1-4'].comfortable);
    expect(comfortableFrom(handOf('small'), '1-2', 9, NECK)).toBeUndefined();
  });
});

describe('harmonics', () => {
  it('lie at k/n of the string and sound its n-th partial (string physics)', () => {
    expect(nodesOf(2)).toEqual([{ partial: 2, at: 0.5, fret: 12, semitones: 12, cents: 0 }]);
    const [low, high] = nodesOf(3);
    expect(low!.fret).toBeCloseTo(7.02, 2);
    expect(high!.fret).toBeCloseTo(19.02, 2);
    // The twelfth is two cents wide of equal temperament, the seventeenth fourteen narrow, the seventh partial 31.
    expect(low!.cents).toBeCloseTo(1.955, 3);
    expect(nodesOf(5)[0]!.cents).toBeCloseTo(-13.686, 3);
    expect(nodesOf(7)[0]!.cents).toBeCloseTo(-31.174, 3);
    // The fourth partial has no node of its own at the middle, where the octave is.
    expect(nodesOf(4).map(({ at }) => at)).toEqual([0.25, 0.75]);
  });

  it('mirror each other about the middle of the string', () => {
    for (let partial = 2; partial <= 8; partial += 1) {
      const shares = nodesOf(partial).map(({ at }) => at);
      for (const at of shares) expect(shares.some((other) => Math.abs(other - (1 - at)) < 1e-9)).toBe(true);
    }
  });

  it('are those of the handbook (common practice)', () => {
    for (const { fret, semitones } of HARMONIC_NODES) {
      const near = [2, 3, 4, 5]
        .flatMap(nodesOf)
        .find((node) => Math.abs(node.fret - fret) < 0.25 && node.semitones === semitones);
      expect(near, `node ${fret}`).toBeDefined();
    }
  });

  it('are found for a pitch on every string, naturally or over a stopped fret', () => {
    const tuning = [64, 59, 55, 50, 45, 40];
    // E4 is the twelfth of ⑤ and the fourth partial of ⑥.
    const ways = harmonicWays(64, tuning);
    const natural = ways.filter(({ stopped }) => stopped === 0);
    expect(natural.map(({ string, partial }) => `${string}/${partial}`)).toEqual(
      expect.arrayContaining(['5/3', '6/4']),
    );
    for (const { string, semitones, stopped } of ways)
      expect(tuning[string - 1]! + stopped + semitones).toBe(64);
    const artificial = harmonicWays(77, tuning).find(({ string, stopped }) => string === 1 && stopped === 1);
    expect(artificial!.fret).toBeCloseTo(13, 9);
  });
});

describe('time and tension', () => {
  it('are as counted by hand', () => {
    expect(noteMs(60, 4)).toBe(250);
    expect(sameFingerMs(120, 4, 2)).toBe(250);
    // A tone down leaves 79 in a hundred of the tension; an octave up asks for four times as much.
    expect(tensionAfter(-2)).toBeCloseTo(0.7937, 4);
    expect(tensionAfter(12)).toBe(4);
  });
});
