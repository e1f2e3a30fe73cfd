import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { exampleScore } from '../../testing/planning.ts';
import type { Bar, Score } from '../score.ts';
import { seamsOf, unfold } from './unfold.ts';

type Signs = Partial<Pick<Bar, 'repeatStart' | 'repeatEnd' | 'repeatTimes' | 'ending' | 'navigation'>>;

/** A score of bars of one note each, with signs by bar counted from 1. */
const withSigns = (count: number, signs: Readonly<Record<number, Signs>>): Score => {
  const score = exampleScore({ voices: [Array.from({ length: count }, () => 'E4/1').join(' | ')] });
  return { ...score, bars: score.bars.map((bar) => ({ ...bar, ...signs[bar.index + 1] })) };
};
const ending = (numbers: string): Bar['ending'] => ({ numbers, starts: true, stops: true });

/** The order of bars counted from 1. */
const order = (count: number, signs: Readonly<Record<number, Signs>>): string =>
  unfold(withSigns(count, signs))
    .bars.map(({ bar }) => bar + 1)
    .join(' ');
const troubles = (count: number, signs: Readonly<Record<number, Signs>>): readonly string[] =>
  unfold(withSigns(count, signs)).troubles.map(({ kind, bar }) => `${kind} ${bar + 1}`);

// Counted by hand; the meaning of the signs is common practice, no published source.
describe('the order in which bars are played', () => {
  it('without signs is that of the page', () => {
    expect(order(3, {})).toBe('1 2 3');
  });

  it('repeats go back to their sign, to the last repeat, or to the start', () => {
    expect(order(4, { 2: { repeatStart: true }, 3: { repeatEnd: true, repeatTimes: 2 } })).toBe(
      '1 2 3 2 3 4',
    );
    expect(order(3, { 2: { repeatEnd: true, repeatTimes: 2 } })).toBe('1 2 1 2 3');
    expect(order(4, { 2: { repeatEnd: true, repeatTimes: 2 }, 4: { repeatEnd: true, repeatTimes: 2 } })).toBe(
      '1 2 1 2 3 4 3 4',
    );
    expect(order(2, { 2: { repeatEnd: true, repeatTimes: 3 } })).toBe('1 2 1 2 1 2');
  });

  it('two and three endings take their turns', () => {
    const two = {
      1: { repeatStart: true },
      3: { ending: ending('1'), repeatEnd: true },
      4: { ending: ending('2') },
    };
    expect(order(5, two)).toBe('1 2 3 1 2 4 5');
    const three = {
      2: { repeatStart: true },
      3: { ending: ending('1'), repeatEnd: true },
      4: { ending: ending('2'), repeatEnd: true },
      5: { ending: ending('3') },
    };
    expect(order(6, three)).toBe('1 2 3 2 4 2 5 6');
  });

  it('an ending may be for several passes, and longer than a bar', () => {
    const signs = {
      2: { ending: { numbers: '1, 2', starts: true, stops: false } },
      3: { ending: { numbers: '1, 2', starts: false, stops: true }, repeatEnd: true },
      4: { ending: ending('3') },
    };
    expect(order(4, signs)).toBe('1 2 3 1 2 3 1 4');
  });

  it('repeats lie in each other', () => {
    const nested = {
      1: { repeatStart: true },
      2: { repeatStart: true },
      3: { repeatEnd: true, repeatTimes: 2 },
      4: { repeatEnd: true, repeatTimes: 2 },
    };
    expect(order(5, nested)).toBe('1 2 3 2 3 4 1 2 3 2 3 4 5');
  });

  it('D.C. al Fine plays again to the Fine, without repeats', () => {
    const signs = {
      2: { repeatEnd: true, repeatTimes: 2, navigation: ['fine' as const] },
      4: { navigation: ['da-capo' as const] },
    };
    expect(order(4, signs)).toBe('1 2 1 2 3 4 1 2');
  });

  it('D.S. al Coda leaves for the coda in the second run', () => {
    const signs = {
      2: { navigation: ['segno' as const] },
      3: { navigation: ['to-coda' as const] },
      5: { navigation: ['dal-segno' as const] },
      6: { navigation: ['coda' as const] },
    };
    expect(order(7, signs)).toBe('1 2 3 4 5 2 3 6 7');
    const plain = { ...signs, 3: { navigation: ['coda' as const] } };
    expect(order(7, plain)).toBe('1 2 3 4 5 2 3 6 7');
  });

  it('in the second run the last ending is played, and repeats in the coda are', () => {
    const signs = {
      2: { ending: ending('1'), repeatEnd: true },
      3: { ending: ending('2'), navigation: ['to-coda' as const] },
      4: { navigation: ['da-capo' as const] },
      5: { navigation: ['coda' as const], repeatStart: true },
      6: { repeatEnd: true, repeatTimes: 2 },
    };
    expect(order(6, signs)).toBe('1 2 1 3 4 1 3 5 6 5 6');
  });

  it('signs that lead nowhere are named and passed over', () => {
    expect(troubles(3, { 3: { navigation: ['dal-segno'] } })).toEqual(['segno-missing 3']);
    expect(troubles(3, { 2: { navigation: ['to-coda'] }, 3: { navigation: ['da-capo'] } })).toEqual([
      'coda-missing 2',
    ]);
    expect(troubles(3, { 2: { repeatStart: true } })).toEqual(['repeat-without-end 2']);
    expect(order(3, { 2: { repeatStart: true } })).toBe('1 2 3');
    expect(troubles(3, { 2: { ending: ending('1') } })).toEqual(['ending-without-repeat 2']);
    expect(order(3, { 2: { ending: ending('1') } })).toBe('1 2 3');
    expect(troubles(3, { 2: { navigation: ['da-capo'] }, 3: { navigation: ['fine'] } })).toEqual([
      'fine-never-reached 3',
    ]);
  });

  it('an upbeat is played again with a D.C., and not with a D.S. behind it', () => {
    const score = exampleScore({ voices: ['E4/4 | C4/1 | D4/2.'], pickup: true });
    const signed = (navigation: Bar['navigation']): Score => ({
      ...score,
      bars: score.bars.map((bar) =>
        bar.index === 2 ? { ...bar, navigation } : bar.index === 1 ? { ...bar, navigation: ['segno'] } : bar,
      ),
    });
    expect(unfold(signed(['da-capo'])).bars.map(({ bar }) => bar)).toEqual([0, 1, 2, 0, 1, 2]);
    expect(unfold(signed(['dal-segno'])).bars.map(({ bar }) => bar)).toEqual([0, 1, 2, 1, 2]);
  });

  it('hundreds of repeats within repeats are cut off, and that is said', () => {
    const deep: Record<number, Signs> = {};
    for (let depth = 1; depth <= 8; depth += 1)
      Object.assign(deep, {
        [depth]: { repeatStart: true },
        [20 - depth]: { repeatEnd: true, repeatTimes: 9 },
      });
    const unfolded = unfold(withSigns(20, deep));
    expect(unfolded.bars.length).toBeLessThanOrEqual(20_000);
    expect(unfolded.troubles.map(({ kind }) => kind)).toContain('too-long');
  });
});

