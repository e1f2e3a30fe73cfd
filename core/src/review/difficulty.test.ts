import { describe, expect, it } from 'vitest';
import { planVoices } from '../testing/planning.ts';
import { COMFORTABLE_LEVEL, difficultyOf } from './difficulty.ts';

const levels = (voices: readonly string[], tempo: number) => {
  const plan = planVoices(voices, { tempo });
  return difficultyOf(plan.performance, tempo);
};

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

  it('grows with the tempo', () => {
    expect(levels([hard], 120)[0]!.level).toBeGreaterThan(levels([hard], 60)[0]!.level);
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
