import { describe, expect, it } from 'vitest';
import { GRADED } from '../../test/passages/graded.ts';
import type { Performance } from '../performance/performance.ts';
import { clockOf } from '../score/clock.ts';
import { planAs, planVoices } from '../testing/planning.ts';
import { COMFORTABLE_LEVEL, difficultyOf } from './difficulty.ts';
import { LEVELS, RATES, type RateName } from './rates.ts';
import { handOf } from '../left/hand/hand.ts';

const levels = (voices: readonly string[], tempo: number) =>
  difficultyOf(planVoices(voices, { tempo }).performance, tempo);
const at = (performance: Performance, tempo: number): Performance => ({
  ...performance,
  clock: clockOf(performance.score, tempo),
});

describe('the difficulty of a bar', () => {
  const easy = 'E4/4 B3/4 G3/4 E4/4';
  const hard = 'F4/8 A4/8 C5/8 F5/8 C5/8 A4/8 F4/8 C4/8';

  it('is greater where the hands have more to do, and stays within its scale', () => {
    const [first, second] = levels([`${easy} | ${hard}`], 90);
    expect(second!.level).toBeGreaterThan(first!.level);
    for (const { left, right, level } of [first!, second!]) {
      expect(Math.min(left, right)).toBeGreaterThanOrEqual(0);
      expect(level).toBeLessThanOrEqual(10);
    }
  });

  it('is never less at a faster tempo, nor for a player who has come less far', () => {
    const { performance } = planVoices([hard]);
    let before = 0;
    for (const tempo of [40, 60, 90, 120, 180]) {
      const [bar] = difficultyOf(at(performance, tempo), tempo);
      expect(bar!.level).toBeGreaterThan(before);
      before = bar!.level;
    }
    const [beginner, intermediate, advanced] = LEVELS.map(
      (level) => difficultyOf(performance, 90, level)[0]!.level,
    );
    expect(beginner).toBeGreaterThan(intermediate!);
    expect(intermediate).toBeGreaterThan(advanced!);
  });

  it('is never more for a larger hand that plays the same', () => {
    const voices = ['F4/4 C5/4 F4/4 C5/4'];
    const of = (size: 'small' | 'medium' | 'large') => {
      const plan = planAs(voices, '1:1 1:4 1:1 1:4', { hand: handOf(size) });
      return difficultyOf(plan.performance, 90)[0]!.left;
    };
    expect(of('small')).toBeGreaterThanOrEqual(of('medium'));
    expect(of('medium')).toBeGreaterThanOrEqual(of('large'));
  });

  it('names what costs most, and a tempo at which the bar is comfortable', () => {
    const [bar] = levels([hard], 90);
    expect(bar!.reasons.length).toBeGreaterThan(0);
    expect(bar!.reasons.map(({ amount }) => amount)).toEqual(
      bar!.reasons.map(({ amount }) => amount).toSorted((a, b) => b - a),
    );
    const comfortable = bar!.comfortableTempo!;
    expect(comfortable < 90).toBe(bar!.level > COMFORTABLE_LEVEL);
  });
});

// The rates are those of handbook §8 (from memory, common practice, no published source).
describe('the usual rates', () => {
  /** Seconds between two notes of a length in quarters at the comfortable tempo. */
  const paceOf = (
    voices: readonly string[],
    quarters: number,
    level: (typeof LEVELS)[number],
    as?: string,
  ) => {
    const plan = as === undefined ? planVoices(voices, { tempo: 60 }) : planAs(voices, as, { tempo: 60 });
    return (quarters * 60) / difficultyOf(at(plan.performance, 60), 60, level).at(-1)!.comfortableTempo!;
  };
  const four = (notes: string): string => Array.from({ length: 4 }, () => notes).join(' ');
  type Technique = readonly [
    rate: RateName,
    voices: readonly string[],
    quarters: number,
    fingering?: string | undefined,
  ];
  const TECHNIQUES: readonly Technique[] = [
    ['line', ['E4/16 F4/16 G4/16 F4/16 E4/16 F4/16 G4/16 F4/16 E4/2'], 1 / 4],
    ['arpeggio', [`${four('A2/16 A3/16 C4/16 E4/16')} | ${four('A2/16 A3/16 C4/16 E4/16')}`], 1 / 4],
    ['tremolo', [four('-/32 E4/32 E4/32 E4/32'), four('A2/8')], 1 / 8],
    ['slur', [`${four('E4/16( F4/16)')} E4/2`], 1 / 4],
    ['chord', ['E2+B2+E3+G#3/4 D3+A3+C4+F#4/4 -/2'], 1, '6:0 5:2 4:3 3:1 4:0 3:2 2:1 1:3'],
    ['shift', ['F4/4 C#5/4 -/2'], 1, '1:1 1:4'],
    ['barre', ['E4/4 A2+D3+G3+C4+E4+A4/4 -/2'], 1, '1:0 6:1 5:1 4:1 3:1 2:1 1:1'],
  ];
  it.each(TECHNIQUES.map(([name, ...rest]) => ({ name, rest })))(
    'come out of a passage of one technique within a fifth: $name',
    ({ name, rest: [voices, quarters, as] }) => {
      for (const level of LEVELS) {
        const pace = paceOf(voices, quarters, level, as);
        expect(pace / RATES[name].seconds[level]).toBeGreaterThan(0.8);
        expect(pace / RATES[name].seconds[level]).toBeLessThan(1.2);
      }
    },
  );
});

/** Spearman's rank correlation of a list with its own order. */
const rankCorrelation = (values: readonly number[]): number => {
  const ranks = values.map(
    (value) =>
      values.filter((other) => other < value).length + values.filter((other) => other === value).length / 2,
  );
  const mean = (of: readonly number[]): number => of.reduce((sum, each) => sum + each, 0) / of.length;
  const order = values.map((_, index) => index + 0.5);
  const [a, b] = [mean(ranks), mean(order)];
  const covariance = mean(ranks.map((rank, index) => (rank - a) * (order[index]! - b)));
  const spread = (of: readonly number[], middle: number): number =>
    Math.sqrt(mean(of.map((each) => (each - middle) ** 2)));
  return covariance / (spread(ranks, a) * spread(order, b));
};

describe('textures from first lessons to concert level', () => {
  it('are at least thirty, and keep their order', () => {
    expect(GRADED.length).toBeGreaterThanOrEqual(30);
    const hardest = GRADED.map(({ voices, tempo }) =>
      Math.max(...levels(voices, tempo).map(({ level }) => level)),
    );
    expect(rankCorrelation(hardest), hardest.map((each) => each.toFixed(1)).join(' ')).toBeGreaterThan(0.9);
  });
});