describe('the map between the page and what is played', () => {
  const signs = fc.record({
    repeatStart: fc.boolean(),
    repeatEnd: fc.boolean(),
    repeatTimes: fc.integer({ min: 2, max: 3 }),
    ending: fc.option(fc.constantFrom(ending('1'), ending('2'), ending('1, 2')), { nil: undefined }),
    navigation: fc.uniqueArray(
      fc.constantFrom('segno', 'coda', 'fine', 'da-capo', 'dal-segno', 'to-coda') as fc.Arbitrary<
        Bar['navigation'][number]
      >,
      { maxLength: 1 },
    ),
  });
  const signed = fc.array(signs, { minLength: 1, maxLength: 8 }).map((all) => {
    const score = withSigns(all.length, {});
    return {
      ...score,
      bars: score.bars.map((bar, index): Bar => {
        const { ending: own, ...rest } = all[index]!;
        return { ...bar, ...rest, ...(own && { ending: own }) };
      }),
    };
  });

  it('whatever the signs, playing ends and fills its length', () => {
    fc.assert(
      fc.property(signed, (score) => {
        const { bars, length } = unfold(score);
        expect(bars.length).toBeGreaterThan(0);
        expect(length).toBe(bars.reduce((sum, { bar }) => sum + score.bars[bar]!.length, 0));
      }),
    );
  });

  it('leads from the page to what is played and back', () => {
    fc.assert(
      fc.property(signed, fc.nat(), (score, seed) => {
        const unfolded = unfold(score);
        const tick = seed % unfolded.length;
        const written = unfolded.writtenAt(tick);
        expect(unfolded.playedAt(written)).toContain(tick);
        for (const played of unfolded.playedAt(written)) expect(unfolded.writtenAt(played)).toBe(written);
      }),
    );
  });

  it('names every jump once', () => {
    const score = withSigns(4, {
      2: { repeatStart: true },
      3: { repeatEnd: true, repeatTimes: 3 },
    });
    expect(seamsOf(unfold(score))).toEqual([{ from: 2, to: 1 }]);
  });
});
